import { DEFAULT_PUTT } from '@/core/green';
import { libraryDrill } from '@/core/drill';
import { ballGateLayout, layoutSchema, standing } from '@/core/layout';
import { scoreHistory, startObservations, type LoggedSession } from '.';

const gate = { distance: 0.4572, gap: 0.06, shank: 0.005 };
const one = ballGateLayout(DEFAULT_PUTT, gate);
const two = layoutSchema.parse({
  ...one,
  elements: [
    ...one.elements,
    { id: 'far', kind: 'ballGate', params: { distance: 1.2, gap: 0.075, shank: 0.005 } },
  ],
});
const near = standing(two)[1]!.tolerance()!;
const far = standing(two)[2]!.tolerance()!;
const strike = libraryDrill('putter-gate-level')!.layout;

describe('what putts say of the start line', () => {
  it('is one piece of evidence for two gates on one putt: where both are true', () => {
    expect(far.right).toBeLessThan(near.right);
    expect(startObservations([{ layout: two, putts: [{ gate: 'clear', far: 'clear' }] }])).toEqual([
      { lower: -far.left, upper: far.right, count: 1 },
    ]);
    expect(startObservations([{ layout: two, putts: [{ gate: 'clear', far: 'right' }] }])).toEqual([
      { lower: far.right, upper: near.right, count: 1 },
    ]);
  });

  it('takes the first gate’s word where the second contradicts it: a tee has turned the ball', () => {
    expect(startObservations([{ layout: two, putts: [{ gate: 'left', far: 'right' }] }])).toEqual([
      { lower: -Infinity, upper: -near.left, count: 1 },
    ]);
  });

  it('counts equal putts together over all runs', () => {
    const putts = [{ gate: 'clear' }, { gate: 'left' }, { gate: 'clear' }];
    const observations = startObservations([
      { layout: one, putts },
      { layout: one, putts: [{ gate: 'clear' }] },
    ]);
    expect(observations.map(({ count }) => count)).toEqual([3, 1]);
  });

  it('is nothing where only the strike was tested', () => {
    expect(startObservations([{ layout: strike, putts: [{ putterGate1: 'left' }] }])).toEqual([]);
  });
});

describe('a history', () => {
  const session = (
    id: string,
    day: number,
    layout: typeof one,
    putts: Record<string, string>[],
  ): LoggedSession => ({
    id,
    at: new Date(Date.UTC(2026, 9, day)),
    runs: [{ layout, putts }],
  });

  it('leaves out sessions that say nothing of the start, and counts putts, not gates', () => {
    const clear = Array.from({ length: 8 }, () => ({ gate: 'clear', far: 'clear' }));
    const scores = scoreHistory([
      session('strike', 2, strike, [{ putterGate1: 'clear' }]),
      session('two', 1, two, clear),
      session('empty', 3, one, []),
    ]);
    expect(scores.map(({ id, putts }) => [id, putts])).toEqual([['two', 8]]);
  });

  it('knows less from one gate than from the narrower of two', () => {
    const both = Array.from({ length: 30 }, () => ({ gate: 'clear', far: 'clear' }));
    const [wide] = scoreHistory([
      session(
        'one',
        1,
        one,
        both.map(({ gate: met }) => ({ gate: met })),
      ),
    ]);
    const [narrow] = scoreHistory([session('two', 1, two, both)]);
    expect(narrow!.alone.window.middle).toBeLessThan(wide!.alone.window.middle);
  });
});
