import fc from 'fast-check';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout, type Layout } from '@/core/layout';
import { normalBelow } from '@/core/numbers';
import { chance, simulatePutts, truthOn, type TruePath } from '@/core/simulate';
import { DEFAULT_UNITS, INCH, toDegrees, toRadians } from '@/core/units';
import {
  DAILY_STEP,
  WINDOW_SHARE,
  biasIntervalWords,
  biasWords,
  carry,
  currentScore,
  eightInTenWindow,
  missWord,
  observe,
  priorBelief,
  score,
  scoreHistory,
  scoreWords,
  startObservations,
  type Estimate,
  type LoggedSession,
} from '.';

const gate = (gap: number, distance = 18 * INCH): Layout =>
  ballGateLayout(DEFAULT_PUTT, { distance, gap, shank: 0.005, offset: 0 });
const sixty = gate(0.06);
const times = (outcome: string, count: number) =>
  Array.from({ length: count }, () => ({ gate: outcome }));
const scoreOf = (...runs: { layout: Layout; putts: Record<string, string>[] }[]) =>
  score(observe(priorBelief(), startObservations(runs)));
const holds = ({ low, high }: Estimate, truth: number) => truth >= low && truth <= high;

describe('eightInTenWindow', () => {
  it('is 1.2816 spreads without bias', () => {
    expect(eightInTenWindow(0, 1)).toBeCloseTo(1.2815515655446004, 9);
  });

  it('holds eight in ten whatever the bias, and is the same for either side', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 5, noNaN: true }),
        fc.double({ min: 0.05, max: 4, noNaN: true }),
        (bias, spread) => {
          const half = eightInTenWindow(bias, spread);
          const held = normalBelow((half - bias) / spread) - normalBelow((-half - bias) / spread);
          expect(held).toBeCloseTo(WINDOW_SHARE, 7);
          expect(eightInTenWindow(-bias, spread)).toBeCloseTo(half, 9);
        },
      ),
    );
  });
});

describe('the posterior', () => {
  it('is wide before any putt and after an all-clear run of three', () => {
    const none = score(priorBelief()).window;
    const three = scoreOf({ layout: sixty, putts: times('clear', 3) }).window;
    expect(toDegrees(none.high - none.low)).toBeGreaterThan(2);
    expect(three.high / three.low).toBeGreaterThan(2);
    expect(three.middle).toBeLessThan(none.middle);
  });

  it('agrees with brute-force weighting of random players', () => {
    const random = chance(11);
    const samples = Array.from({ length: 40_000 }, () => {
      const bias = random.normal();
      const spread = 1.2 * Math.exp(0.7 * random.normal());
      const edge = 1.08522;
      const below = normalBelow((-edge - bias) / spread);
      const above = 1 - normalBelow((edge - bias) / spread);
      const slipSide = normalBelow(-edge / 6);
      const chanceOf = (p: number, slip: number) => 0.99 * p + 0.01 * slip;
      const weight =
        chanceOf(below, slipSide) ** 2 *
        chanceOf(above, slipSide) ** 6 *
        chanceOf(1 - below - above, 1 - 2 * slipSide) ** 12;
      return { bias, spread, weight };
    });
    const total = samples.reduce((sum, { weight }) => sum + weight, 0);
    const median = (value: (sample: (typeof samples)[number]) => number) => {
      const sorted = samples
        .map((sample) => ({ at: value(sample), weight: sample.weight }))
        .sort((a, b) => a.at - b.at);
      let sum = 0;
      return sorted.find(({ weight }) => (sum += weight) >= total / 2)!.at;
    };
    const found = scoreOf({
      layout: sixty,
      putts: [...times('left', 2), ...times('right', 6), ...times('clear', 12)],
    });
    expect(toDegrees(found.bias.middle)).toBeCloseTo(
      median(({ bias }) => bias),
      1,
    );
    expect(toDegrees(found.spread.middle)).toBeCloseTo(
      median(({ spread }) => spread),
      1,
    );
    expect(toDegrees(found.window.middle)).toBeCloseTo(
      median(({ bias, spread }) => eightInTenWindow(bias, spread)),
      1,
    );
  });

  it('does not depend on the order of the evidence', () => {
    const some = startObservations([
      { layout: sixty, putts: [...times('clear', 7), ...times('left', 3)] },
    ]);
    const other = startObservations([
      { layout: gate(0.054), putts: [...times('clear', 4), ...times('right', 1)] },
    ]);
    const one = score(observe(observe(priorBelief(), some), other));
    const two = score(observe(priorBelief(), [...other, ...some]));
    expect(one.window.middle).toBeCloseTo(two.window.middle, 9);
    expect(one.bias.low).toBeCloseTo(two.bias.low, 9);
  });

  it('mirrors when left and right are exchanged', () => {
    const one = scoreOf({ layout: sixty, putts: [...times('clear', 10), ...times('left', 5)] });
    const two = scoreOf({ layout: sixty, putts: [...times('clear', 10), ...times('right', 5)] });
    expect(one.bias.middle).toBeCloseTo(-two.bias.middle, 9);
    expect(one.bias.low).toBeCloseTo(-two.bias.high, 9);
    expect(one.window.middle).toBeCloseTo(two.window.middle, 9);
  });

  it('is not wrecked by one slip among many clear putts', () => {
    const clean = scoreOf({ layout: gate(0.054), putts: times('clear', 60) }).window;
    const slipped = scoreOf({
      layout: gate(0.054),
      putts: [...times('clear', 60), ...times('left', 1)],
    }).window;
    expect(slipped.middle / clean.middle).toBeLessThan(1.25);
  });

  it('refuses an interval that holds nothing', () => {
    expect(() => observe(priorBelief(), [{ lower: 0.1, upper: 0.1, count: 1 }])).toThrow(
      RangeError,
    );
  });
});

