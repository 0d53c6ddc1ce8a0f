import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { libraryDrill } from '@/core/drill';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout, fitted, layoutSchema, standing, type Layout } from '@/core/layout';
import { STANDARD_FITTING } from '@/core/people';
import { chance, simulatePutts, startOf, startsAs, type Chance, type Truth } from '@/core/simulate';
import { DEFAULT_UNITS, DEGREE, INCH, toRadians } from '@/core/units';
import {
  DEFAULT_FACE_SHARE,
  knownOf,
  steeringIds,
  SKILLS,
  latentIds,
  type SkillName,
  basisOf,
  beliefOfRuns,
  biasIntervalWords,
  biasWords,
  beliefLater,
  changeBetween,
  eightInTenWindow,
  endsOf,
  findingsOf,
  gateOfWindow,
  missWord,
  nextGate,
  passShare,
  pointsOf,
  priorBelief,
  puttsToSettle,
  scoreHistory,
  scoreWords,
  scoresOf,
  type Change,
  type LoggedRun,
  type LoggedSession,
  type Scores,
} from '.';
import { slipsIndex, biasAt, logSpreadAt, standIndex } from './latents';
import { model } from './likelihood';
import type { Bounds } from './terms';

const W = DEFAULT_FACE_SHARE;
const gate = { distance: 18 * INCH, gap: 0.06, shank: 0.005 };
const one = ballGateLayout(DEFAULT_PUTT, gate);
const drill = (key: string): Layout => libraryDrill(key)!.layout;
const cellsOf = (runs: LoggedRun[]) => findingsOf(runs).cells;
const both = ({ lower, upper }: Bounds): [number, number] => [lower.at, upper.at];
/** Drills that between them speak of everything. */
const MIXED = [
  'straight-gate',
  'putter-gate-level',
  'box-gate',
  'three-in-one',
  'four-round',
  'limit-line',
  'held-finish',
  'marked-face',
];

/** Somebody from the prior itself, a little narrower. */
function somebody(random: Chance, narrow = 0.9): Truth {
  const draw = (latent: SkillName) => ({
    bias: narrow * knownOf(latent).biasSpread * random.normal(),
    spread:
      knownOf(latent).middleSpread *
      Math.exp(narrow * knownOf(latent).logSpreadSpread * random.normal()),
  });
  return {
    face: draw('face'),
    path: draw('path'),
    strike: draw('strike'),
    pace: draw('pace'),
    height: draw('height'),
    faceShare: W,
  };
}

const runsOf = (truth: Truth, keys: string[], putts: number, random: Chance): LoggedRun[] =>
  keys.map((key, i) => ({
    layout: drill(key),
    putts: simulatePutts(truth, drill(key), putts, random, i % 2 === 1),
  }));
const scored = (runs: LoggedRun[]): Scores => scoresOf(beliefOfRuns(runs, W).belief, W);

describe('eightInTenWindow', () => {
  it('is 1.2816 spreads without bias', () => {
    expect(eightInTenWindow(0, 2)).toBeCloseTo(2.5631, 4);
  });

  it('holds eight in ten whatever the bias, and is the same for either side', () => {
    const random = chance(4);
    for (const [bias, spread] of [
      [0.5, 1],
      [-2, 0.7],
      [3, 3],
    ] as const) {
      const window = eightInTenWindow(bias, spread);
      expect(eightInTenWindow(-bias, spread)).toBeCloseTo(window, 9);
      let inside = 0;
      for (let i = 0; i < 40_000; i++)
        inside += Number(Math.abs(bias + spread * random.normal()) < window);
      expect(inside / 40_000).toBeCloseTo(0.8, 2);
    }
  });
});

