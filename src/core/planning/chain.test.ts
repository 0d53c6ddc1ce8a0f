import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { Matrix, inverse } from 'ml-matrix';
import { capSchema, machineOf, type Rule, type RuleGround } from '@/core/drill';
import { chance } from '@/core/simulate';
import {
  DONE,
  chainOf,
  expectedPutts,
  goingOn,
  type Chain,
  type Kind,
  type PuttPlace,
  type Shares,
} from './chain';
import { finishOf, hardlyEnds, type Odds } from './finish';

const GROUND: RuleGround = { stations: 2, rungs: 6, rung: 2 };
const CAP = capSchema.parse({ putts: 300, minutes: 120 });

const kind = (passed: boolean, more: Partial<Kind> = {}): Kind => ({
  passed,
  holed: null,
  rest: null,
  guessed: null,
  ...more,
});
const PASS_OR_MISS = [kind(true), kind(false)];

/** Every place alike. */
const alike = ({ places }: Chain, shares: number[]): Shares => places.map(() => shares);
const expected = (rule: Rule, rate: number, ground = GROUND): number => {
  const chain = chainOf(rule, ground, PASS_OR_MISS);
  return expectedPutts(chain, alike(chain, [rate, 1 - rate]));
};

describe('expected putts, against values worked out by hand', () => {
  it.each<[string, Rule, number, number]>([
    // (1 - p^n) / ((1 - p) p^n)
    ['five in a row at 0.9', { type: 'row', length: 5 }, 0.9, 6.935],
    ['four sets of five', { type: 'sets', sets: 4, of: 5, restart: 'at once' }, 0.9, 27.74],
    // 5 / 0.9^5 for a set that is played to its end
    ['a set to its end', { type: 'sets', sets: 1, of: 5, restart: 'at the end' }, 0.9, 8.4675],
    ['two stations at 3 of 3', { type: 'stations', need: 3, of: 3 }, 0.95, 7.207],
    ['two stations at 2 of 3', { type: 'stations', need: 2, of: 3 }, 0.7, 7.024],
    ['two stations at 1 of 3', { type: 'stations', need: 1, of: 3 }, 0.25, 10.919],
    ['25 passed at 0.8', { type: 'quota', passes: 25 }, 0.8, 31.25],
    ['one perfect putt at 0.2', { type: 'perfect' }, 0.2, 5],
    ['three holes at 0.5', { type: 'cost', holes: 3 }, 0.5, 6],
    ['three in the zone in a row at 0.5', { type: 'zone', length: 3 }, 0.5, 14],
    ['until the first miss at 0.75', { type: 'record' }, 0.75, 4],
    ['ten putts', { type: 'putts', putts: 10 }, 0.3, 10],
  ])('%s', (_what, rule, rate, putts) => expect(expected(rule, rate)).toBeCloseTo(putts, 2));

  it('has the values of stations where all balls are played: k of n, tried again until it is done', () => {
    // A station that is left at its end takes n putts whatever happens; two of them are passed with the chance s² from the
    // first, so the group takes 3 (1 + s) / s².
    for (const [need, rate, putts] of [
      [3, 0.95, 7.58],
      [2, 0.7, 8.707],
      [1, 0.25, 14.165],
    ] as const) {
      const s = [...Array(4).keys()]
        .filter((k) => k >= need)
        .reduce((sum, k) => sum + [1, 3, 3, 1][k]! * rate ** k * (1 - rate) ** (3 - k), 0);
      expect((3 * (1 + s)) / s ** 2).toBeCloseTo(putts, 2);
      // Leaving as soon as its fate is sealed can only be quicker.
      expect(expected({ type: 'stations', need, of: 3 }, rate)).toBeLessThan(putts);
    }
  });

  it('takes a row that all but never ends for what it is', () => {
    const p = 0.05;
    const formula = (1 - p ** 12) / ((1 - p) * p ** 12);
    expect(expected({ type: 'row', length: 12 }, p) / formula).toBeCloseTo(1, 10);
    expect(expected({ type: 'row', length: 3 }, 0)).toBe(Infinity);
  });

  it('is infinite where a state leads nowhere, and never no number at all', () => {
    // From the start one kind ends, another leads to a state that nothing leaves.
    const kinds = PASS_OR_MISS;
    const trap = {
      kinds,
      places: [{ station: null, rung: 0, again: 0 }],
      placeOf: Int32Array.from([0, 0, 0]),
      next: Int32Array.from([DONE, 1, 1, 1, DONE, 2]),
      states: [{}, {}, {}],
    };
    expect(expectedPutts(trap, [[0.9, 0.1]])).toBe(Infinity);
    expect(expectedPutts(trap, [[1, 0]])).toBe(1);
  });

  it('stays exact over ten thousand states', () => {
    const rule: Rule = { type: 'sets', sets: 71, of: 71, restart: 'at the end' };
    expect(chainOf(rule, GROUND, PASS_OR_MISS).states.length).toBeGreaterThan(10_000);
    // Each set takes all its putts, and is tried until all pass.
    expect(expected(rule, 0.98) / ((71 * 71) / 0.98 ** 71)).toBeCloseTo(1, 9);
  });

  it('counts the putts of a game of points by what each earns', () => {
    const rule: Rule = { type: 'points', total: 3, short: 0, past: 1, holed: 3 };
    const chain = chainOf(rule, GROUND, [
      kind(true, { holed: true }),
      kind(true, { holed: false, rest: 'in' }),
      kind(false, { holed: false, rest: 'short' }),
    ]);
    // By first steps: E0 = 1 + .3 E0 + .5 E1, E1 = 1 + .3 E1 + .5 E2, E2 = 1 + .3 E2; holed ends it at once.
    const e2 = 1 / 0.7;
    const e1 = (1 + 0.5 * e2) / 0.7;
    expect(expectedPutts(chain, alike(chain, [0.2, 0.5, 0.3]))).toBeCloseTo(
      (1 + 0.5 * e1) / 0.7,
      10,
    );
  });
});