describe('carrying from day to day', () => {
  const sharp = observe(
    priorBelief(),
    startObservations([{ layout: sixty, putts: [...times('clear', 80), ...times('right', 20)] }]),
  );

  it('keeps all probability and the middle, and widens with the days', () => {
    let width = 0;
    for (const days of [0, 1, 7, 60]) {
      const carried = carry(sharp, days);
      expect(carried.reduce((sum, value) => sum + value, 0)).toBeCloseTo(1, 9);
      const { bias } = score(carried);
      expect(toDegrees(bias.middle)).toBeCloseTo(toDegrees(score(sharp).bias.middle), 1);
      expect(bias.high - bias.low).toBeGreaterThan(width);
      width = bias.high - bias.low;
    }
  });

  it('widens the bias by 0.05° a day, as the square root of the days', () => {
    const variance = (belief: Float64Array) => {
      const { bias } = score(belief);
      return ((bias.high - bias.low) / 2 / 1.2816) ** 2;
    };
    const grown = Math.sqrt(variance(carry(sharp, 16)) - variance(sharp));
    expect(toDegrees(grown)).toBeCloseTo(0.2, 1);
  });

  it('leaves out empty sessions and puts the others in order of time', () => {
    const session = (id: string, day: number, count: number): LoggedSession => ({
      id,
      at: new Date(Date.UTC(2026, 0, day)),
      runs: [{ layout: sixty, putts: times('clear', count) }],
    });
    const scores = scoreHistory([session('c', 9, 5), session('b', 5, 0), session('a', 1, 10)]);
    expect(scores.map(({ id, putts }) => [id, putts])).toEqual([
      ['a', 10],
      ['c', 5],
    ]);
    expect(scores[1]!.carried.window.middle).toBeLessThan(scores[1]!.alone.window.middle);
    const current = currentScore([session('c', 9, 5), session('a', 1, 10)]);
    expect(current).toEqual({ at: scores[1]!.at, score: scores[1]!.carried });
    expect(currentScore([session('b', 5, 0)])).toBeNull();
  });
});

