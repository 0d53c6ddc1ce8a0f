import { isOpen, isOpenHere } from '../session/open-runs';
import { drain, setAllAside, waitingRuns, type WaitingRun } from '../session/queue';
import { sendEvents } from '../session/send';
import type { WireEvent } from '../session/wire';
import { allBegun } from './device';
import { deliverAll, pathsOf } from './sync';

/** Answers after which the same would be refused for ever: it is set aside with the reason, and offered as a file. */
const FOR_EVER = ['not-found', 'revoked', 'invalid'];

/** Marks an event as logged by somebody who did not know that the session is finished, so that it is added without asking. */
const unasked = (event: WireEvent): WireEvent =>
  'knowing' in event ? { ...event, knowing: false } : event;

async function sendRun({ runId, sender }: WaitingRun): Promise<void> {
  const owner = sender?.owner ?? null;
  const putts = pathsOf(sender?.home ?? '').putts(runId);
  // The page that shows the run asks the coach first. Where none is open, nobody is there to be asked.
  const asks = await isOpen(runId);
  const send = (events: WireEvent[]) =>
    sendEvents(putts, asks ? events : events.map(unasked), null, owner);
  const answer = await drain(runId, send, owner);
  // What an earlier version kept does not say whose it is: another coach may still be able to send it.
  if (!answer.ok && owner !== null && FOR_EVER.includes(answer.code)) {
    await setAllAside(runId, answer.message, owner);
  }
}

let sending: Promise<void> | null = null;

/**
 * Sends everything that waits on this device, of whatever session and whomever: sessions that were started here with no signal, and
 * runs whose page may never be opened again. Each is sent as its owner's only; what cannot be sent now keeps waiting.
 */
export function sendWaiting(): Promise<void> {
  sending ??= sendAll().finally(() => (sending = null));
  return sending;
}

async function sendAll(): Promise<void> {
  const begun = await allBegun().catch(() => []);
  for (const home of new Set(begun.map((session) => session.home))) await deliverAll(home);
  // The server does not know these before their session was delivered.
  const left = await allBegun().catch(() => []);
  const apart = new Set(left.flatMap(({ runs }) => runs.map(({ id }) => id)));
  for (const run of await waitingRuns()) {
    if (apart.has(run.runId) || isOpenHere(run.runId)) continue;
    // One that has to wait holds up no other.
    await sendRun(run).catch(() => undefined);
  }
}
