import { libraryDrill } from '@/core/drill';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout, ownPlace, type Layout } from '@/core/layout';
import { chance, simulatePutts, startsAs } from '@/core/simulate';
import { DEGREE, INCH } from '@/core/units';
import { rectangle } from '@/core/numbers';
import {
  beliefLater,
  beliefOfRuns,
  changeBetween,
  findingsOf,
  nextGate,
  pointsOf,
  priorBelief,
  scoreHistory,
  scoresOf,
  type LoggedRun,
  type LoggedSession,
} from '.';
import { steeringIds, biasAt, logSpreadAt } from './latents';
import { regionOf } from './region';
import { edgesOf, within } from './terms';
import { placedEvidence } from './evidence';
import { standing } from '@/core/layout';
import { learnWander, unknownWander, variancesOf } from './wander';

const gate = { distance: 18 * INCH, gap: 0.06, shank: 0.005, offset: 0 };
const planned = ballGateLayout(DEFAULT_PUTT, gate);
const measured: Layout = {
  ...planned,
  elements: planned.elements.map((piece) =>
    piece.id === 'gate' ? { ...piece, built: { gap: 0.06, distance: gate.distance } } : piece,
  ) as Layout['elements'],
};
const putts = (layout: Layout, spread: number, count: number, seed: number) =>
  simulatePutts(startsAs({ bias: 0, spread: spread * DEGREE }), layout, count, chance(seed));
const widthOf = (runs: LoggedRun[]) => {
  const { window } = scoresOf(beliefOfRuns(runs).belief, 0.92).start;
  return Math.log(window.high / window.low);
};

describe('how a stand really was set', () => {
  it('moves the bounds by what 1.5 mm and 1 cm make of them, by hand', () => {
    const [, element] = standing(planned);
    const { evidence, by } = placedEvidence(planned, element!, 'clear');
    const [lower, upper] = edgesOf(evidence[0]!) as [number, number];
    // 17.33 mm of air over 2 · 457.2 mm: 1.5 mm more is 1.64 mrad, and 1 cm nearer is 2.2 % of 18.95 mrad, 0.42 mrad.
    expect(upper * 1000).toBeCloseTo(18.94, 1);
    expect(by[0]![1]! * 1000).toBeCloseTo(Math.hypot(1.64, 0.42), 1);
    expect(by[0]![0]).toBeCloseTo(-by[0]![1]!, 6);
    expect(lower).toBeCloseTo(-upper, 9);
  });

  it('is known three times as well once it was measured', () => {
    const move = (layout: Layout) =>
      placedEvidence(layout, standing(layout)[1]!, 'clear').by[0]![1]!;
    expect(move(planned) / move(measured)).toBeGreaterThan(2.8);
    expect(findingsOf([{ layout: measured, putts: putts(measured, 1, 3, 1) }]).stands).toEqual([
      { measured: true },
    ]);
  });

  it('keeps a thousand putts through one gate from being surer than the gate is', () => {
    const run = (layout: Layout, count: number) => [{ layout, putts: putts(layout, 1, count, 4) }];
    expect(widthOf(run(measured, 2000))).toBeLessThan(0.6 * widthOf(run(planned, 2000)));
    // Ten stands of two hundred know more than one of two thousand.
    const ten = Array.from({ length: 10 }, (_, stand) => ({
      layout: planned,
      putts: putts(planned, 1, 200, 10 + stand),
    }));
    expect(widthOf(ten)).toBeLessThan(0.75 * widthOf(run(planned, 2000)));
  });

  it('is one for runs of a session that were set up together', () => {
    const runs = [1, 2].map((seed) => ({ layout: planned, putts: putts(planned, 1, 5, seed) }));
    expect(findingsOf(runs).stands).toHaveLength(2);
    expect(findingsOf(runs.map((run) => ({ ...run, stand: 'Tuesday' }))).stands).toHaveLength(1);
  });

  it('is what to measure where only that leaves a change in doubt', () => {
    const sessions = (layout: Layout): LoggedSession[] =>
      [1.2, 0.98].map((spread, index) => ({
        id: String(index),
        at: new Date(Date.UTC(2026, 0, 1 + 14 * index)),
        runs: [{ layout, putts: putts(layout, spread, 600, 50 + index) }],
      }));
    const judged = (layout: Layout) => {
      const [then, now] = scoreHistory(sessions(layout));
      return changeBetween([then!], [now!], 'start', 0.92);
    };
    expect(judged(planned)).toMatchObject({ measure: true });
    expect(judged(measured)).toMatchObject({ measure: false });
    expect(judged(measured).smaller).toBeGreaterThan(0.9);
  });
});

