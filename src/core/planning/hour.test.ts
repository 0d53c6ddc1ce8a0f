import {
  LIBRARY,
  libraryDrill,
  type DrillValues,
  type Miss,
  type PlaceKind,
  type Skill,
} from '@/core/drill';
import { COMMON_KIT, KIT_IDS, STANDARD_FITTING } from '@/core/people';
import { DEFAULT_FACE_SHARE, priorBelief, scoresOf } from '@/core/scoring';
import { chance, simulatePutts, startsAs } from '@/core/simulate';
import { judge, onRung } from '@/core/layout';
import { DEGREE } from '@/core/units';
import {
  blockSpan,
  candidatesOf,
  endsBy,
  hardlyEnds,
  inOrder,
  lowerRungs,
  needsOf,
  needsOfGroup,
  phaseOf,
  proposeHour,
  setUpFactor,
  setUpOf,
  setUpTime,
  timeDrill,
  timedOf,
  totalsOf,
  missesMet,
  unsuited,
  unsuitedToAny,
  coldTestDue,
  corrected,
  PHASES,
  type Planned,
  type PlayerTime,
  type Wish,
} from '.';
import { oddsOf } from './odds';
import { after, mixed, sureTime, timeOn, timesOf, timeWithin } from './times';

const PRIOR = priorBelief();
const NOTHING = { start: 0, face: 0, path: 0, strike: 0, pace: 0, height: 0 };
const NEEDS = needsOf(scoresOf(PRIOR, DEFAULT_FACE_SHARE), NOTHING);

const player = (more: Partial<Planned> = {}): Planned => ({
  name: 'Wren',
  level: 'steady',
  school: 'arc',
  seated: false,
  misses: [],
  fitting: STANDARD_FITTING,
  belief: PRIOR,
  faceShare: DEFAULT_FACE_SHARE,
  seconds: 25,
  played: new Map(),
  ...more,
});
const DRILLS = LIBRARY.map((drill) => ({ id: drill.key, drill }));
/** Players differ in whom they are, not in what is known of their skill: timed once. */
const timed = new Map<string, PlayerTime>();
const time = (drill: DrillValues, who: Planned): PlayerTime => {
  const found = timed.get(drill.name) ?? timeDrill(drill, who, 'teaching');
  timed.set(drill.name, found);
  return found;
};
const wish = (more: Partial<Wish> = {}): Wish => ({
  minutes: 60,
  needs: NEEDS,
  goals: [],
  cold: false,
  ...more,
});

