import { libraryDrill, type Putt } from '@/core/drill';
import { standing } from '@/core/layout';
import { DEFAULT_FACE_SHARE, scoreHistory, type LoggedSession } from '@/core/scoring';
import { DEFAULT_UNITS } from '@/core/units';
import type { Student } from '@/data';
import { briefOf } from './brief';
import { worthOf } from './worth';

jest.mock('server-only', () => ({}));

const ANN = { id: 'ann', name: 'Ann Kade', hand: 'right', school: 'arc' } as Student;
const at = new Date('2026-11-26T09:00:00Z');

/** A session of one drill with the same putt again and again. */
function historyOf(key: string, putt: (layout: LoggedSession['runs'][number]['layout']) => Putt) {
  const { layout } = libraryDrill(key)!;
  const putts = Array.from({ length: 16 }, () => putt(layout));
  const logged: LoggedSession[] = [{ id: 'one', at, runs: [{ layout, putts }] }];
  const scores = scoreHistory(logged);
  return {
    layout,
    scores,
    history: { sessions: [], logged, scores, faceShare: DEFAULT_FACE_SHARE },
  };
}

const seen = (kind: string, outcome: string) => (layout: Parameters<typeof standing>[0]) => {
  const element = standing(layout).find((one) => one.kind === kind)!;
  return { outcomes: { [element.id]: outcome } };
};

describe('a student of whom only reads are known', () => {
  const read = historyOf('read-first', seen('readFirst', 'straight'));

  it('has no start line in the headline, and no table of putts made: the prior is no finding', () => {
    expect(read.scores[0]!.basis.start).toBe(0);
    const { says } = briefOf(ANN, read.history, [], DEFAULT_UNITS);
    expect(says).not.toMatch(/start within|±/);
    expect(worthOf(read.scores, read.layout, DEFAULT_UNITS, DEFAULT_FACE_SHARE)).toBeNull();
  });
});

it('a student who putted a gate has both', () => {
  const gate = historyOf('straight-gate', seen('ballGate', 'clear'));
  const { says } = briefOf(ANN, gate.history, [], DEFAULT_UNITS);
  expect(says).toMatch(
    /^Ann: 8 in 10 start within ±\d+\.\d+°\. No clear pattern in the misses yet\.$/,
  );
  const worth = worthOf(gate.scores, gate.layout, DEFAULT_UNITS, DEFAULT_FACE_SHARE)!;
  expect(worth.now.length).toBeGreaterThan(4);
});
