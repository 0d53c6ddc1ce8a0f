import 'server-only';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { connection, senderBy, takeLines, type LineTold } from '@/data';
import { beforeReckoning } from '../reckoning/pool';
import { bodyOf, coachAsking, pathOf, tellText } from '../shared/answer-ahead';
import { guarding } from '../shared/border';
import { countTry } from '../shared/limits';
import { messageFor } from '../shared/message';
import { listen, tellRun } from './live';

/** Where instruments send their lines. */
export const LINES = '/api/instruments/putts';
/** Where a screen hears of them. */
const LIVE = '/api/live';

/** Lines in one request at most. */
const MOST_LINES = 1000;
/** How often a connection that hears nothing is told that it stands, ms. */
const BEAT = 20_000;

const BEARER = /^Bearer ([\w-]{20,100})$/;

const tell = (
  response: ServerResponse,
  status: number,
  lines: readonly object[],
  headers: Record<string, string> = {},
): void =>
  tellText(
    response,
    status,
    'application/x-ndjson; charset=utf-8',
    lines.map((line) => `${JSON.stringify(line)}\n`).join(''),
    headers,
  );

const refused = (message: string) => [{ line: null, state: 'refused', message }];

async function lines(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const body = await bodyOf(request);
  if (body === null) return;
  response.once('close', beforeReckoning());
  const address = String(request.headers['x-dirigo-address'] ?? 'here');
  const database = await connection();
  const secret = BEARER.exec(request.headers.authorization ?? '')?.[1];
  const sender = secret ? await senderBy(database, secret) : null;
  if (!sender) {
    const wait = secret ? await countTry('links', address) : 0;
    if (wait > 0) {
      const message = `Too many attempts with an unknown secret key. Wait ${wait} s.`;
      return tell(response, 429, refused(message), { 'retry-after': String(wait) });
    }
    return tell(
      response,
      401,
      refused(
        'No instrument has this secret key. Send the key as “Authorization: Bearer …”. It is shown only once, under Devices.',
      ),
    );
  }
  const texts = body.split(/\r?\n/).filter((text) => text.trim() !== '');
  if (texts.length > MOST_LINES) {
    return tell(
      response,
      413,
      refused(`${texts.length} lines are too many at once: send at most ${MOST_LINES}.`),
    );
  }
  const taken = await takeLines(database, sender, texts, new Date());
  for (const runId of new Set(taken.flatMap((one) => (one.state === 'taken' ? [one.runId] : [])))) {
    tellRun(runId, sender.principal.coachId);
  }
  tell(response, 200, taken.map(shown));
}

/** What an instrument is told of a line: nothing of whose putt it is. */
const shown = (told: LineTold): object => {
  const { line, id, state } = told;
  return { line, id, state, ...('message' in told && { message: told.message }) };
};

async function live(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const principal = await coachAsking(request);
  if (!principal)
    return tell(response, 401, refused('You are signed out on this device. Sign in again.'));
  response.writeHead(200, {
    ...guarding(),
    'content-type': 'text/event-stream',
    'cache-control': 'no-store',
    'x-accel-buffering': 'no',
  });
  response.write(': here\n\n');
  const endUnlessSignedIn = async () => {
    if (!(await coachAsking(request).catch(() => null))) response.end();
  };
  // Only that a run has something new is told; what it is, the screen asks for as who it is.
  const stopListening = listen(
    (runId, coachId) => {
      if (principal.as === 'head' || principal.coachId === coachId) {
        response.write(`data: ${runId}\n\n`);
      }
    },
    (which) => void (which === 'all' ? response.end() : endUnlessSignedIn()),
  );
  const beat = setInterval(() => {
    response.write(': here\n\n');
    void endUnlessSignedIn();
  }, BEAT);
  response.once('close', () => {
    stopListening();
    clearInterval(beat);
  });
}

/**
 * Answers instruments, and screens that wait for what they send, ahead of the framework.
 *
 * @returns whether it was such a request; any other is left alone
 */
export function answerInstruments(request: IncomingMessage, response: ServerResponse): boolean {
  const path = pathOf(request);
  const { method = 'GET', headers } = request;
  const sends = method === 'POST' && path === LINES;
  const hears = method === 'GET' && path === LIVE;
  if (!sends && !hears) return false;
  if (sends && headers.origin !== undefined) {
    tell(response, 403, refused('This request came from another site and was refused.'));
    return true;
  }
  void (sends ? lines(request, response) : live(request, response)).catch((error: unknown) => {
    if (response.headersSent) response.destroy();
    else tell(response, 500, refused(messageFor(error)));
  });
  return true;
}
