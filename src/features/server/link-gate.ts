import 'server-only';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { connection, linkState } from '@/data';
import { header, tellJson, tellText } from '../shared/answer-ahead';
import { countTry } from '../shared/limits';

/** Paths below a link: a student's own page, or a coach's calendar. */
const BELOW_LINK = /^\/(?:home|calendar)\/([\w-]+)(?:\.ics)?(?:\/|$)/;

const REVOKED = 'This link was revoked. Ask your coach for a new one.';

const page = (message: string): string =>
  `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">` +
  `<title>Dirigo</title><body style="font: 20px/1.45 system-ui, sans-serif; margin: 2rem; max-width: 32rem"><h1>Dirigo</h1><p>${message}</p></body></html>`;

function tell(
  request: IncomingMessage,
  response: ServerResponse,
  status: number,
  answer: { code: string; message: string },
  headers?: Record<string, string>,
): void {
  const readsPages = header(request, 'accept')?.includes('text/html') ?? false;
  if (readsPages) {
    tellText(response, status, 'text/html; charset=utf-8', page(answer.message), headers);
  } else tellJson(response, status, { ok: false, ...answer }, headers);
}

/**
 * Answers a request below a link that opens nothing: 410 for one that was revoked, the only answer that has a device empty itself;
 * 429 after many unknown ones from one address. A valid link is never held up, whatever else its address has tried.
 *
 * @returns whether it was answered
 */
export async function answerDeadLink(
  request: IncomingMessage,
  response: ServerResponse,
  path: string,
): Promise<boolean> {
  const token = BELOW_LINK.exec(path)?.[1];
  if (token === undefined) return false;
  const database = await connection().catch(() => null);
  // A database that cannot be opened has a page of its own.
  if (!database) return false;
  const state = await linkState(database, token, new Date());
  if (state === 'open') return false;
  if (state === 'revoked') {
    tell(request, response, 410, { code: 'revoked', message: REVOKED });
    return true;
  }
  const wait = await countTry('links', header(request, 'x-dirigo-address') ?? 'here');
  if (wait === 0) return false;
  const message = `Too many unknown links. Wait ${wait} seconds.`;
  tell(request, response, 429, { code: 'slow', message }, { 'retry-after': String(wait) });
  return true;
}
