import { DEFAULT_PUTT, makeProbability } from '@/core/green';
import { libraryDrill } from '@/core/drill';
import { fitted } from '@/core/layout';
import { STANDARD_FITTING, type Hand } from '@/core/people';
import {
  DEFAULT_FACE_SHARE,
  SKILLS,
  beliefOfRuns,
  pointsOf,
  priorBelief,
  type ByQuantity,
  type SkillPoints,
} from '@/core/scoring';
import { chance, simulatePutts, type Truth } from '@/core/simulate';
import { DEGREE } from '@/core/units';
import { shoot } from 'tests/player/green';
import { NO_COUNTS, gains, readMisses, worthByDistance, type Known, type MissCounts } from '.';

const W = DEFAULT_FACE_SHARE;
const GOOD: Truth = {
  face: { bias: 0, spread: 0.8 * DEGREE },
  path: { bias: 0, spread: 1 * DEGREE },
  strike: { bias: 0, spread: 0.003 },
  pace: { bias: 0, spread: 0.07 },
  height: { bias: 0, spread: 0.002 },
  faceShare: W,
};
const DRILLS = ['straight-gate', 'box-gate', 'putter-gate-level', 'limit-line', 'marked-face'];

/** What is known of a simulated player after some sixty putts of each drill. */
function known(
  truth: Truth,
  hand: Hand = 'right',
  counts: Partial<MissCounts> = {},
  seed = 1,
): Known {
  const runs = DRILLS.map((key, i) => {
    const layout = fitted(libraryDrill(key)!.layout, { ...STANDARD_FITTING, hand });
    return { layout, putts: simulatePutts(truth, layout, 60, chance(100 * seed + i), true) };
  });
  const { belief, basis } = beliefOfRuns(runs, W);
  const points = Object.fromEntries(
    SKILLS.map((skill) => [skill, pointsOf(belief, skill, W)]),
  ) as ByQuantity<SkillPoints>;
  return { hand, school: 'arc', points, basis, counts: { ...NO_COUNTS, ...counts } };
}
const found = (what: Known) => readMisses(what).map(({ id }) => id);
const with_ = (changes: Partial<Truth>): Truth => ({ ...GOOD, ...changes });

