import { toSend, type BegunHere } from './begun';
import type { BegunAnswer, BegunSession } from './wire';

/** How a session reaches the server. */
export interface DeliverPorts {
  send(session: BegunSession, finish: boolean): Promise<BegunAnswer>;
  /** Sends what was logged of a run; true when all of it is on the server. */
  drained(runId: string): Promise<boolean>;
}

/** The server does not answer, or cannot just now. */
export class Waiting extends Error {}

/**
 * Sends what the server has not of a session that was begun here: that it was begun and how it went on; then its putts, in
 * order; then that it is finished. Sent again, it changes nothing.
 *
 * @returns the session as it stands then; null once all of it is there and nothing is to be settled
 * @throws Waiting when it has to be tried again later
 */
export async function deliver(session: BegunHere, ports: DeliverPorts): Promise<BegunHere | null> {
  const begun = await deliverBegun(session, ports);
  if (begun.refused !== null) return begun;
  for (const { id } of begun.runs) {
    if (!(await ports.drained(id))) throw new Waiting('Some putts have not been sent yet.');
  }
  if (begun.finishedAt === null || begun.theirs !== null) return begun;
  const told = await ports.send(toSend(begun), true);
  return after(begun, told, true);
}

/**
 * Sends that a session was begun and how it went on, where the server does not know yet: before any of its putts.
 *
 * @throws Waiting when it has to be tried again later
 */
export async function deliverBegun(
  session: BegunHere,
  ports: Pick<DeliverPorts, 'send'>,
): Promise<BegunHere> {
  const now = JSON.stringify(toSend(session));
  if (session.refused !== null || session.sent === now) return session;
  const told = await ports.send(toSend(session), false);
  return after(session, told, false) ?? session;
}

function after(session: BegunHere, told: BegunAnswer, finished: boolean): BegunHere | null {
  if (!told.ok) {
    // Who is signed out signs in again, another coach makes room for the first; a server in trouble gets over it. Anything else would
    // be the same the next time.
    if (['server', 'database', 'refused', 'other', 'slow'].includes(told.code))
      throw new Waiting(told.message);
    return { ...session, refused: told.message };
  }
  if (told.conflict) {
    return { ...session, theirs: told.note, sent: JSON.stringify(toSend(session)) };
  }
  if (finished) return null;
  const known = { ...session, noteWas: told.note };
  return { ...known, sent: JSON.stringify(toSend(known)) };
}

/** How two notes of one session are laid together. */
export type Settled = 'both' | 'mine' | 'theirs';

/** Settles what two have noted of one session, as the coach says; what stays is sent then. */
export function settled(session: BegunHere, how: Settled): BegunHere {
  const { note, theirs } = session;
  if (theirs === null) return session;
  const kept = { both: `${theirs}\n\n${note}`, mine: note, theirs }[how];
  return { ...session, note: kept.slice(0, 2000), noteWas: theirs, theirs: null };
}