describe('what putts say', () => {
  const two = layoutSchema.parse({
    ...one,
    elements: [
      ...one.elements,
      { id: 'far', kind: 'ballGate', params: { distance: 1.2, gap: 0.075, shank: 0.005 } },
    ],
  });
  const [near, far] = [standing(two)[1]!.tolerance()!, standing(two)[2]!.tolerance()!];
  const startOfPutt = (outcomes: Record<string, string>) =>
    both(cellsOf([{ layout: two, putts: [{ outcomes }] }])[0]!.terms[0]!.start!);

  it('is one piece of evidence for two gates on one putt: where both are true', () => {
    expect(far.right).toBeLessThan(near.right);
    expect(startOfPutt({ gate: 'clear', far: 'clear' })).toEqual([-far.left, far.right]);
    expect(startOfPutt({ gate: 'clear', far: 'right' })).toEqual([far.right, near.right]);
  });

  it('takes the first gate’s word where the second contradicts it: a tee has turned the ball', () => {
    expect(startOfPutt({ gate: 'left', far: 'right' })).toEqual([-Infinity, -near.left]);
  });

  it('counts equal putts together over all runs, and says what rests on what', () => {
    const of = (...outcomes: string[]) => outcomes.map((what) => ({ outcomes: { gate: what } }));
    const cells = cellsOf([
      { layout: one, putts: of('clear', 'left', 'clear'), stand: 'as it stood' },
      { layout: one, putts: of('clear'), stand: 'as it stood' },
    ]);
    expect(cells.map(({ count }) => count)).toEqual([3, 1]);
    expect(basisOf(cells)).toMatchObject({ start: 4, face: 4, path: 0, strike: 0, pace: 0 });
  });

  it('turns metres past the hole into a share of the way', () => {
    const layout = drill('limit-line');
    const { distance, past } = layout.putt;
    const [cell] = cellsOf([{ layout, putts: [{ outcomes: { paceZone1: 'long' } }] }]);
    const lower = Math.min(...cell!.terms.map(({ pace }) => pace!.lower.at));
    const depth = standing(layout)[1]!.places()[0]!.at.along - distance;
    expect(lower).toBeCloseTo((distance + depth) / (distance + past) - 1, 9);
  });

  it('takes a spot that was pointed at in place of the zone it lies in', () => {
    const layout = drill('marked-face');
    const putt = {
      outcomes: { faceMark1: 'right' },
      points: { faceMark1: { along: 0, across: 0.011 } },
    };
    const [cell] = cellsOf([{ layout, putts: [putt] }]);
    expect(cell!.terms[0]).toMatchObject({
      heads: [],
      direct: { strike: { value: expect.closeTo(-0.011, 3) }, height: { value: 0 } },
    });
  });

  it('takes what was measured in place of what was planned', () => {
    const built = {
      ...one,
      elements: one.elements.map((piece) =>
        piece.id === 'gate' ? { ...piece, built: { gap: 0.066 } } : piece,
      ),
    } as Layout;
    const wide = (layout: Layout) =>
      both(cellsOf([{ layout, putts: [{ outcomes: { gate: 'clear' } }] }])[0]!.terms[0]!.start!)[1];
    expect(wide(built)).toBeGreaterThan(wide(one));
  });
});