describe('the odds of a drill', () => {
  it('are those of a simulated player whose truth is all but known', () => {
    // A belief with next to no width around one truth.
    const { mean, covariance } = PRIOR;
    const sure = { mean: mean.slice(), covariance: covariance.clone().mul(1e-8) };
    const drill = libraryDrill('straight-gate')!;
    const odds = oddsOf(drill.layout, { ladder: [], rung: null }, sure, 1);
    const truth = startsAs({ bias: mean[0]!, spread: Math.exp(mean[1]!) });
    const passes = judge(drill.layout);
    const PUTTS = 5_000;
    const passed = simulatePutts(truth, drill.layout, PUTTS, chance(3)).filter(({ outcomes }) =>
      passes(outcomes),
    ).length;
    expect(odds.passes).toBeCloseTo(passed / PUTTS, 1);
    expect(odds.assumed).toBe(false);
  });

  it('add up to one everywhere, and fall from rung to rung', () => {
    for (const key of ['straight-gate', 'limit-line', 'three-in-one', 'four-round']) {
      const { layout, ladder } = libraryDrill(key)!;
      const passes = [0, ladder.length - 1].map((rung) => {
        const odds = oddsOf(layout, { ladder, rung }, PRIOR, DEFAULT_FACE_SHARE);
        const shares = odds.at({ station: 0, rung, again: 0 }, 0);
        expect(shares.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9);
        return odds.passes;
      });
      expect(passes[1]!).toBeLessThan(passes[0]!);
    }
  });

  it('are corrected at each value of the skills, whatever else happens on a putt', () => {
    const { layout, ladder } = libraryDrill('three-in-one')!;
    const correction = { shift: -0.6, slope: 0.8 };
    const odds = (by: typeof correction | null) =>
      oddsOf(layout, { ladder, rung: null }, PRIOR, DEFAULT_FACE_SHARE, undefined, by);
    const [bare, now] = [odds(null), odds(correction)];
    const first = { station: null, rung: 0, again: 0 };
    for (let point = 0; point < bare.points; point++) {
      const passing = ({ kinds, at }: typeof bare) =>
        at(first, point).reduce((sum, share, i) => sum + (kinds[i]!.passed ? share : 0), 0);
      expect(passing(now)).toBeCloseTo(corrected(passing(bare), correction), 12);
      expect(now.at(first, point).reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 12);
    }
    expect(now.passes).toBeLessThan(bare.passes);
  });

  it('say so where only an eye can tell', () => {
    const { layout } = libraryDrill('striped-ball')!;
    expect(oddsOf(layout, { ladder: [], rung: null }, PRIOR, 0.92).assumed).toBe(true);
  });

  it('are those of a short putt once the first has been missed, and rest where a missed one rests', () => {
    const { layout } = libraryDrill('lag-and-farther')!;
    const odds = oddsOf(layout, { ladder: [], rung: null }, PRIOR, 0.92);
    const holed = (again: number, point: number) =>
      odds
        .at({ station: 0, rung: 0, again }, point)
        .reduce((sum, share, i) => sum + (odds.kinds[i]!.holed ? share : 0), 0);
    /** On average over what is not known of the player. */
    const made = (again: number) =>
      Array.from({ length: odds.points }, (_, point) => holed(again, point)).reduce(
        (sum, one) => sum + one / odds.points,
        0,
      );
    expect(made(0)).toBeLessThan(0.2);
    expect(made(1)).toBeGreaterThan(made(0));
    expect(made(2)).toBeGreaterThan(made(1));
  });
});

describe('times', () => {
  it('of putts are their number by the pace', () => {
    // Two or four putts, evenly, at half a minute each.
    const times = timesOf(Float64Array.of(1, 1, 0.5, 0.5, 0), 30);
    expect([...times]).toEqual([0, 0, 0.5, 0, 0.5]);
    expect(timeOn(times)).toBeCloseTo(1.5, 12);
    expect([timeWithin(times, 0.5), timeWithin(times, 0.9)]).toEqual([1, 2]);
  });

  it('one after the other add up, in the mean exactly', () => {
    const a = timesOf(Float64Array.of(1, 0.7, 0.2, 0), 30);
    const b = timesOf(Float64Array.of(1, 0.4, 0), 60);
    expect(timeOn(after(a, b))).toBeCloseTo(timeOn(a) + timeOn(b), 12);
    expect(timeOn(mixed([a, b]))).toBeCloseTo((timeOn(a) + timeOn(b)) / 2, 12);
    expect(timeWithin(sureTime(7), 0.9)).toBe(7);
  });

  it('of setting up are the coach’s own once three were seen', () => {
    const seen = [30, 45, 60].map((slower) => ({ things: 3, seconds: setUpTime(3) + slower }));
    expect(setUpFactor(seen.slice(1))).toBeNull();
    expect(setUpFactor(seen)).toBeCloseTo((setUpTime(3) + 45) / setUpTime(3), 12);
    // Nobody sets up in five seconds: it stood already.
    expect(setUpFactor([...seen.slice(1), { things: 3, seconds: 5 }])).toBeNull();
  });

  it('of a group are all its turns, one after the other', () => {
    const drill = libraryDrill('cold-start')!;
    const time = timeDrill(drill, player(), 'drawn');
    const one = blockSpan(timedOf([time], 120));
    const three = blockSpan(timedOf([time, time, time], 120));
    // Ten putts at 25 s, once or three times, after two minutes of setting up: to the half minute.
    expect(one.median).toBeCloseTo(2 + 4, 0);
    expect(three.median).toBeCloseTo(2 + 12, 0);
  });

  it('of an hour have their breaks, and count the putts of a back', () => {
    const drill = libraryDrill('cold-start')!;
    const block = timedOf([timeDrill(drill, player(), 'drawn')], 60);
    const totals = totalsOf([block, block, block, block]);
    expect(totals.putts).toBeCloseTo(40, 9);
    expect(totals.rests).toBe(1);
    expect(totals.median).toBeCloseTo(4 * (1 + 4) + 1, 0);
    expect(totals.tooMany).toBe(false);
    const hasty = timedOf([timeDrill(drill, player({ seconds: 8 }), 'drawn')], 0);
    expect(totalsOf([hasty, hasty, hasty]).tooMany).toBe(true);
    expect(totalsOf([])).toMatchObject({ median: 0, late: 0 });
  });

  it('of blocks go together: who is better than believed is so in all of them', () => {
    const drill = libraryDrill('straight-gate')!;
    const block = timedOf([timeDrill(drill, player(), 0)], 0);
    const [once, all] = [blockSpan(block), totalsOf([block, block, block])];
    // Were they independent, the spread of three would grow by a root only.
    expect(all.late - all.median).toBeGreaterThan(Math.sqrt(3) * (once.late - once.median));
  });
});