describe('reading the misses', () => {
  it('tells an early look, and putts that break away, from counts: by hand', () => {
    const early = (seen: number, of: number) =>
      found(known(GOOD, 'right', { early: { seen, of } }));
    // 14 of 20: below a quarter with a probability of under one in ten thousand; 3 of 20 is no habit, 5 of 6 too few.
    expect(early(14, 20)).toContain('early look');
    expect(early(3, 20)).not.toContain('early look');
    expect(early(5, 6)).not.toContain('early look');
    const sides = (away: number, towards: number) =>
      readMisses(
        known(GOOD, 'right', {
          away: { passed: away, of: 30 },
          towards: { passed: towards, of: 30 },
        }),
      ).find(({ id }) => id === 'breaks away');
    expect(sides(10, 24)!.seen).toBe(
      'Passed 10 of 30 putts that break away from the student, against 24 of 30 that break towards the student.',
    );
    expect(sides(10, 24)!.probability).toBeGreaterThan(0.98);
    expect(sides(20, 20)).toBeUndefined();
    expect(sides(24, 10)).toBeUndefined();
  });

  it('tells thin and short together, and neither alone', () => {
    const low = { bias: -0.004, spread: 0.002 };
    const short = { bias: -0.12, spread: 0.06 };
    expect(found(known(with_({ height: low, pace: short })))).toContain('thin and short');
    expect(found(known(with_({ height: low })))).not.toContain('thin and short');
    expect(found(known(with_({ pace: short })))).not.toContain('thin and short');
  });

  it('is silent of a player without a fault, and of one of whom nothing is known', () => {
    // Eight such players: a verdict that is 85 % sure may be wrong of one or two.
    const verdicts = [1, 2, 3, 4, 5, 6, 7, 8].flatMap((seed) =>
      found(known(GOOD, 'right', {}, seed)),
    );
    expect(verdicts.length).toBeLessThanOrEqual(2);
    const prior = priorBelief();
    const points = Object.fromEntries(
      SKILLS.map((skill) => [skill, pointsOf(prior, skill, W)]),
    ) as ByQuantity<SkillPoints>;
    const basis = { start: 0, face: 0, path: 0, strike: 0, pace: 0, height: 0 };
    expect(found({ hand: 'right', school: 'arc', points, basis, counts: NO_COUNTS })).toEqual([]);
  });

  it.each<[string, Partial<Truth>, Hand, string]>([
    ['starts right, right-handed', { face: { bias: 0.02, spread: 0.012 } }, 'right', 'push'],
    ['starts right, left-handed', { face: { bias: 0.02, spread: 0.012 } }, 'left', 'pull'],
    ['swings right, right-handed', { path: { bias: 0.07, spread: 0.02 } }, 'right', 'in-to-out'],
    ['swings right, left-handed', { path: { bias: 0.07, spread: 0.02 } }, 'left', 'out-to-in'],
    ['the head right of the ball', { strike: { bias: 0.007, spread: 0.003 } }, 'right', 'heel'],
    ['the same, left-handed', { strike: { bias: 0.007, spread: 0.003 } }, 'left', 'toe'],
    ['struck low', { height: { bias: -0.005, spread: 0.002 } }, 'right', 'low on the face'],
    ['rolls short', { pace: { bias: -0.12, spread: 0.08 } }, 'left', 'short'],
    ['rolls long', { pace: { bias: 0.12, spread: 0.08 } }, 'right', 'long'],
  ])('%s', (_name, changes, hand, id) => {
    expect(found(known(with_(changes), hand))).toContain(id);
  });

  it('does not blame the stroke for the aim', () => {
    const pushed = known(with_({ face: { bias: 0.02, spread: 0.012 } }));
    const causeOf = (what: Known) => readMisses(what).find(({ id }) => id === 'push')!.cause;
    expect(causeOf(pushed)).toMatch(
      /^The aim has not been checked yet, .* the stroke, the face is open/,
    );
    const seen = (bias: number): Known => ({
      ...pushed,
      basis: { ...pushed.basis, aim: 30 },
      points: {
        ...pushed.points,
        aim: { bias: new Float64Array(400).fill(bias), spread: new Float64Array(400).fill(0.01) },
      },
    });
    expect(causeOf(seen(0.02))).toBe(
      'The putter is already aimed that way. The stroke adds nothing to that side.',
    );
    expect(causeOf(seen(0))).toMatch(/^The face is open at impact/);
    const aims = readMisses(seen(0.02)).find(({ id }) => id === 'aims right')!;
    expect(aims.drills.map(({ key }) => key)).toContain('aim-coin');
  });

  it('gives a mirrored player mirrored words, and the same sureness', () => {
    const fault = (sign: number) => with_({ face: { bias: sign * 0.02, spread: 0.012 } });
    const one = readMisses(known(fault(1), 'right')).find(({ id }) => id === 'push')!;
    const other = readMisses(known(fault(-1), 'left')).find(({ id }) => id === 'push')!;
    expect(one.seen).toContain('to the right (a push)');
    expect(other.seen).toContain('to the left (a push)');
    expect(Math.abs(one.probability - other.probability)).toBeLessThan(0.05);
    expect(other.drills.map(({ key }) => key)).toEqual(one.drills.map(({ key }) => key));
  });

  it('never offers a drill that makes any of the faults worse, and names those', () => {
    const push = readMisses(known(with_({ face: { bias: 0.02, spread: 0.012 } })));
    const finding = push.find(({ id }) => id === 'push')!;
    expect(finding.drills.length).toBeGreaterThan(0);
    for (const drill of finding.drills) expect(drill.avoid).not.toContain('push');
    expect(finding.avoid.map(({ key }) => key)).toContain('grip-end-guide');
  });

  it('names what contradicts itself: clear and missed, hit and holed, good when warm', () => {
    const counts = { both: 30, clearMissed: 20, hitHoled: 9 };
    const wider = { ratio: 1.5, larger: 0.93 };
    expect(found(known(GOOD, 'right', { ...counts, cold: wider, pressure: wider }))).toEqual(
      expect.arrayContaining(['clear and missed', 'hit and holed', 'cold', 'pressure']),
    );
    const few = { both: 6, clearMissed: 6, hitHoled: 6, cold: { ratio: 1.5, larger: 0.6 } };
    const ids = found(known(GOOD, 'right', few));
    for (const id of ['clear and missed', 'hit and holed', 'cold']) expect(ids).not.toContain(id);
  });

  it('asks for pace to be set again when the strike has become tighter', () => {
    const better = readMisses(known(GOOD, 'right', { strike: { ratio: 0.6, smaller: 0.97 } }));
    expect(better[0]).toMatchObject({ id: 'pace again', probability: 0.97 });
    expect(better[0]!.seen).toContain('40 % smaller');
    const hardly = { strike: { ratio: 0.95, smaller: 0.9 } };
    expect(found(known(GOOD, 'right', hardly))).not.toContain('pace again');
  });
});

