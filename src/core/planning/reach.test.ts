import fc from 'fast-check';
import { biasAt, estimateOf, knownOf, priorBelief, scoresOf, type Belief } from '@/core/scoring';
import { DEGREE } from '@/core/units';
import { between } from '../../../tests/arbitraries';
import { dice } from '../../../tests/player/player';
import { dayAfter } from '@/core/calendar';
import { chanceWithin, reachOf, type Reach } from './reach';

const FROM = '2026-03-02';
const STEP = 0.1 * DEGREE;
/** The window on the day to come. */
const thenOf = ({ windows }: Reach) => estimateOf(windows);

/** A player of whom a good deal is known: the prior, made so much narrower and moved. */
function player(narrow: number, wider: number): Belief {
  const prior = priorBelief();
  const logSpread = 1;
  return {
    ...prior,
    mean: prior.mean.map((value, at) => (at % 2 === logSpread ? value + wider : value)),
    covariance: prior.covariance.clone().mul(narrow),
  };
}

describe('how far a player may come', () => {
  it('starts from what is known, and reaches further the longer it has', () => {
    fc.assert(
      fc.property(between(0.01, 0.3), between(-0.4, 0.8), (narrow, wider) => {
        const belief = player(narrow, wider);
        const of = (days: number) =>
          reachOf(belief, 'start', 0.85, FROM, dayAfter(FROM, days), STEP);
        const { window } = scoresOf(belief, 0.85).start!;
        expect(of(0).now.middle).toBeCloseTo(window.middle, 10);
        expect(thenOf(of(0)).middle / of(0).centred.middle).toBeCloseTo(1, 2);
        // With no bias a window holds the middle eight in ten of a normal: 1.2816 spreads.
        const { spread } = scoresOf(belief, 0.85).start!;
        expect(of(0).centred.middle / (1.28155 * spread.middle)).toBeCloseTo(1, 4);
        expect(of(0).centred.middle).toBeLessThanOrEqual(of(0).now.middle);
        const [soon, late] = [thenOf(of(14)), thenOf(of(140))];
        expect(soon.low).toBeLessThan(of(0).centred.low);
        expect(late.low).toBeLessThan(soon.low);
        expect(late.high).toBeGreaterThan(soon.high);
      }),
      { numRuns: 25 },
    );
  });

  it('offers what is come to about one time in three, never tighter than good nor wider than now', () => {
    fc.assert(
      fc.property(between(0.01, 0.3), between(-0.6, 0.9), (narrow, wider) => {
        const reach = reachOf(player(narrow, wider), 'start', 0.85, FROM, '2026-04-27', STEP);
        const good = 0.954 * DEGREE;
        if (reach.offered === null) {
          const within = chanceWithin(reach, reach.now.middle - STEP) < 1 / 3;
          expect(within || reach.now.middle <= good + STEP).toBe(true);
          return;
        }
        // Told in tenths of a degree.
        expect(reach.offered / STEP).toBeCloseTo(Math.round(reach.offered / STEP), 6);
        expect(reach.offered).toBeGreaterThanOrEqual(good - 1e-9);
        expect(reach.offered).toBeLessThan(reach.now.middle);
        expect(chanceWithin(reach, reach.offered)).toBeGreaterThanOrEqual(1 / 3);
        if (reach.offered > good + STEP) {
          expect(chanceWithin(reach, reach.offered - STEP)).toBeLessThan(1 / 3);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('is come to as often as it says by players who wander as players do', () => {
    const belief = player(0.02, 0.6);
    const days = 56;
    const reach = reachOf(belief, 'start', 1, FROM, dayAfter(FROM, days), STEP);
    const random = dice(31);
    const face = biasAt('face');
    // Two in ten hardly move, three as usual, five by ten times the variance: a coin with three sides, then a normal step.
    const then = Array.from({ length: 20_000 }, () => {
      const side = random.uniform();
      const pace = side < 0.2 ? 0.05 : side < 0.5 ? 1 : 10;
      const known =
        belief.mean[face + 1]! +
        Math.sqrt(belief.covariance.get(face + 1, face + 1)) * random.normal();
      const step = Math.sqrt(pace * days) * knownOf('face').step.logSpread * random.normal();
      return 1.28155 * Math.exp(known + step);
    });
    const happened = then.filter((window) => window <= reach.offered!).length / then.length;
    expect(happened).toBeGreaterThan(0.28);
    expect(happened).toBeLessThan(0.38);
  });

  it('has chances that go with its interval', () => {
    const reach = reachOf(player(0.05, 0.5), 'start', 0.85, FROM, '2026-04-27', STEP);
    expect(chanceWithin(reach, thenOf(reach).low)).toBeCloseTo(0.1, 2);
    expect(chanceWithin(reach, thenOf(reach).middle)).toBeCloseTo(0.5, 2);
    expect(chanceWithin(reach, thenOf(reach).high)).toBeCloseTo(0.9, 2);
    expect(chanceWithin(reach, reach.windows[0]! / 2)).toBe(0);
    expect(chanceWithin(reach, 2 * reach.windows.at(-1)!)).toBe(1);
  });

  it('refuses a day that is past, and a step of nothing', () => {
    const belief = player(0.1, 0);
    expect(() => reachOf(belief, 'start', 0.85, FROM, '2026-03-01', STEP)).toThrow('2026-03-01');
    expect(() => reachOf(belief, 'start', 0.85, FROM, '2026-03-03', 0)).toThrow('more than 0');
  });
});
