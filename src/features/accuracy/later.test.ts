import { libraryDrill } from '@/core/drill';
import { scoreHistory, type LoggedSession } from '@/core/scoring';
import { chance, simulatePutts, startsAs } from '@/core/simulate';
import { DEGREE } from '@/core/units';
import { toldLater } from './later';

const { layout } = libraryDrill('straight-gate')!;
const built = {
  ...layout,
  elements: layout.elements.map((piece) =>
    piece.kind === 'ballGate' ? { ...piece, built: { gap: 0.06, distance: 0.4572 } } : piece,
  ),
} as typeof layout;

/** Sessions of 70 putts, ten days apart, with these spreads of the start. */
const history = (spreads: readonly number[], seed: number) => {
  const random = chance(seed);
  return scoreHistory(
    spreads.map((degrees, i): LoggedSession => {
      const truth = startsAs({ bias: 0, spread: degrees * DEGREE });
      return {
        id: `${i}`,
        at: new Date(Date.UTC(2026, 0, 1 + 10 * i)),
        runs: [{ layout: built, putts: simulatePutts(truth, built, 70, random) }],
      };
    }),
  );
};
const told = (spreads: readonly number[], seed: number) =>
  toldLater(history(spreads, seed), 0.92, 'UTC');

describe('what would have been told of a student, and what came of it', () => {
  it('is a change that lasts, and comes true', () => {
    const [change] = told([2, 0.9, 0.9, 0.9], 7).filter(({ what }) => what === 'change');
    expect(change!.chance).toBeGreaterThan(0.9);
    expect(change!.came).toBeGreaterThan(0.9);
  });

  it('is a change that was gone again, and does not', () => {
    const [change] = told([2, 0.9, 2, 2, 2], 8).filter(({ what }) => what === 'change');
    expect(change!.chance).toBeGreaterThan(0.9);
    expect(change!.came).toBeLessThan(0.8);
  });

  it('is a goal that is met by a student who halves, and not by one who stays', () => {
    const goal = (spreads: readonly number[]) =>
      told(spreads, 9).find(({ what }) => what === 'goal')!;
    const [met, missed] = [goal([2, 1.5, 1.1, 0.8]), goal([2, 2, 2, 2])];
    expect(met.chance).toBeLessThan(0.5);
    expect(met.came).toBeGreaterThan(0.8);
    expect(missed.came).toBeLessThan(0.2);
  });

  it('is nothing while later sessions are missing', () => {
    expect(told([2], 10)).toEqual([]);
  });
});