describe('calibration on simulated players whose truth is known', () => {
  interface Tally {
    bias: number;
    spread: number;
    window: number;
  }

  /** Players from a population that is not the prior: narrower in bias and in spread. */
  const player = (seed: number) => {
    const random = chance(seed);
    const bias = toRadians(0.5 * random.normal());
    const spread = toRadians(1 * Math.exp(0.45 * random.normal()));
    return { random, bias, spread };
  };

  it.each([30, 100])(
    'covers the truth 74 to 86 times in a hundred after %d putts, over 400 players',
    (count) => {
      const players = 400;
      const covered: Tally = { bias: 0, spread: 0, window: 0 };
      for (let seed = 0; seed < players; seed++) {
        const { random, bias, spread } = player(1000 + seed);
        const runs = [0.058, 0.066].map((gap) => {
          const layout = gate(gap);
          return { layout, putts: simulatePutts({ bias, spread }, layout, count / 2, random) };
        });
        const found = scoreOf(...runs);
        covered.bias += Number(holds(found.bias, bias));
        covered.spread += Number(holds(found.spread, spread));
        covered.window += Number(holds(found.window, eightInTenWindow(bias, spread)));
      }
      for (const hits of Object.values(covered)) {
        expect(hits / players).toBeGreaterThanOrEqual(0.74);
        expect(hits / players).toBeLessThanOrEqual(0.86);
      }
    },
  );

  /** Scores of a player who takes 30 putts twice a week for ten weeks along a true path. */
  const follow = (path: TruePath, seed: number) => {
    const random = chance(seed);
    const sessions = Array.from({ length: 21 }, (_, i): LoggedSession => {
      const day = i * 3.5;
      return {
        id: String(i),
        at: new Date(Date.UTC(2026, 0, 1) + day * 86_400_000),
        runs: [{ layout: sixty, putts: simulatePutts(truthOn(path, day), sixty, 30, random) }],
      };
    });
    return scoreHistory(sessions);
  };

  it('covers the truth of players who wander as it assumes', () => {
    const players = 150;
    let covered = 0;
    for (let seed = 0; seed < players; seed++) {
      const { random, bias, spread } = player(3000 + seed);
      const path: TruePath = [{ day: 0, truth: { bias, spread } }];
      for (let i = 1; i <= 20; i++) {
        const { truth } = path[i - 1]!;
        path.push({
          day: i * 3.5,
          truth: {
            bias: truth.bias + DAILY_STEP.bias * Math.sqrt(3.5) * random.normal(),
            spread:
              truth.spread * Math.exp(DAILY_STEP.logSpread * Math.sqrt(3.5) * random.normal()),
          },
        });
      }
      const { truth } = path[20]!;
      const last = follow(path, 7000 + seed).at(-1)!;
      covered += Number(holds(last.carried.window, eightInTenWindow(truth.bias, truth.spread)));
    }
    expect(covered / players).toBeGreaterThanOrEqual(0.72);
    expect(covered / players).toBeLessThanOrEqual(0.88);
  });

  it('sees a player improve whose window halves in ten weeks, and lags little', () => {
    const path: TruePath = [
      { day: 0, truth: { bias: toRadians(0.8), spread: toRadians(1.6) } },
      { day: 70, truth: { bias: toRadians(0.2), spread: toRadians(0.9) } },
    ];
    const truth = eightInTenWindow(toRadians(0.2), toRadians(0.9));
    const players = 40;
    let better = 0;
    let error = 0;
    for (let seed = 0; seed < players; seed++) {
      const scores = follow(path, 5000 + seed);
      const last = scores.at(-1)!.carried.window.middle;
      better += Number(last < scores[0]!.carried.window.middle);
      error += Math.log(last / truth) / players;
    }
    expect(better / players).toBeGreaterThan(0.9);
    expect(error).toBeGreaterThan(-0.1);
    expect(error).toBeLessThan(0.2);
  });
});

describe('words', () => {
  const around = (middle: number, by: number): Estimate => ({
    middle,
    low: middle - by,
    high: middle + by,
  });

  it('calls right a push for a right-hander and a pull for a left-hander', () => {
    expect(missWord('right', 'right')).toBe('push');
    expect(missWord('right', 'left')).toBe('pull');
    expect(missWord('left', 'left')).toBe('push');
    expect(biasWords(toRadians(0.3), 'right')).toBe('0.3° push');
    expect(biasWords(toRadians(0.3), 'left')).toBe('0.3° pull');
    expect(biasWords(toRadians(-0.01), 'left')).toBe('no bias');
  });

  it('tells an interval on one side and across the line', () => {
    expect(biasIntervalWords(around(toRadians(0.3), toRadians(0.2)), 'right')).toBe(
      '0.1° to 0.5° push',
    );
    expect(biasIntervalWords(around(toRadians(-0.3), toRadians(0.2)), 'right')).toBe(
      '0.1° to 0.5° pull',
    );
    expect(biasIntervalWords(around(toRadians(0.1), toRadians(0.3)), 'right')).toBe(
      '0.2° pull to 0.4° push',
    );
  });

  it('says the window as a gate that can be set', () => {
    const result = {
      bias: around(toRadians(0.3), 0.001),
      spread: around(toRadians(0.6), 0.001),
      window: around(toRadians(0.83), 0.001),
    };
    expect(scoreWords(result, 'right', DEFAULT_UNITS)).toBe(
      'clears a 56 mm gate at 18 in eight times in ten; 0.3° push',
    );
  });
});
