import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { chance } from '@/core/simulate';
import { FOOT, INCH, toRadians } from '@/core/units';
import {
  DEFAULT_PUTT,
  FLAT,
  PACES,
  aimFor,
  breakWords,
  currentOf,
  contradiction,
  expectedPutts,
  fallsWords,
  makeProbability,
  onOtherGreen,
  paceOf,
  parseBreak,
  parseFalls,
  readRolls,
  rollPutt,
  slopeForBreak,
  typedFalls,
  type Putt,
  type Skill,
} from '.';

const eightFeet: Putt = { ...DEFAULT_PUTT, past: 18 * INCH };
const left = (percent: number) => ({ grade: percent / 100, falls: toRadians(-90) });

describe('schools of pace', () => {
  it('are told from each other by how far past they run', () => {
    for (const { id, past } of PACES) expect(paceOf(past(8), 8)).toBe(id);
    expect(paceOf(0.31, 8)).toBeNull();
    expect(PACES.find(({ id }) => id === 'tenth')!.past(9)).toBeCloseTo(0.9, 12);
  });
});

describe('a break in words', () => {
  it.each([
    // From the edge of the hole, which is half a hole from its middle.
    ['a cup right to left', 1.5, 'left'],
    ['2 cups left to right', 2.5, 'right'],
    ['2 cups outside, left to right', 2.5, 'right'],
    ['1.5 cups R to L', 2, 'left'],
    ['1,5 cups, l>r', 2, 'right'],
    ['half a cup right to left', 1, 'left'],
    ['one and a half cups left to right', 2, 'right'],
    ['a cup and a half right to left', 2, 'left'],
    ['two holes l - r', 2.5, 'right'],
    ['3 r to l', 3.5, 'left'],
    ['a cup outside the edge, r to l', 1.5, 'left'],
    ['the edge, right to left', 0.5, 'left'],
    ['just outside the right edge, right to left', 0.6, 'left'],
    ['inside the edge l to r', 0.25, 'right'],
    ['0.2 cups inside, l to r', 0.3, 'right'],
    ['straight', 0, 'left'],
  ] as const)('reads %p', (text, cups, towards) => {
    const read = parseBreak(text)!;
    expect(read.cups).toBeCloseTo(cups, 12);
    expect(read.towards).toBe(towards);
  });

  it.each([
    '',
    'a lot',
    'right-to-left',
    'cups',
    'many cups right to left',
    '2 cups',
    '2 cups inside r to l',
    'just outside the left edge, right to left',
  ])('does not guess at %p', (text) => expect(parseBreak(text)).toBeNull());

  it('says a break so that it is read back', () => {
    fc.assert(
      fc.property(fc.integer({ min: -60, max: 60 }), (tenths) => {
        const read = parseBreak(breakWords(tenths / 10))!;
        const said = read.towards === 'left' ? read.cups : -read.cups;
        expect(said).toBeCloseTo(tenths / 10, 9);
      }),
    );
  });
});

