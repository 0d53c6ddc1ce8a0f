import { runAnswer, type RunAnswer, type WireEvent } from './wire';

/** Sends what happened to a run, and tells what the server has of it. */
export async function sendEvents(runId: string, events: WireEvent[]): Promise<RunAnswer> {
  const response = await fetch(`/api/runs/${runId}/putts`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ events }),
    signal: AbortSignal.timeout(10_000),
  });
  return runAnswer.parse(await response.json());
}