describe('what cannot be scored', () => {
  it('is set aside with its reason, and harms nothing else', () => {
    const { layout } = libraryDrill('lag-and-farther')!;
    const hole = layout.elements.find(({ kind }) => kind === 'hole')!.id;
    const unknown = { ...ownPlace(layout), again: 1, spot: null };
    const runs: LoggedRun[] = [
      {
        layout,
        putts: [
          { outcomes: { [hole]: 'short' }, place: ownPlace(layout) },
          { outcomes: { [hole]: 'holed' }, place: unknown },
        ],
      },
      { layout: planned, putts: putts(planned, 1, 4, 2) },
    ];
    const { cells, unscored } = findingsOf(runs);
    expect(unscored).toEqual([
      {
        run: 0,
        putts: 1,
        reason: 'No spot was recorded, so there is nothing to learn about the player.',
      },
    ]);
    expect(cells.reduce((sum, { count }) => sum + count, 0)).toBe(5);
  });

  it('is a lane whose tees no head can touch at once', () => {
    const { layout } = libraryDrill('six-tee-lane')!;
    const box = layout.elements.find(({ kind }) => kind === 'boxGate')!.id;
    const impossible = { outcomes: { [box]: 'back left, level right, front left' } };
    const prior = scoresOf(priorBelief(), 0.92);
    const found = scoresOf(beliefOfRuns([{ layout, putts: [impossible] }]).belief, 0.92);
    expect(found.strike).toEqual(prior.strike);
  });

  it('takes only what was struck as usual, unless all is asked for', () => {
    const blind = putts(planned, 1, 6, 3).map((putt) => ({
      ...putt,
      manner: 'eyes closed' as const,
    }));
    expect(findingsOf([{ layout: planned, putts: blind }]).cells).toEqual([]);
    expect(findingsOf([{ layout: planned, putts: blind }], true).cells.length).toBeGreaterThan(0);
    const routine = blind.map((putt) => ({ ...putt, manner: 'routine' as const }));
    expect(findingsOf([{ layout: planned, putts: routine }]).cells.length).toBeGreaterThan(0);
  });
});

describe('three places of a head', () => {
  const at = new Float64Array(2 * steeringIds().length + 1);
  at[biasAt('strike')] = 0.001;
  at[logSpreadAt('strike')] = Math.log(0.005);
  at[biasAt('path')] = 0.01;
  at[logSpreadAt('path')] = Math.log(0.03);

  it('are as likely as counted draws say', () => {
    const places = [-0.15, 0, 0.15].map((y) => ({ at: y, bounds: within(-0.009, 0.007) }));
    const random = chance(23);
    const draws = 200_000;
    let inside = 0;
    for (let i = 0; i < draws; i++) {
      const strike = 0.001 + 0.005 * random.normal();
      const path = 0.01 + 0.03 * random.normal();
      inside += Number(
        places.every(({ at: y }) => {
          const there = strike + y * path;
          return there > -0.009 && there < 0.007;
        }),
      );
    }
    const share = inside / draws;
    expect(Math.abs(regionOf(places).chance(at, null) - share)).toBeLessThan(
      4 * Math.sqrt((share * (1 - share)) / draws),
    );
  });

  it('come to the rectangle of the outer two where the middle one says nothing', () => {
    const outer = [-0.15, 0.15].map((y) => ({ at: y, bounds: within(-0.009, 0.007) }));
    const open = { at: 0, bounds: within(-Infinity, Infinity) };
    const found = regionOf([outer[0]!, open, outer[1]!]).chance(at, null);
    const spread = Math.hypot(0.005, 0.15 * 0.03);
    const tie = (0.005 ** 2 - (0.15 * 0.03) ** 2) / spread ** 2;
    const [a, b] = [0.001 - 0.0015, 0.001 + 0.0015];
    const expected = rectangle(
      {
        lower: [(-0.009 - a) / spread, (-0.009 - b) / spread],
        upper: [(0.007 - a) / spread, (0.007 - b) / spread],
      },
      tie,
    );
    expect(found).toBeCloseTo(expected, 6);
  });
});