describe('the model', () => {
  const random = chance(11);
  const truth = somebody(random);
  const found = findingsOf([
    ...runsOf(truth, MIXED, 12, random),
    ...runsOf(truth, ['six-tee-lane'], 12, random),
  ]);
  const { ready, chance: probability, chanceSloped, size } = model(W, found.stands.length);
  const cells = found.cells.map(ready);
  /** All that is not known: the player, how many slips, and how each stand was set. */
  const at = new Float64Array(size).fill(0.3);
  at.set(
    steeringIds().flatMap((latent) => [
      0.4 * knownOf(latent).biasSpread,
      Math.log(knownOf(latent).middleSpread) + 0.2,
    ]),
  );
  /** Outcomes of an element that exclude each other and leave nothing out. */
  const distinct = (ids: string[]) => ids.filter((id) => id !== 'past' && id !== 'lip');

  /** JSON knows no infinity. */
  const infinities = (_key: string, value: unknown) =>
    value === Infinity ? 'above' : value === -Infinity ? 'below' : value;

  it('gives what can happen on a layout a probability of one in all', () => {
    for (const key of [
      'straight-gate',
      'box-gate',
      'six-tee-lane',
      'four-round',
      'held-finish',
      'three-in-one',
      'marked-face',
    ]) {
      const layout = drill(key);
      const elements = standing(layout).filter((element) => element.outcomes().length > 0);
      let combinations: Record<string, string>[] = [{}];
      for (const element of elements) {
        combinations = combinations.flatMap((known) =>
          distinct(element.outcomes().map(({ id }) => id)).map((id) => ({
            ...known,
            [element.id]: id,
          })),
        );
      }
      // Of a lane the outer pairs tell: outcomes that differ in the middle pair only say the same, once.
      const told = new Map(
        combinations
          .flatMap((outcomes) => cellsOf([{ layout, putts: [{ outcomes }] }]))
          .map((cell) => [JSON.stringify(cell.terms, infinities), cell]),
      );
      const sum = [...told.values()].reduce(
        (total, cell) => total + probability(ready(cell), at),
        0,
      );
      expect(sum).toBeGreaterThan(0.995);
      expect(sum).toBeLessThan(1.001);
    }
  });

  it('does so whatever the pace is, of balls that just get to the hole too', () => {
    for (const key of ['chalk-forty', 'string-line', 'four-round']) {
      const layout = drill(key);
      const own = standing(layout).find(({ kind }) => kind === 'hole')!;
      const told = distinct(own.outcomes().map(({ id }) => id)).map(
        (id) => cellsOf([{ layout, putts: [{ outcomes: { [own.id]: id } }] }])[0]!,
      );
      const alone = model(W, 0);
      fc.assert(
        fc.property(between(-0.5, 0.3), between(-0.1, 0.1), (pace, face) => {
          const player = new Float64Array(alone.size);
          for (const latent of steeringIds()) {
            player[logSpreadAt(latent)] = Math.log(knownOf(latent).middleSpread);
          }
          player[biasAt('face')] = face;
          player[biasAt('pace')] = pace;
          player[logSpreadAt('pace')] = Math.log(0.003);
          const all = told.reduce((sum, cell) => sum + alone.chance(alone.ready(cell), player), 0);
          expect(all).toBeCloseTo(1, 6);
        }),
      );
    }
  });

  it('has the slopes that differences of itself have', () => {
    const [sloped, scratch] = [new Float64Array(size), new Float64Array(size)];
    for (const cell of cells) {
      const value = chanceSloped(cell, at, sloped);
      expect(value).toBeCloseTo(probability(cell, at), 12);
      for (let j = 0; j < at.length; j++) {
        const step =
          1e-5 * (j % 2 === 0 && j < slipsIndex() ? knownOf(latentIds()[j / 2]!).biasSpread : 1);
        const moved = (by: number) => {
          const there = Float64Array.from(at);
          there[j]! += by;
          return chanceSloped(cell, there, scratch);
        };
        const slope = (moved(step) - moved(-step)) / (2 * step);
        expect(Math.abs(sloped[j]! - slope)).toBeLessThan(1e-4 * (1 + Math.abs(slope)));
      }
    }
  });

  it('agrees with putts counted one by one', () => {
    const layout = drill('box-gate');
    const player: Truth = {
      ...truth,
      path: { bias: 0.03, spread: 0.03 },
      strike: { bias: -0.003, spread: 0.005 },
    };
    const parameters = new Float64Array(size);
    parameters.set(
      steeringIds().flatMap((latent) => [player[latent].bias, Math.log(player[latent].spread)]),
    );
    const putts = simulatePutts(player, layout, 30_000, chance(3));
    for (const cell of cellsOf([{ layout, putts }])) {
      const share = cell.count / putts.length;
      const expected = probability(ready(cell), parameters);
      expect(Math.abs(share - expected)).toBeLessThan(4 * Math.sqrt(0.25 / putts.length) + 0.012);
    }
  });
});

describe('what is told of a belief', () => {
  it('is its interval, of strike a little wider: tails of strikes are heavier than the model has them', () => {
    const told = scoresOf(priorBelief(), W);
    for (const [skill, wider] of [
      ['path', 1],
      ['pace', 1],
      ['strike', 1.06],
    ] as const) {
      const { low, middle, high } = told[skill].spread;
      // 1.2816 standard deviations hold 80 % of a normal.
      const wanted = 1.2816 * knownOf(skill).logSpreadSpread * wider;
      expect(Math.log(high / middle) / wanted).toBeCloseTo(1, 1.7);
      expect(Math.log(middle / low) / wanted).toBeCloseTo(1, 1.7);
    }
  });
});

