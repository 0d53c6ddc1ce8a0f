import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout, gateTolerance } from '@/core/layout';
import { chance, simulatePutts, startsAs } from '@/core/simulate';
import { toRadians } from '@/core/units';
import { clearShare, gapForShare } from '.';

const around = (degrees: number) => {
  const middle = toRadians(degrees);
  return { low: middle, middle, high: middle };
};
const score = (bias: number, spread: number) => ({ bias: around(bias), spread: around(spread) });
const gate = { distance: 0.4572, gap: 0.06, shank: 0.005, offset: 0, on: 'line' as const };

describe('the share that clears a gate', () => {
  it('is what a simulated player clears, within its error', () => {
    const layout = ballGateLayout(DEFAULT_PUTT, gate);
    for (const [bias, spread] of [
      [0, 1],
      [0.5, 0.8],
      [-0.7, 1.4],
    ] as const) {
      const truth = { bias: toRadians(bias), spread: toRadians(spread) };
      const putts = simulatePutts(startsAs(truth), layout, 8000, chance(5));
      const cleared =
        putts.filter(({ outcomes }) => outcomes.gate === 'clear').length / putts.length;
      expect(Math.abs(clearShare(score(bias, spread), gateTolerance(gate)) - cleared)).toBeLessThan(
        0.017,
      );
    }
  });

  it('is 68.3 % at one spread and 95.4 % at two', () => {
    const one = toRadians(1);
    expect(clearShare(score(0, 1), { left: one, right: one })).toBeCloseTo(0.6827, 4);
    expect(clearShare(score(0, 1), { left: 2 * one, right: 2 * one })).toBeCloseTo(0.9545, 4);
  });

  it('gives the gap back that it is asked for, wider for more of them', () => {
    fc.assert(
      fc.property(between(-0.8, 0.8), between(0.3, 2), between(0.3, 0.9), (bias, spread, share) => {
        const known = score(bias, spread);
        const gap = gapForShare(known, share, gate);
        expect(clearShare(known, gateTolerance({ ...gate, gap }))).toBeCloseTo(share, 6);
        expect(gapForShare(known, share + 0.05, gate)).toBeGreaterThan(gap);
      }),
    );
  });
});
