import { runAnswer, type RunAnswer, type WireEvent } from './wire';

/**
 * Sends what happened to a run, and tells what the server has of it.
 *
 * @param address where events of the run are taken
 */
export async function sendEvents(address: string, events: WireEvent[]): Promise<RunAnswer> {
  const response = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ events }),
    signal: AbortSignal.timeout(10_000),
  });
  return runAnswer.parse(await response.json());
}
