import { libraryDrill } from '@/core/drill';
import { standing } from '@/core/layout';
import type { Session } from '@/data';
import { daysDone } from './days-done';

const drill = libraryDrill('straight-gate')!;
const gate = standing(drill.layout).find(({ kind }) => kind === 'ballGate')!.id;

/** A session of the homework with so many putts through the gate, of the 25 that are asked for. */
function session(day: string, clear: number, rule: object = drill.rule): Session {
  const putts = Array.from({ length: clear }, (_, i) => ({
    id: `${day} ${i}`,
    at: new Date(Date.parse(`${day}T09:00:00Z`) + 20_000 * i),
    outcomes: { [gate]: 'clear' },
    ...{ points: {}, measured: {}, filled: [], leftOut: false, undoneAt: null, note: '' },
  }));
  const run = { ...drill, rule, rung: null, block: 0, marks: [], putts };
  return {
    homeworkId: 'work',
    startedAt: new Date(`${day}T09:00:00Z`),
    runs: [run],
  } as unknown as Session;
}

test('homework is done once its drill has ended, not after some putts of it', () => {
  const sessions = [session('2026-11-23', 6), session('2026-11-24', 25)];
  expect(daysDone(sessions, 'work', 'UTC')).toEqual(['2026-11-24']);
  expect(daysDone(sessions, 'other', 'UTC')).toEqual([]);
});

test('a drill that has no end is done with any putt, and not with none', () => {
  const open = { type: 'open' };
  const sessions = [session('2026-11-23', 1, open), session('2026-11-24', 0, open)];
  expect(daysDone(sessions, 'work', 'UTC')).toEqual(['2026-11-23']);
});