describe('the slope for a break', () => {
  it('breaks as much as was said, to the side that was said', () => {
    fc.assert(
      fc.property(
        between(0.1, 3),
        fc.constantFrom('left' as const, 'right' as const),
        between(1.5, 6),
        (cups, towards, distance) => {
          const putt = { ...eightFeet, distance };
          const slope = slopeForBreak(putt, cups, towards);
          // Aimed to the other side than it breaks.
          const { cups: found } = aimFor({ ...putt, slope });
          expect(found).toBeCloseTo(towards === 'left' ? cups : -cups, 5);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('keeps the putt uphill or downhill as it was read', () => {
    const uphill = { ...eightFeet, slope: { grade: 0.01, falls: toRadians(-135) } };
    expect(slopeForBreak(uphill, 1, 'left').falls).toBeCloseTo(toRadians(-135), 12);
    expect(slopeForBreak(uphill, 1, 'right').falls).toBeCloseTo(toRadians(135), 12);
    expect(slopeForBreak(eightFeet, 0, 'left').grade).toBeLessThan(1e-8);
  });

  it('says how much break is believed when more is asked', () => {
    expect(() => slopeForBreak({ ...eightFeet, distance: 0.6 }, 9, 'left')).toThrow(
      'would need a slope above 8 %',
    );
  });
});

describe('another green speed', () => {
  it('changes nothing when it is the same', () => {
    const same = onOtherGreen({ ...eightFeet, slope: left(2) }, eightFeet.greenSpeed);
    expect(same.outcome.result).toBe('holed');
    expect(same.past).toBeNull();
  });

  it('leaves the ball short on a slower green and runs it past on a faster one', () => {
    const thirty = { ...eightFeet, distance: 30 * FOOT };
    const slow = onOtherGreen(thirty, 8 * FOOT);
    const fast = onOtherGreen(thirty, 15 * FOOT);
    // On the flat the roll is v²/2a, and a goes as 1/S: the whole roll scales with the speed.
    const whole = thirty.distance + thirty.past;
    expect(slow.past).toBeCloseTo(whole * 0.8 - thirty.distance, 6);
    // It met the hole too fast to drop, so it stops nearer than it would without a hole.
    expect(fast.past!).toBeLessThan(whole * 1.5 - thirty.distance);
    expect(fast.past!).toBeGreaterThan(0.5);
    expect(fast.needed!.startSpeed).toBeLessThan(slow.needed!.startSpeed);
  });

  it('says that the other green cannot hold the pace', () => {
    const down = { ...eightFeet, past: 0.05, slope: { grade: 0.06, falls: 0 } };
    expect(onOtherGreen({ ...down, greenSpeed: 2.4 }, 4.9).needed).toBeNull();
  });
});

describe('expected putts', () => {
  const player: Skill = {
    direction: { bias: 0.004, spread: 0.02 },
    speed: { bias: 0.01, spread: 0.09 },
    read: 0.01,
  };
  const twenty: Putt = { ...eightFeet, distance: 20 * FOOT, slope: left(1.5) };

  it('adds up, and its first chance is the make probability', () => {
    const { one, two, more, mean } = expectedPutts(twenty, player);
    expect(one + two + more).toBeCloseTo(1, 9);
    expect(one).toBe(makeProbability(twenty, player));
    expect(mean).toBeCloseTo(one + 2 * two + 3 * more, 9);
  });

  it('is what a simulated player takes, each second putt played from where the first stopped', () => {
    const random = chance(11);
    const rounds = 3000;
    const start = (putt: Putt) => {
      const { direction, startSpeed } = aimFor(putt);
      const { direction: aside, speed, read } = player;
      return rollPutt(
        putt,
        startSpeed * (1 + speed.bias + speed.spread * random.normal()),
        direction + aside.bias + Math.hypot(aside.spread, read) * random.normal(),
      );
    };
    const counts = [0, 0, 0];
    for (let i = 0; i < rounds; i++) {
      const first = start(twenty);
      if (first.result === 'holed') counts[0]!++;
      else {
        const rest = first.rest!;
        const aside = Math.atan2(-rest.across, twenty.distance - rest.along);
        const second = start({
          ...twenty,
          distance: Math.max(0.3, Math.hypot(twenty.distance - rest.along, rest.across)),
          slope: { ...twenty.slope, falls: twenty.slope.falls - aside },
        });
        counts[second.result === 'holed' ? 1 : 2]!++;
      }
    }
    const { one, two, more } = expectedPutts(twenty, player);
    // Three standard errors of the simulation.
    const error = (share: number) => 3 * Math.sqrt((share * (1 - share)) / rounds);
    expect(Math.abs(one - counts[0]! / rounds)).toBeLessThan(error(one));
    expect(Math.abs(two - counts[1]! / rounds)).toBeLessThan(error(two));
    expect(Math.abs(more - counts[2]! / rounds)).toBeLessThan(error(more));
  });

  it('grows with the distance and is one for a putt that cannot be missed', () => {
    const near = expectedPutts({ ...eightFeet, distance: 0.4 }, player);
    const far = expectedPutts({ ...eightFeet, distance: 12, slope: FLAT }, player);
    expect(near.mean).toBeLessThan(1.01);
    expect(far.mean).toBeGreaterThan(expectedPutts(twenty, player).mean);
  });
});

describe('what is known of a green', () => {
  const on = (day: number) => new Date(Date.UTC(2026, 9, day));
  const left2 = left(2);
  const readings = [
    { at: on(3), spotId: 'a', greenSpeed: 3, slope: left2 },
    { at: on(9), spotId: null, greenSpeed: 2.8, slope: null },
    { at: on(5), spotId: 'b', greenSpeed: 2.9, slope: FLAT },
    { at: on(1), spotId: 'a', greenSpeed: 3.1, slope: left(1) },
  ];

  it('is its newest speed, and the newest slope of the spot', () => {
    expect(currentOf(readings, 'a')).toEqual({ greenSpeed: 2.8, speedAt: on(9), slope: left2 });
    expect(currentOf(readings, 'b')!.slope).toEqual(FLAT);
    expect(currentOf(readings, 'never read')!.slope).toBeNull();
    expect(currentOf(readings, null)).toEqual({ greenSpeed: 2.8, speedAt: on(9), slope: null });
    expect(currentOf([], 'a')).toBeNull();
  });

  it('does not depend on the order in which it was written down', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(readings, { minLength: 4 }), (shuffled) => {
        expect(currentOf(shuffled, 'a')).toEqual(currentOf(readings, 'a'));
      }),
    );
  });

  it('takes speed and slope from two rolls, falling the way the long one went', () => {
    // Up 2.5 m, down 3.75 m, by hand: S = 2·2.5·3.75/6.25 = 3 m; b/a = 1.25/6.25 = 0.2;
    // a = 1.83²/6 = 0.55815; sin = 0.2·0.55815·7/(5·9.80665) = 0.015936.
    const { greenSpeed, slope } = readRolls({ up: 2.5, down: 3.75, way: 1.2 });
    expect(greenSpeed).toBeCloseTo(3, 12);
    expect(slope.grade).toBeCloseTo(0.015938, 6);
    expect(slope.falls).toBe(1.2);
    expect(readRolls({ up: 3, down: 3, way: 1.2 }).slope).toEqual(FLAT);
  });
});

describe('the way a green falls', () => {
  it.each([
    ['left', -90],
    ['Downhill, left', -45],
    ['right downhill', 45],
    ['up hill', 180],
    ['70° left', -70],
    ['110 right', 110],
    ['5 o’clock', 150],
    ['to 4:30', 135],
    ['9', -90],
    ['12 o’clock', 0],
  ])('reads %p as %d°', (text, degrees) => {
    expect(parseFalls(text)! / toRadians(1)).toBeCloseTo(degrees, 9);
  });

  it.each(['', 'sideways', '200° left', 'left left right', '13 o’clock', '70°'])(
    'does not guess at %p',
    (text) => expect(parseFalls(text)).toBeNull(),
  );

  it('is typed so that it is read back to the degree, and said so to the half hour', () => {
    fc.assert(
      fc.property(fc.integer({ min: -179, max: 180 }), (degrees) => {
        const falls = toRadians(degrees);
        expect(parseFalls(typedFalls(falls))! / toRadians(1)).toBeCloseTo(degrees, 9);
        const said = parseFalls(fallsWords(falls))!;
        expect(Math.cos(said - falls)).toBeGreaterThan(Math.cos(toRadians(7.6)));
      }),
    );
  });
});

describe('two readings of one slope', () => {
  const at = (minute: number) => new Date(Date.UTC(2026, 5, 1, 9, minute));
  const read = (minute: number, spotId: string, grade: number, falls: number) => ({
    ...{ at: at(minute), spotId, slope: { grade, falls } },
  });

  it('contradict each other when one was taken the wrong way round', () => {
    // 2 % to the left against 2 % to the right: the planes are 4 % apart.
    const found = contradiction(
      [read(0, 'a', 0.02, -Math.PI / 2), read(3, 'a', 0.02, Math.PI / 2)],
      'a',
    )!;
    expect(found.by).toBeCloseTo(0.04, 12);
    expect([found.newer, found.older]).toEqual([at(3), at(0)]);
  });

  it('agree within what a level is off by, and are told apart by spot', () => {
    expect(contradiction([read(0, 'a', 0.02, 1), read(3, 'a', 0.023, 1.1)], 'a')).toBeNull();
    expect(contradiction([read(0, 'a', 0.02, 1), read(3, 'b', 0.02, -2)], 'a')).toBeNull();
    expect(contradiction([read(0, 'a', 0.02, 1)], 'a')).toBeNull();
  });
});