describe('the posterior', () => {
  const clear = (count: number) =>
    Array.from({ length: count }, () => ({ outcomes: { gate: 'clear' } }));

  it('is wide before any putt and after an all-clear run of three', () => {
    const before = scoresOf(priorBelief(), W).start.window;
    const after = scored([{ layout: one, putts: clear(3) }]).start.window;
    expect(before.high / before.low).toBeGreaterThan(3.5);
    expect(after.high).toBeLessThan(before.high);
    expect(after.high / after.low).toBeGreaterThan(2.5);
  });

  it('agrees with brute-force weighting of random players', () => {
    const { ready, chance: probability, size } = model(W, 1);
    const random = chance(21);
    // Whoever it is, however many slips, and however the one stand was set.
    const prior = Array.from({ length: 40_000 }, () => {
      const at = new Float64Array(size);
      at.set(
        steeringIds().flatMap((latent) => [
          knownOf(latent).biasSpread * random.normal(),
          Math.log(knownOf(latent).middleSpread) +
            knownOf(latent).logSpreadSpread * random.normal(),
        ]),
      );
      at[slipsIndex()] = random.normal();
      at[standIndex(0)] = random.normal();
      return at;
    });
    for (const [key, counts] of [
      ['straight-gate', { clear: 9, left: 2, right: 5 }],
      ['box-gate', { clear: 12, 'clear left': 0, both: 0 }],
    ] as const) {
      const layout = drill(key);
      const element = standing(layout)[1]!;
      const putts = Object.entries(counts).flatMap(([id, count]) =>
        element.outcomes().some((outcome) => outcome.id === id)
          ? Array.from({ length: count }, () => ({ outcomes: { [element.id]: id } }))
          : [],
      );
      const cells = cellsOf([{ layout, putts }]);
      const all = cells.map(ready);
      const logs = prior.map((at) =>
        all.reduce((sum, cell) => sum + cell.count * Math.log(probability(cell, at)), 0),
      );
      const top = Math.max(...logs);
      const weights = logs.map((value) => Math.exp(value - top));
      const quantile = (of: (at: Float64Array) => number, share: number) => {
        const sorted = prior
          .map((at, i) => [of(at), weights[i]!] as const)
          .sort((a, b) => a[0] - b[0]);
        const total = weights.reduce((sum, weight) => sum + weight, 0);
        let sum = 0;
        for (const [value, weight] of sorted) if ((sum += weight / total) >= share) return value;
        return Infinity;
      };
      const found = scored([{ layout, putts }]);
      const [skill, index, unit] =
        key === 'box-gate' ? (['strike', 4, 0.001] as const) : (['face', 0, DEGREE] as const);
      for (const [share, value] of [
        [0.1, found[skill].bias.low],
        [0.5, found[skill].bias.middle],
        [0.9, found[skill].bias.high],
      ] as const) {
        expect(Math.abs(quantile((at) => at[index]!, share) - value)).toBeLessThan(0.25 * unit);
      }
      const spread = quantile((at) => Math.exp(at[index + 1]!), 0.5);
      expect(found[skill].spread.middle / spread).toBeGreaterThan(0.85);
      expect(found[skill].spread.middle / spread).toBeLessThan(1.18);
    }
  });

  it('does not depend on the order of the evidence', () => {
    const random = chance(2);
    const runs = runsOf(somebody(random), MIXED.slice(0, 4), 10, random);
    const shuffled = [...runs].reverse().map(({ layout, putts }) => ({
      layout,
      putts: [...putts].reverse(),
    }));
    const [a, b] = [scored(runs), scored(shuffled)];
    for (const skill of SKILLS) {
      expect(b[skill].window.middle / a[skill].window.middle).toBeCloseTo(1, 6);
      expect(b[skill].bias.low - a[skill].bias.low).toBeCloseTo(0, 8);
    }
  });

  it('mirrors when left and right are exchanged', () => {
    const putts = (side: 'left' | 'right') => [
      ...clear(10),
      ...Array.from({ length: 6 }, () => ({ outcomes: { gate: side } })),
    ];
    const [left, right] = (['left', 'right'] as const).map(
      (side) => scored([{ layout: one, putts: putts(side) }]).start,
    );
    expect(left!.bias.middle).toBeCloseTo(-right!.bias.middle, 3);
    expect(left!.window.middle / right!.window.middle).toBeCloseTo(1, 1);
  });

  it('is not wrecked by one slip among many clear putts', () => {
    const strict = ballGateLayout(DEFAULT_PUTT, { ...gate, gap: 0.066 });
    const without = scored([{ layout: strict, putts: clear(60) }]).start.window.middle;
    const slipped = [...clear(60), { outcomes: { gate: 'left' } }];
    const withOne = scored([{ layout: strict, putts: slipped }]).start.window.middle;
    expect(withOne / without).toBeLessThan(1.35);
  });

  it('says nothing new of what the putts say nothing of', () => {
    const prior = scoresOf(priorBelief(), W);
    const after = scored([
      {
        layout: drill('marked-face'),
        putts: simulatePutts(
          startsAs({ bias: 0, spread: 0 }),
          drill('marked-face'),
          12,
          chance(1),
          true,
        ),
      },
    ]);
    expect(after.pace).toEqual(prior.pace);
    expect(after.strike.window.middle).toBeLessThan(0.6 * prior.strike.window.middle);
  });

  it('is read with a left-hander’s words from the same numbers', () => {
    const lefty = fitted(drill('putter-gate-level'), { ...STANDARD_FITTING, hand: 'left' });
    const truth: Truth = {
      ...startsAs({ bias: 0, spread: 0.01 }),
      strike: { bias: 0.006, spread: 0.003 },
    };
    const found = scored([{ layout: lefty, putts: simulatePutts(truth, lefty, 60, chance(5)) }]);
    expect(found.strike.bias.low).toBeGreaterThan(0);
  });
});