describe('what suits', () => {
  const ground = { place: 'green' as PlaceKind, kit: KIT_IDS };
  it('never makes a miss worse', () => {
    const drill = libraryDrill('grip-end-guide')!;
    const [worse] = drill.avoid as [Miss];
    expect(unsuited(drill, player({ misses: [worse] }), ground)).toContain(
      `makes the miss “${worse}” worse`,
    );
    expect(unsuited(drill, player(), ground)).toBeNull();
  });

  it('is of the player’s school and level, and of what is there', () => {
    const lane = libraryDrill('six-tee-lane')!;
    expect(unsuited(lane, player(), ground)).toContain('is for straight strokes');
    const rods = libraryDrill('rod-corridor')!;
    expect(unsuited(rods, player(), { place: 'green', kit: COMMON_KIT })).toBe(
      'needs alignment sticks',
    );
    const lag = libraryDrill('lag-and-farther')!;
    expect(unsuited(lag, player(), { ...ground, place: 'home' })).toBe('does not suit this place');
  });

  it('suits a group when it suits each of them, and is for what any of them misses', () => {
    const lane = libraryDrill('six-tee-lane')!;
    const straight = player({ school: 'straight' });
    expect(unsuitedToAny(lane, [straight], ground)).toBeNull();
    expect(unsuitedToAny(lane, [straight, player()], ground)).toContain('is for straight strokes');
    const gate = libraryDrill('straight-gate')!;
    expect(missesMet(gate, [player(), player({ misses: ['push', 'nerves'] })])).toEqual(['push']);
  });
});

describe('a cold test', () => {
  it('is due when none was taken, and again four weeks after the last', () => {
    const at = (day: number) => new Date(Date.UTC(2026, 2, day, 12));
    expect(coldTestDue(undefined, at(1))).toBe(true);
    expect(coldTestDue(at(1), at(28))).toBe(false);
    expect(coldTestDue(at(1), at(29))).toBe(true);
  });
});

describe('where a drill belongs', () => {
  it('is some place of the hour for every built-in one, and every place has some', () => {
    const found = new Set(LIBRARY.map(phaseOf));
    expect([...found].sort()).toEqual([...PHASES].sort());
    expect(phaseOf(libraryDrill('box-gate')!)).toBe('technique');
    expect(phaseOf(libraryDrill('three-in-one')!)).toBe('together');
    expect(phaseOf(libraryDrill('four-round')!)).toBe('pressure');
    expect(phaseOf(libraryDrill('just-past')!)).toBe('pace');
    expect(phaseOf(libraryDrill('breaking-start-gate')!)).toBe('reading');
  });
});

