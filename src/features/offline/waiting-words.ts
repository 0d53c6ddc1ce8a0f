import type { Translate } from '@/words/translate';
import type { WaitingRun } from '../session/queue';
import { puttsWaiting } from './use-waiting';

const list = (names: readonly string[]): string =>
  new Intl.ListFormat('en', { type: 'conjunction' }).format(names);

/** Says how much waits on this device: "3 putts", or "1 finished session" where no putt does. */
export function amountWaiting(t: Translate, runs: readonly WaitingRun[]): string {
  const putts = puttsWaiting(runs);
  if (putts > 0)
    return putts === 1
      ? t('offline.waitingWords.n1Putt')
      : t('offline.waitingWords.putts', { putts });
  const entries = runs.reduce((sum, { events }) => sum + events, 0);
  return entries === 1
    ? t('offline.waitingWords.n1Entry')
    : t('offline.waitingWords.entries', { entries });
}

/**
 * Says what waits on this device and for whom, in a sentence or two.
 *
 * @param asking id of whoever is signed in here; null where that is not known
 */
export function waitingWords(
  t: Translate,
  runs: readonly WaitingRun[],
  asking: string | null,
): string {
  const others = runs.filter(
    ({ sender }) => asking !== null && sender?.home === '' && sender.owner !== asking,
  );
  const own = runs.filter((run) => !others.includes(run));
  const said: string[] = [];
  if (own.length > 0) said.push(`${amountWaiting(t, own)} on this device not sent yet.`);
  if (others.length > 0) {
    const names = list([
      ...new Set(
        others.map(({ sender }) => sender!.ownerName || t('offline.waitingWords.anotherCoach')),
      ),
    ]);
    said.push(
      `${amountWaiting(t, others)} of ${names} not sent yet: sign in as ${names} to send them.`,
    );
  }
  return said.join(' ');
}