describe('calibration on simulated players whose truth is known', () => {
  it('covers eight truths in ten for every skill, with little bias', () => {
    const players = 90;
    const held = new Map<string, number>();
    const off = new Map<string, number>();
    for (let seed = 0; seed < players; seed++) {
      const random = chance(7000 + seed);
      const truth = somebody(random);
      const found = scored(runsOf(truth, MIXED, 12, random));
      for (const skill of SKILLS) {
        const { bias, spread } = skill === 'start' ? startOf(truth) : truth[skill];
        const window = eightInTenWindow(bias, spread);
        const { low, high } = found[skill].window;
        held.set(skill, (held.get(skill) ?? 0) + Number(window >= low && window <= high));
        off.set(skill, (off.get(skill) ?? 0) + (found[skill].bias.middle - bias) / spread);
      }
    }
    for (const skill of SKILLS) {
      // 80 % of 90 with three standard errors either way.
      expect(held.get(skill)! / players).toBeGreaterThan(0.67);
      expect(held.get(skill)! / players).toBeLessThan(0.93);
      expect(Math.abs(off.get(skill)! / players)).toBeLessThan(0.15);
    }
  });
});

describe('from session to session', () => {
  const DAY = 86_400_000;
  const start = Date.UTC(2026, 0, 5, 10);
  const weekly = (spreads: number[], putts = 60): LoggedSession[] =>
    spreads.map((spread, week) => ({
      id: String(week),
      at: new Date(start + 7 * week * DAY),
      runs: [
        {
          layout: one,
          putts: simulatePutts(
            startsAs({ bias: 0, spread: toRadians(spread) }),
            one,
            putts,
            chance(week + 1),
          ),
        },
      ],
    }));

  it('keeps the middle and widens with the square root of the days', () => {
    const { belief } = beliefOfRuns(
      [
        {
          layout: one,
          putts: simulatePutts(startsAs({ bias: 0, spread: 0.02 }), one, 40, chance(1)),
        },
      ],
      W,
    );
    const later = beliefLater(belief, 16);
    expect([...later.mean]).toEqual([...belief.mean]);
    const grown = later.covariance.get(0, 0) - belief.covariance.get(0, 0);
    // On average over the paces a player may have: 0.2 · 0.05 + 0.3 · 1 + 0.5 · 10 = 5.31 usual steps a day.
    expect(Math.sqrt(grown)).toBeCloseTo(4 * Math.sqrt(5.31) * knownOf('face').step.bias, 12);
  });

  it('leaves out empty sessions and puts the others in order of time', () => {
    const [first, second] = weekly([1, 1]) as [LoggedSession, LoggedSession];
    const empty = { id: 'none', at: new Date(start), runs: [{ layout: one, putts: [] }] };
    expect(scoreHistory([second, empty, first]).map(({ id }) => id)).toEqual(['0', '1']);
  });

  it('knows more backwards than forwards, and the last alike', () => {
    const history = scoreHistory(weekly([1.2, 1.2, 1.2, 1.2, 1.2]));
    const width = ({ low, high }: { low: number; high: number }) => Math.log(high / low);
    for (const { carried, smoothed } of history.slice(0, -1)) {
      expect(width(smoothed.start.window)).toBeLessThan(width(carried.start.window) + 1e-9);
    }
    const last = history.at(-1)!;
    expect(last.smoothed).toEqual(last.carried);
  });

  it('sees a window that has halved, says how sure it is, and is unsure of one that has not', () => {
    const better = scoreHistory(weekly([1.8, 1.6, 1.4, 1.2, 1, 0.9], 200));
    const ends = endsOf(better, 'start')!;
    const change = changeBetween(ends.then, ends.now, 'start', W);
    expect(change.smaller).toBeGreaterThan(0.95);
    expect(change.ratio.middle).toBeLessThan(0.8);
    const same = scoreHistory(weekly([1.2, 1.2, 1.2], 200));
    const none = changeBetween([same[0]!], [same.at(-1)!], 'start', W);
    expect(none.smaller).toBeGreaterThan(0.1);
    expect(none.smaller).toBeLessThan(0.9);
    expect(none.ratio.low).toBeLessThan(none.ratio.high);
  });

  describe('how many more putts would settle a change', () => {
    const estimate = (low: number, high: number) => ({ low, middle: Math.sqrt(low * high), high });
    const window = (off: number, putts: number) => ({ window: estimate(1 / off, off), putts });
    const change = (ratio: number, smaller: number, then: number, now: number): Change => ({
      ratio: estimate(0.8 * ratio, 1.25 * ratio),
      smaller,
      measure: false,
      then: window(then, 40),
      now: window(now, 40),
    });

    it('is none once it is settled, either way', () => {
      expect(puttsToSettle(change(0.6, 0.99, 1.1, 1.1))).toEqual({ putts: 0, anew: false });
      // Both ends known to a few per cent, and alike: it has not changed by a fifth.
      expect(puttsToSettle(change(0.99, 0.6, 1.05, 1.05))).toEqual({ putts: 0, anew: false });
    });

    it('is, by hand, what brings the end now to where the beginning is known to', () => {
      // The ends lie at ±z s of the log: s = ln(1.1)/1.2816 then and ln(1.6)/1.2816 now, over 40 putts each. Wanted is a
      // variance of (ln(1/0.7)/1.2816)² in all.
      const [then, now] = [Math.log(1.1) / 1.2816, Math.log(1.6) / 1.2816];
      const wanted = (Math.log(1 / 0.7) / 1.2816) ** 2;
      const perPutt = 1 / (then ** 2 * 40);
      const more = (1 / (wanted - then ** 2) - 1 / now ** 2) / perPutt;
      const found = puttsToSettle(change(0.7, 0.85, 1.1, 1.6))!;
      expect(more).toBeGreaterThan(1);
      expect(found).toEqual({ putts: Math.ceil(more), anew: false });
    });

    it('is a new beginning where what was putted first is too little for ever', () => {
      const found = puttsToSettle(change(0.95, 0.6, 1.6, 1.1))!;
      expect(found.anew).toBe(true);
      expect(found.putts).toBeGreaterThan(0);
    });

    it('has an answer for at least nine histories in ten', () => {
      let answered = 0;
      for (let seed = 0; seed < 40; seed++) {
        const random = chance(500 + seed);
        const spread = toRadians(1.2 * Math.exp(0.4 * random.normal()));
        const sessions = [0, 1, 2, 3].map((week): LoggedSession => ({
          id: String(week),
          at: new Date(start + 7 * week * DAY),
          runs: [
            {
              layout: one,
              putts: simulatePutts(
                startsAs({ bias: 0.005 * random.normal(), spread: spread * 0.95 ** week }),
                one,
                10 + Math.floor(40 * random.uniform()),
                random,
              ),
            },
          ],
        }));
        const ends = endsOf(scoreHistory(sessions), 'start')!;
        answered += Number(puttsToSettle(changeBetween(ends.then, ends.now, 'start', W)) !== null);
      }
      expect(answered).toBeGreaterThanOrEqual(36);
    });
  });

  it('more putts never make it wider on average', () => {
    const widths = [10, 40, 160].map((putts) => {
      let sum = 0;
      for (let seed = 0; seed < 12; seed++) {
        const found = scored([
          {
            layout: one,
            putts: simulatePutts(startsAs({ bias: 0.005, spread: 0.02 }), one, putts, chance(seed)),
          },
        ]).start.window;
        sum += Math.log(found.high / found.low);
      }
      return sum;
    });
    expect(widths[1]!).toBeLessThan(widths[0]!);
    expect(widths[2]!).toBeLessThan(widths[1]!);
  });
});