/** Expected putts by a general solver: (I - Q)⁻¹ 1. */
function bySolver({ kinds, next, placeOf }: Chain, shares: Shares): number {
  const n = placeOf.length;
  const q = Matrix.eye(n);
  for (let state = 0; state < n; state++) {
    kinds.forEach((_, i) => {
      const to = next[state * kinds.length + i]!;
      if (to !== DONE) q.set(state, to, q.get(state, to) - shares[placeOf[state]!]![i]!);
    });
  }
  return inverse(q).mmul(Matrix.ones(n, 1)).get(0, 0);
}

/** One of each rule, short enough to be followed to its end many times. */
const RULES: Rule[] = [
  { type: 'putts', putts: 6 },
  { type: 'quota', passes: 4 },
  { type: 'row', length: 3 },
  { type: 'sets', sets: 2, of: 3, restart: 'at once' },
  { type: 'sets', sets: 2, of: 3, restart: 'at the end' },
  { type: 'stations', need: 2, of: 3 },
  {
    type: 'tiers',
    tiers: [
      { stations: 2, need: 2, of: 2 },
      { stations: 1, need: 1, of: 3 },
    ],
  },
  { type: 'record' },
  { type: 'points', total: 6, short: -1, past: 1, holed: 2 },
  { type: 'zone', length: 3 },
  { type: 'perfect' },
  { type: 'ladder', up: 2, down: 2 },
  { type: 'cost', holes: 3 },
  { type: 'guess', putts: 4 },
  { type: 'assessment', putts: 5 },
];

/** Kinds and shares that differ from place to place, as they do on a ladder and at stations. */
const KINDS: Kind[] = [
  kind(true, { holed: true, rest: 'in' }),
  kind(true, { holed: false, rest: 'in' }),
  kind(false, { holed: false, rest: 'short' }),
  kind(false, { holed: false, rest: 'long' }),
];
const shareAt = ({ station, rung, again }: PuttPlace) => {
  const pass = 0.8 - 0.06 * (station ?? 0) - 0.05 * rung - 0.08 * again;
  return [0.6 * pass, 0.4 * pass, 0.7 * (1 - pass), 0.3 * (1 - pass)];
};
const ODDS: Odds = { kinds: KINDS, points: 1, at: shareAt };

describe.each(RULES.map((rule) => [rule.type, rule] as const))(
  'every rule that putts end: %s',
  (_type, rule) => {
    const chain = chainOf(rule, GROUND, KINDS);
    const shares = chain.places.map(shareAt);

    it('has the expected putts of a general solver', () => {
      expect(expectedPutts(chain, shares)).toBeCloseTo(bySolver(chain, shares), 8);
    });

    it('takes as long as goings played out by chance on the machine itself', () => {
      const random = chance(11);
      const machine = machineOf(rule);
      const GOINGS = 4000;
      const lengths = Array.from({ length: GOINGS }, () => {
        let state = machine.start(rule, GROUND);
        for (let putts = 1; ; putts++) {
          // The whole state, not the bare one of the chain.
          const share = shareAt({
            station: machine.station?.(state, rule, GROUND) ?? 0,
            rung: machine.rung?.(state) ?? GROUND.rung,
            again: Math.min(3, machine.again?.(state) ?? 0),
          });
          let rest = random.uniform();
          const happened = share.findIndex((one) => (rest -= one) < 0);
          state = machine.next(
            state,
            { ...KINDS[happened === -1 ? 3 : happened]!, minutes: 0 },
            rule,
            GROUND,
          );
          if (machine.done(state, rule, GROUND)) return putts;
        }
      });
      const mean = lengths.reduce((sum, one) => sum + one, 0) / GOINGS;
      const error = Math.sqrt(
        lengths.reduce((sum, one) => sum + (one - mean) ** 2, 0) / GOINGS / GOINGS,
      );
      const finish = finishOf(rule, CAP, GROUND, ODDS, 20, 10);
      expect(Math.abs(mean - finish.expected!)).toBeLessThanOrEqual(4 * error + 1e-9);
      // The share of goings done by the median and by the late mark: half and nine in ten, or just above.
      for (const [mark, share] of [
        [finish.median, 0.5],
        [finish.late, 0.9],
      ] as const) {
        const done = lengths.filter((one) => one <= mark).length / GOINGS;
        const before = lengths.filter((one) => one < mark).length / GOINGS;
        expect(done).toBeGreaterThan(share - 0.03);
        expect(before).toBeLessThan(share + 0.03);
      }
    });

    it('has a distribution whose mean is what is expected', () => {
      const left = goingOn(chain, shares, 3000);
      expect(left.reduce((sum, one) => sum + one, 0)).toBeCloseTo(expectedPutts(chain, shares), 6);
      left.forEach((one, i) => {
        if (i > 0) expect(one).toBeLessThanOrEqual(left[i - 1]! + 1e-12);
      });
    });
  },
);