describe('what it is worth', () => {
  const points = (bias: number, spread: number): SkillPoints => ({
    bias: Float64Array.from({ length: 40 }, () => bias),
    spread: Float64Array.from({ length: 40 }, (_, i) => spread * (0.9 + 0.005 * i)),
  });
  const pace = points(0, 0.1);

  it('falls with the distance, rises with skill, and keeps its band in order', () => {
    const [good, poor] = [points(0, 0.012), points(0, 0.03)];
    const distances = [1, 2, 4];
    const [a, b] = [good, poor].map((start) =>
      worthByDistance(DEFAULT_PUTT, start, pace, distances),
    );
    for (const [i, { made }] of a!.entries()) {
      expect(made.low).toBeLessThanOrEqual(made.middle);
      expect(made.middle).toBeLessThanOrEqual(made.high);
      expect(made.middle).toBeGreaterThan(b![i]!.made.middle);
      if (i > 0) expect(made.middle).toBeLessThan(a![i - 1]!.made.middle);
    }
  });

  it('lies where a steady player is known to lie at two metres', () => {
    const start = points(0.004, 0.015);
    const { made } = worthByDistance(DEFAULT_PUTT, start, pace, [2])[0]!;
    expect(made.middle).toBeGreaterThan(0.6);
    expect(made.middle).toBeLessThan(0.95);
  });

  it('takes the player’s own reads in place of an assumed error of them', () => {
    const start = points(0.002, 0.012);
    const made = (reading: SkillPoints | null) =>
      worthByDistance(DEFAULT_PUTT, start, pace, [2.4], reading)[0]!.made.middle;
    const [assumed, exact, poor] = [null, points(0, 0), points(-0.4, 0.3)].map(made);
    expect(exact).toBeGreaterThan(assumed!);
    expect(poor).toBeLessThan(assumed!);
    // By hand: a side slope of 1.5 % on this green breaks so far; two fifths too little and three tenths of spread are half of it.
    const { direction } = shoot({
      ...DEFAULT_PUTT,
      distance: 2.4,
      grade: 0.015,
      falls: Math.PI / 2,
    });
    const read = 0.5 * Math.abs(direction);
    const byHand = makeProbability(
      { ...DEFAULT_PUTT, distance: 2.4 },
      {
        direction: { bias: 0.002, spread: 0.012 },
        speed: { bias: 0, spread: 0.05 },
        read,
      },
    );
    expect(poor).toBeCloseTo(byHand, 1);
    const paid = gains({ ...DEFAULT_PUTT, distance: 2.4 }, start, pace, points(-0.4, 0.3));
    expect(paid).toHaveLength(3);
    expect(paid[0]!.skill).toBe('reading');
  });

  it('says which skill pays most: the poorer one', () => {
    const putt = { ...DEFAULT_PUTT, distance: 2.4 };
    const [first, second] = gains(putt, points(0, 0.03), points(0, 0.05));
    expect(first!.skill).toBe('start');
    expect(first!.gain).toBeGreaterThan(second!.gain);
    const [other] = gains(putt, points(0, 0.004), points(0, 0.3));
    expect(other!.skill).toBe('pace');
  });
});
