import { t } from 'tests/english';
import type { WaitingRun } from '../session/queue';
import { amountWaiting, waitingWords } from './waiting-words';

const run = (putts: number, owner: string | null, home = '', events = putts): WaitingRun => ({
  runId: 'run',
  sender: owner === null ? null : { home, owner, ownerName: owner },
  putts,
  events,
});

test('what waits is counted in putts, and in entries where no putt does', () => {
  expect(amountWaiting(t, [run(1, 'Tilda')])).toBe('1 putt');
  expect(amountWaiting(t, [run(2, 'Tilda'), run(3, 'Tilda')])).toBe('5 putts');
  expect(amountWaiting(t, [run(0, 'Tilda', '', 1)])).toBe('1 entry');
});

test('another coach’s putts are told with their name; a student’s own go by themselves', () => {
  expect(waitingWords(t, [run(3, 'Tilda')], 'Tilda')).toBe('3 putts on this device not sent yet.');
  expect(waitingWords(t, [run(3, 'Tilda')], 'Mees')).toBe(
    '3 putts of Tilda not sent yet: sign in as Tilda to send them.',
  );
  expect(waitingWords(t, [run(1, 'Pim', 'link')], 'Mees')).toBe(
    '1 putt on this device not sent yet.',
  );
  expect(waitingWords(t, [run(2, null)], 'Mees')).toBe('2 putts on this device not sent yet.');
});