describe('a finish', () => {
  const oddsOf = (rate: number): Odds => ({
    kinds: PASS_OR_MISS,
    points: 1,
    at: () => [rate, 1 - rate],
  });

  it('mixes what is not known: half at one rate and half at another lie between both', () => {
    fc.assert(
      fc.property(between(0.3, 0.95), between(0.3, 0.95), (a, b) => {
        const rule: Rule = { type: 'row', length: 4 };
        const both: Odds = {
          kinds: PASS_OR_MISS,
          points: 2,
          at: (_place, point) => (point === 0 ? [a, 1 - a] : [b, 1 - b]),
        };
        const [one, other, mixed] = [oddsOf(a), oddsOf(b), both].map((odds) =>
          finishOf(rule, CAP, GROUND, odds, 20, 10),
        ) as [
          ReturnType<typeof finishOf>,
          ReturnType<typeof finishOf>,
          ReturnType<typeof finishOf>,
        ];
        expect(mixed.expected).toBeCloseTo((one.expected! + other.expected!) / 2, 6);
        expect(mixed.median).toBeGreaterThanOrEqual(Math.min(one.median, other.median));
        expect(mixed.late).toBeLessThanOrEqual(Math.max(one.late, other.late));
      }),
      { numRuns: 25 },
    );
  });

  it('is cut by whichever cap comes first', () => {
    const rule: Rule = { type: 'row', length: 10 };
    const byPutts = finishOf(rule, { putts: 40, minutes: 25 }, GROUND, oddsOf(0.6), 20, 10);
    expect(byPutts.cap).toEqual({ putts: 40, by: 'putts' });
    const byTime = finishOf(rule, { putts: 60, minutes: 10 }, GROUND, oddsOf(0.6), 20, 10);
    expect(byTime.cap).toEqual({ putts: 30, by: 'minutes' });
    expect(byTime.goingOn[0]![30]).toBe(0);
    expect(hardlyEnds(byTime)).toBe(true);
    expect(hardlyEnds(finishOf(rule, CAP, GROUND, oddsOf(0.98), 20, 10))).toBe(false);
  });

  it('reckons far beyond what it follows, where a row all but never ends', () => {
    const p = 0.5;
    const finish = finishOf({ type: 'row', length: 14 }, CAP, GROUND, oddsOf(p), 20, 10);
    // Waiting for a rare thing is all but exponential: half are done by ln 2 of the mean.
    expect(finish.median / finish.expected!).toBeCloseTo(Math.log(2), 2);
    expect(finish.late / finish.expected!).toBeCloseTo(Math.log(10), 2);
    const never = finishOf({ type: 'row', length: 3 }, CAP, GROUND, oddsOf(0), 20, 10);
    expect([never.expected, never.median, never.inTime]).toEqual([Infinity, Infinity, 0]);
  });

  it('lasts what it is given where no putt ends it', () => {
    const open = finishOf({ type: 'open' }, CAP, GROUND, oddsOf(0.5), 30, 10);
    expect(open).toMatchObject({ expected: null, median: 20, late: 20, inTime: 1 });
    expect(finishOf({ type: 'timed', minutes: 4 }, CAP, GROUND, oddsOf(0.5), 30, 10).median).toBe(
      8,
    );
    expect(() => finishOf({ type: 'open' }, CAP, GROUND, oddsOf(0.5), 0, 10)).toThrow(
      /pace of 0 s/,
    );
    expect(() => chainOf({ type: 'open' }, GROUND, PASS_OR_MISS)).toThrow(/No putt ends a rule/);
  });
});