describe('the next gate', () => {
  const points = (spread: number, strict = one) =>
    pointsOf(
      beliefOfRuns(
        [
          {
            layout: strict,
            putts: simulatePutts(
              startsAs({ bias: 0, spread: toRadians(spread) }),
              strict,
              400,
              chance(9),
            ),
          },
        ],
        W,
      ).belief,
      'start',
      W,
    );
  const toMillimetre = (gap: number) => Math.round(gap * 1000) / 1000;
  const byTape = {
    across: toMillimetre,
    along: (metres: number) => Math.round(metres * 100) / 100,
  };

  it('lets through the share that was chosen', () => {
    fc.assert(
      fc.property(between(0.5, 0.9), (share) => {
        const found = nextGate(points(1.2), share, gate, byTape);
        expect(Math.abs(found.share - share)).toBeLessThan(0.05);
        expect(found.gap).toBe(toMillimetre(found.gap));
      }),
      { numRuns: 20 },
    );
  });

  it('moves out where the gap could not be less', () => {
    const sharp = points(0.12, ballGateLayout(DEFAULT_PUTT, { ...gate, gap: 0.046 }));
    const near = { ...gate, distance: 0.2 };
    const found = nextGate(sharp, 0.7, near, byTape);
    expect(found).toMatchObject({ farther: true });
    expect(found.distance).toBeGreaterThan(near.distance);
    expect(found.share).toBeCloseTo(0.7, 1);
    expect(found.distance).toBeCloseTo(byTape.along(found.distance), 9);
  });

  it('is what a simulated player then clears', () => {
    const truth = startsAs({ bias: 0, spread: toRadians(1.2) });
    const { gap } = nextGate(points(1.2), 0.7, gate, byTape);
    const layout = ballGateLayout(DEFAULT_PUTT, { ...gate, gap });
    const putts = simulatePutts(truth, layout, 6000, chance(31));
    const clear = putts.filter(({ outcomes }) => outcomes.gate === 'clear').length / putts.length;
    expect(Math.abs(clear - 0.7)).toBeLessThan(0.07);
  });

  it('refuses a share that teaches nothing', () => {
    expect(() => nextGate(points(1), 0.97, gate, byTape)).toThrow('0.5 to 0.9');
    expect(passShare(points(1), { left: Infinity, right: Infinity })).toBeCloseTo(1, 12);
  });
});