describe('what is needed', () => {
  it('is most what is widest against what is good enough', () => {
    const scores = scoresOf(PRIOR, DEFAULT_FACE_SHARE);
    const at = (middle: number) => ({ low: middle, middle, high: middle });
    const of = {
      ...scores,
      start: { ...scores.start, window: at(0.954 * DEGREE) },
      face: { ...scores.face, window: at(1.04 * DEGREE) },
      path: { ...scores.path, window: at(3 * DEGREE) },
      pace: { ...scores.pace, window: at(0.1) },
      strike: { ...scores.strike, window: at(0.014) },
    };
    const [first, ...rest] = needsOf(of, { ...NOTHING, strike: 30 });
    expect(first).toMatchObject({ skill: 'strike', known: true });
    expect(first!.ratio).toBeCloseTo(2, 9);
    for (const { ratio, known } of rest) {
      expect(ratio).toBeCloseTo(1, 2);
      expect(known).toBe(false);
    }
    const group = needsOfGroup([needsOf(of, NOTHING), NEEDS]);
    expect(group.find(({ skill }) => skill === 'strike')!.ratio).toBeCloseTo(
      (2 + NEEDS.find(({ skill }) => skill === 'strike')!.ratio) / 2,
      9,
    );
  });
});

describe('a proposed hour', () => {
  const cases: [string, Partial<Planned>[], PlaceKind, Partial<Wish>][] = [
    ['an hour', [{}], 'green', {}],
    ['half an hour at home', [{ level: 'beginner' }], 'home', { minutes: 30 }],
    ['a pusher', [{ misses: ['push', 'out-to-in'] }], 'green', { minutes: 75 }],
    ['a puller from a chair', [{ misses: ['pull'], seated: true }], 'green', { minutes: 45 }],
    ['a straight stroke, cold first', [{ school: 'straight' }], 'green', { cold: true }],
    ['for the pace', [{}], 'green', { goals: ['pace'] as Skill[] }],
    ['a quarter of an hour', [{}], 'green', { minutes: 15 }],
    ['three in turn', [{}, { level: 'advanced' }, { misses: ['toe'] }], 'green', { minutes: 90 }],
    ['three in an hour', [{}, { level: 'advanced' }, { misses: ['toe'] }], 'green', {}],
    ['four in an hour', [{}, {}, { level: 'advanced' }, { misses: ['pull'] }], 'green', {}],
    ['nine in an hour', Array<object>(9).fill({}), 'green', {}],
    ['five, cold first', [{}, {}, {}, {}, {}], 'green', { cold: true }],
    ['three, cold first', [{}, {}, { level: 'beginner' }], 'green', { cold: true }],
  ];
  const all = cases.map(([name, who, place, more]) => {
    const players = who.map((one) => player(one));
    const candidates = candidatesOf(DRILLS, players, { place, kit: KIT_IDS }, 1, time);
    const asked = wish(more);
    return { name, players, candidates, asked, plan: proposeHour(asked, candidates) };
  });
  const timedOf = ({ candidates, plan }: (typeof all)[number]) =>
    plan.map(({ id }) => candidates.find((one) => one.id === id)!);

  it.each(all.map((one) => [one.name, one] as const))(
    'keeps to its minutes and to the order of practice, and harms nobody: %s',
    (_name, one) => {
      expect(one.plan.length).toBeGreaterThan(0);
      const timed = timedOf(one);
      expect(totalsOf(timed).median).toBeLessThanOrEqual(one.asked.minutes);
      expect(inOrder(one.plan.map(({ phase }) => phase))).toBe(true);
      expect(new Set(one.plan.map(({ id }) => id)).size).toBe(one.plan.length);
      for (const { drill } of timed) {
        for (const { misses } of one.players) {
          expect(drill.avoid.filter((miss) => misses.includes(miss))).toEqual([]);
        }
      }
      // Nothing more that suits would fit: the time is used.
      expect(totalsOf(timed).median).toBeGreaterThan(0.55 * one.asked.minutes);
    },
  );

  const named = (name: string) => all.find((one) => one.name === name)!;

  it('has every part of an hour, and a cold test only when one is due', () => {
    const phases = (name: string) => named(name).plan.map(({ phase }) => phase);
    expect(new Set(phases('an hour'))).toEqual(
      new Set(['technique', 'reading', 'pace', 'together', 'pressure']),
    );
    expect(phases('a straight stroke, cold first')[0]).toBe('test');
  });

  it('has something with a cost where the shortest takes more than twice its share', () => {
    const { candidates, asked } = named('nine in an hour');
    // 13 of 87 parts of an hour, twice.
    const long = candidates.filter(
      (one) => phaseOf(one.drill) !== 'pressure' || blockSpan(one).median > 2 * 60 * (0.13 / 0.87),
    );
    const phases = proposeHour(asked, long).map(({ phase }) => phase);
    expect(phases).toEqual(expect.arrayContaining(['technique', 'pressure']));
  });

  it.each([
    'three in turn',
    'three in an hour',
    'four in an hour',
    'nine in an hour',
    'five, cold first',
    'three, cold first',
  ])('keeps a skill and something with a cost, however many putt in turn: %s', (name) => {
    const phases = named(name).plan.map(({ phase }) => phase);
    expect(phases).toEqual(expect.arrayContaining(['technique', 'pressure']));
  });

  it('has more of what is wished', () => {
    const pace = (name: string) =>
      timedOf(named(name)).filter(({ drill }) => drill.skills.includes('pace')).length /
      named(name).plan.length;
    expect(pace('for the pace')).toBeGreaterThan(pace('an hour'));
  });

  it('leaves what the coach keeps, and fills in round it', () => {
    const { candidates, asked } = named('an hour');
    const one = candidates.find(({ id }) => id === 'coin-roll-over')!;
    const kept = { ...one, phase: phaseOf(one.drill) };
    const plan = proposeHour(asked, candidates, [kept]);
    expect(plan).toContain(kept);
    expect(inOrder(plan.map(({ phase }) => phase))).toBe(true);
    const timed = plan.map(({ id }) => candidates.find((c) => c.id === id)!);
    expect(totalsOf(timed).median).toBeLessThanOrEqual(asked.minutes);
  });

  it('is the same when it is asked again', () => {
    const { candidates, asked, plan } = named('an hour');
    expect(proposeHour(asked, candidates)).toEqual(plan);
  });

  it('says why', () => {
    expect(
      named('a pusher')
        .plan.map((one) => ('why' in one ? one.why : ''))
        .join(' '),
    ).toMatch(/push|out-to-in/);
  });

  it('names a rule that will hardly end, with what ends it', () => {
    const drill = libraryDrill('fives-in-fours')!;
    const wild = player({
      belief: { ...PRIOR, mean: PRIOR.mean.map((one, i) => (i === 1 ? one + 1 : one)) },
    });
    const time = timeDrill(drill, wild, 3);
    expect(hardlyEnds(time.finish)).toBe(true);
    expect(endsBy(time, drill.cap, lowerRungs(drill, wild, time))).toMatch(
      /^The chance of finishing within .* is (only \d+|under 1) %\. (Rung \d|The limit)/,
    );
    const easy = libraryDrill('cold-start')!;
    expect(endsBy(timeDrill(easy, wild, 'drawn'), easy.cap, [])).toBeNull();
    expect(() => timeDrill(drill, wild, 40)).toThrow(/Rung 41 does not exist/);
    expect(setUpOf(drill, 2)).toBe(2 * setUpOf(drill));
    expect(onRung(drill.layout, drill.ladder[0]!)).not.toEqual(drill.layout);
  });
});
