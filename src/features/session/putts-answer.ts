import 'server-only';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { Problem, connection, notFound, openLink, type Principal } from '@/data';
import { beforeReckoning } from '../reckoning/pool';
import { bodyOf, coachAsking, pathOf, tellJson } from '../shared/answer-ahead';
import { takeEvents } from './take-events';

const FROM_COACH = /^\/api\/runs\/([^/]+)\/putts$/;
const FROM_HOME = /^\/home\/([^/]+)\/runs\/([^/]+)$/;

/** What was sent as JSON; null for what is none. */
function parsed(text: string | null): unknown {
  try {
    return text === null ? null : JSON.parse(text);
  } catch {
    return null;
  }
}

/** A coach, by the device that asks. */
async function coach(request: IncomingMessage): Promise<Principal> {
  const found = await coachAsking(request);
  if (!found) throw new Problem('refused', 'You are signed out on this device. Sign in again.');
  return found;
}

/** A student at home, by the link: for their own sessions there, and no others. */
async function student(token: string): Promise<Principal> {
  const opened = await openLink(await connection(), token, new Date());
  if (opened.as !== 'student') throw notFound('page');
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
  const path = pathOf(request);
  const fromCoach = FROM_COACH.exec(path);
  const fromHome = FROM_HOME.exec(path);
  const runId = fromCoach?.[1] ?? fromHome?.[2];
  if (runId === undefined) return false;
  const who = () => (fromHome ? student(fromHome[1]!) : coach(request));
  void bodyOf(request)
    .then((sent) => {
      // From here on: what is slow to come over a weak signal keeps nobody still.
      response.once('close', beforeReckoning());
      return takeEvents(parsed(sent), runId, async () => ({
        database: await connection(),
        principal: await who(),
      }));
    })
    .then(({ status, body }) => tellJson(response, status, body));
  return true;
}