describe('words', () => {
  const estimate = (low: number, middle: number, high: number) => ({ low, middle, high });

  it('calls right a push for a right-hander and a pull for a left-hander', () => {
    expect(missWord('right', 'right')).toBe('push');
    expect(missWord('right', 'left')).toBe('pull');
    expect(biasWords(toRadians(0.6), 'right')).toBe('0.6° push');
    expect(biasWords(toRadians(0.6), 'left')).toBe('0.6° pull');
    expect(biasWords(toRadians(0.02), 'left')).toBe('no bias');
  });

  it('tells an interval on one side and across the line', () => {
    const degrees = (low: number, high: number) =>
      estimate(toRadians(low), toRadians((low + high) / 2), toRadians(high));
    expect(biasIntervalWords(degrees(0.1, 0.5), 'right')).toBe('0.1° to 0.5° push');
    expect(biasIntervalWords(degrees(-0.1, 0.4), 'right')).toBe('0.1° pull to 0.4° push');
  });

  it('says the window as a gate that can be set', () => {
    const window = estimate(toRadians(0.9), toRadians(1.0852), toRadians(1.3));
    expect(gateOfWindow(window).gap.middle).toBeCloseTo(0.06, 4);
    const score = { window, bias: estimate(0, 0, 0), spread: window };
    expect(scoreWords(score, 'right', DEFAULT_UNITS)).toContain(
      'gets 8 of 10 putts through a 60 mm gate at 18 in',
    );
  });
});
