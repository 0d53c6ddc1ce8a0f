import type { Translate } from '@/words/translate';
import { runAnswer, type RunAnswer, type WireEvent, type WirePosition } from './wire';

/**
 * Sends what happened to a run, and tells what the server has of it that is new.
 *
 * @param address where events of the run are taken
 * @param since what is known here of the run; null for nothing
 * @param owner who logged them; null where that is not known
 */
export async function sendEvents(
  address: string,
  events: WireEvent[],
  since: WirePosition | null = null,
  owner: string | null = null,
): Promise<RunAnswer> {
  const response = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ events, since, owner }),
    signal: AbortSignal.timeout(10_000),
  });
  return runAnswer.parse(await response.json());
}

/** What is wrong with something that was sent once, from a page that keeps nothing; null when all of it was taken. */
export function wrongWith(t: Translate, answer: RunAnswer | null): string | null {
  if (!answer) return t('session.send.theServerDoesNotRespond');
  if (!answer.ok) return answer.message;
  return answer.refused[0]?.message ?? null;
}