describe('how fast a player wanders', () => {
  const DAY = 86_400_000;
  const weekly = (spreads: number[]) =>
    scoreHistory(
      spreads.map((spread, week) => ({
        id: String(week),
        at: new Date(Date.UTC(2026, 0, 1) + 7 * week * DAY),
        runs: [{ layout: measured, putts: putts(measured, spread, 150, 80 + week) }],
      })),
    );
  const meanPace = (history: ReturnType<typeof weekly>) => {
    let wander = unknownWander();
    for (let week = 1; week < history.length; week++) {
      const [before, now] = [history[week - 1]!, history[week]!];
      wander = learnWander(wander, before.belief.carried, 7, now.belief.alone, priorBelief());
    }
    return variancesOf(wander)[logSpreadAt('face')]!;
  };

  it('is learnt: slower of one who stays, faster of one who steps', () => {
    const usual = variancesOf(unknownWander())[logSpreadAt('face')]!;
    const still = meanPace(weekly([1, 1, 1, 1, 1, 1, 1, 1]));
    const stepping = meanPace(weekly([2, 1, 2, 1, 2, 1, 2, 1]));
    expect(still).toBeLessThan(usual);
    expect(stepping).toBeGreaterThan(usual);
    expect(stepping).toBeGreaterThan(2 * still);
  });

  it('is not learnt from a session that says nothing of it', () => {
    const wander = unknownWander();
    const same = learnWander(wander, priorBelief(), 7, priorBelief(), priorBelief());
    expect(same).toEqual(wander);
    expect(beliefLater(priorBelief(), 0).covariance.to2DArray()).toEqual(
      priorBelief().covariance.to2DArray(),
    );
  });
});

describe('the next gate', () => {
  const known = (spread: number) =>
    pointsOf(
      beliefOfRuns([{ layout: planned, putts: putts(planned, spread, 300, 8) }]).belief,
      'start',
      0.92,
    );
  const inches = {
    across: (metres: number) => (Math.round(metres / (INCH / 16)) * INCH) / 16,
    along: (metres: number) => (Math.round(metres / (INCH / 2)) * INCH) / 2,
  };

  it('is never wider than a gate may be, nor closer than two millimetres of air, nor beyond the hole', () => {
    for (const spread of [0.1, 0.5, 1, 4, 12]) {
      for (const share of [0.5, 0.7, 0.9]) {
        for (const distance of [0.1, 0.4572, 1.2]) {
          const found = nextGate(known(spread), share, { distance, putt: 1.5 }, inches);
          expect(found.gap).toBeGreaterThanOrEqual(0.04267 + 0.002);
          expect(found.gap).toBeLessThanOrEqual(0.5);
          expect(found.distance).toBeGreaterThanOrEqual(distance);
          expect(found.distance).toBeLessThanOrEqual(1.5);
          expect(found.gap).toBeCloseTo(inches.across(found.gap), 9);
        }
      }
    }
  });
});
