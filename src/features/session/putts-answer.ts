import 'server-only';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { parseCookie } from 'cookie';
import { Problem, connection, notFound, type Principal } from '@/data';
import { coachBy, openedFrom } from '../shared/asking';
import { FOREIGN, guarding, refusedAs } from '../shared/border';
import { COOKIE } from '../shared/cookie';
import { takeEvents } from './take-events';

const FROM_COACH = /^\/api\/runs\/([^/]+)\/putts$/;
const FROM_HOME = /^\/home\/([^/]+)\/runs\/([^/]+)$/;

const header = ({ headers }: IncomingMessage, name: string): string | null => {
  const value = headers[name];
  return typeof value === 'string' ? value : null;
};

function tell(response: ServerResponse, status: number, body: object): void {
  const text = JSON.stringify(body);
  response.writeHead(status, {
    ...guarding(),
    'content-type': 'application/json',
    'content-length': Buffer.byteLength(text),
    'cache-control': 'no-store',
  });
  response.end(text);
}

/** The body of a request as JSON; null for what is none, or was not sent whole. */
const bodyOf = (request: IncomingMessage): Promise<unknown> =>
  new Promise((resolve) => {
    const parts: Buffer[] = [];
    request
      .on('data', (part: Buffer) => parts.push(part))
      .once('close', () => resolve(null))
      .once('end', () => {
        try {
          resolve(JSON.parse(Buffer.concat(parts).toString()));
        } catch {
          resolve(null);
        }
      });
  });

/** A coach, by the device that asks. */
async function coach(request: IncomingMessage): Promise<Principal> {
  const secret = parseCookie(request.headers.cookie ?? '')[COOKIE.name];
  const found = await coachBy(await connection(), secret, header(request, 'host') ?? '');
  if (!found) throw new Problem('refused', 'You are signed out here. Sign in again.');
  return found;
}

/** A student at home, by the link: for their own sessions there, and no others. */
async function student(request: IncomingMessage, token: string): Promise<Principal> {
  const address = header(request, 'x-dirigo-address') ?? 'here';
  const opened = await openedFrom(await connection(), token, address);
  if (opened?.as !== 'student') throw notFound('page');
  return opened;
}

/**
 * Answers what a logging screen sends, ahead of the framework: a putt is sent every few seconds from every green, and the way
 * through the framework costs several times what keeping it does.
 *
 * @param request as {@link refusal} in server/limits.mjs let it through
 * @returns whether it was such a request; any other is left alone
 */
export function answerPutts(request: IncomingMessage, response: ServerResponse): boolean {
  if (request.method !== 'POST') return false;
  const path = (request.url ?? '').split('?')[0]!;
  const fromCoach = FROM_COACH.exec(path);
  const fromHome = FROM_HOME.exec(path);
  const runId = fromCoach?.[1] ?? fromHome?.[2];
  if (runId === undefined) return false;
  const foreign = refusedAs(
    {
      method: 'POST',
      path,
      host: header(request, 'host') ?? '',
      origin: header(request, 'origin'),
      site: header(request, 'sec-fetch-site'),
    },
    process.env,
  );
  if (foreign) {
    tell(response, 403, FOREIGN);
    return true;
  }
  const who = () => (fromHome ? student(request, fromHome[1]!) : coach(request));
  void bodyOf(request)
    .then((sent) =>
      takeEvents(sent, runId, async () => ({
        database: await connection(),
        principal: await who(),
      })),
    )
    .then(({ status, body }) => tell(response, status, body));
  return true;
}
