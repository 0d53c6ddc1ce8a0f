import 'server-only';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { answerUpload } from '../import/upload';
import { LINES, answerInstruments } from '../instruments/answer';
import { answerPutts } from '../session/putts-answer';
import { askedBy, pathOf, tellJson } from '../shared/answer-ahead';
import { FOREIGN, refusedAs } from '../shared/border';
import { log } from '../shared/log';
import { answerHealth } from './health';
import { answerDeadLink } from './link-gate';

/**
 * Answers a request ahead of the framework: what must be refused before it is redirected or parsed, and what is asked so often that
 * the framework's way would cost too much.
 *
 * @param request as {@link refusal} in server/limits.mjs let it through
 * @returns whether it was answered; any other goes to the framework
 */
export async function answersAhead(
  request: IncomingMessage,
  response: ServerResponse,
): Promise<boolean> {
  const path = pathOf(request);
  if (path === '/health') return answerHealth(request, response);
  const asked = askedBy(request, path);
  // An instrument is no page: it shows its secret, and comes from no site.
  const foreign = refusedAs(
    path === LINES ? { ...asked, method: 'GET', origin: null, site: null } : asked,
    process.env,
  );
  if (foreign) {
    log.warn({ event: 'refused', status: 403, reason: foreign });
    tellJson(response, 403, FOREIGN);
    return true;
  }
  return (
    (await answerDeadLink(request, response, path)) ||
    answerPutts(request, response) ||
    answerInstruments(request, response) ||
    answerUpload(request, response)
  );
}
