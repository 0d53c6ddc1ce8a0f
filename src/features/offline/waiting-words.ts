import type { WaitingRun } from '../session/queue';
import { puttsWaiting } from './use-waiting';

const list = (names: readonly string[]): string =>
  new Intl.ListFormat('en', { type: 'conjunction' }).format(names);

/** Says how much waits on this device: "3 putts", or "1 finished session" where no putt does. */
export function amountWaiting(runs: readonly WaitingRun[]): string {
  const putts = puttsWaiting(runs);
  if (putts > 0) return putts === 1 ? '1 putt' : `${putts} putts`;
  const entries = runs.reduce((sum, { events }) => sum + events, 0);
  return entries === 1 ? '1 entry' : `${entries} entries`;
}

/**
 * Says what waits on this device and for whom, in a sentence or two.
 *
 * @param asking id of whoever is signed in here; null where that is not known
 */
export function waitingWords(runs: readonly WaitingRun[], asking: string | null): string {
  const others = runs.filter(
    ({ sender }) => asking !== null && sender?.home === '' && sender.owner !== asking,
  );
  const own = runs.filter((run) => !others.includes(run));
  const said: string[] = [];
  if (own.length > 0) said.push(`${amountWaiting(own)} on this device not sent yet.`);
  if (others.length > 0) {
    const names = list([
      ...new Set(others.map(({ sender }) => sender!.ownerName || 'another coach')),
    ]);
    said.push(
      `${amountWaiting(others)} of ${names} not sent yet: sign in as ${names} to send them.`,
    );
  }
  return said.join(' ');
}
