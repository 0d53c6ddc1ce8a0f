import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { Solver } from 'odex';
import { chance } from '@/core/simulate';
import { FOOT, INCH, toDegrees, toRadians } from '@/core/units';
import {
  DEFAULT_PUTT,
  FLAT,
  HOLE_RADIUS,
  aimFor,
  captureHalfWidth,
  captureSpeed,
  dropMarginOn,
  firstReach,
  makeMap,
  makeProbability,
  makeWindow,
  refuseTooFirm,
  marginOf,
  momentAt,
  nearestTo,
  planeOf,
  puttSchema,
  readTwoWay,
  restOf,
  rollPutt,
  rollingDeceleration,
  slopePull,
  trackOf,
  type Plane,
  type Putt,
  type Slope,
} from '.';

const slope = (percent: number, degrees: number): Slope => ({
  grade: percent / 100,
  falls: toRadians(degrees),
});
const eightFeet: Putt = {
  distance: 8 * FOOT,
  greenSpeed: 10 * FOOT,
  past: 18 * INCH,
  slope: FLAT,
  tiers: [],
};

const anyPutt = fc.record({
  distance: between(0.5, 12),
  greenSpeed: between(2, 4),
  past: between(0.05, 0.8),
  slope: fc.record({ grade: between(0, 0.03), falls: between(-Math.PI, Math.PI) }),
  tiers: fc.constant<Putt['tiers']>([]),
});

/** The equations of motion, for a general solver: position, velocity. */
const motion =
  ({ deceleration, pull, falls }: Plane) =>
  (_time: number, [, , u = 0, w = 0]: number[]) => {
    const speed = Math.hypot(u, w);
    return [
      u,
      w,
      -deceleration * (u / speed) + pull * Math.cos(falls),
      -deceleration * (w / speed) + pull * Math.sin(falls),
    ];
  };

describe('the roll on a plane', () => {
  it('agrees with a general solver on two thousand random greens, to 1e-6', () => {
    const random = chance(3);
    const between = (low: number, high: number) => low + (high - low) * random.uniform();
    let worst = 0;
    for (let i = 0; i < 2000; i++) {
      const plane = planeOf(between(1.2, 5), {
        grade: between(0, 0.08),
        falls: between(-Math.PI, Math.PI),
      });
      const speed = between(0.5, 4);
      const direction = between(-Math.PI, Math.PI);
      const track = trackOf(plane, { along: 0, across: 0, speed, direction });
      const moment = momentAt(track, between(0.05, 1.6));
      const solver = new Solver(4);
      solver.absoluteTolerance = solver.relativeTolerance = 1e-11;
      const start = [0, 0, speed * Math.cos(direction), speed * Math.sin(direction)];
      const [along = NaN, across = NaN, u = NaN, w = NaN] = solver.solve(
        motion(plane),
        0,
        start,
        moment.time,
      ).y;
      worst = Math.max(
        worst,
        Math.abs(along - moment.along),
        Math.abs(across - moment.across),
        Math.abs(u - moment.speed * Math.cos(moment.direction)),
        Math.abs(w - moment.speed * Math.sin(moment.direction)),
      );
    }
    expect(worst).toBeLessThan(1e-6);
  });

  it('keeps the energy balance: what is lost is the deceleration times the way', () => {
    fc.assert(
      fc.property(between(0, 0.03), between(-3, 3), between(-3, 3), (grade, falls, direction) => {
        const plane = planeOf(3, { grade, falls });
        const track = trackOf(plane, { along: 0, across: 0, speed: 2, direction });
        const end = momentAt(track, 1);
        // The way, by many short chords.
        let way = 0;
        for (let i = 0; i < 2000; i++) {
          const a = momentAt(track, i / 2000);
          const b = momentAt(track, (i + 1) / 2000);
          way += Math.hypot(b.along - a.along, b.across - a.across);
        }
        const fallen = end.along * Math.cos(falls) + end.across * Math.sin(falls);
        const lost = (2 ** 2 - end.speed ** 2) / 2 + plane.pull * fallen;
        expect(lost).toBeCloseTo(plane.deceleration * way, 5);
      }),
      { numRuns: 40 },
    );
  });

  it('is flat when the grade goes to nothing, without a jump', () => {
    const flat = momentAt(
      trackOf(planeOf(3, FLAT), { along: 0, across: 0, speed: 2, direction: 0.3 }),
      0.8,
    );
    for (const grade of [1e-4, 1e-7, 1e-10, 1e-14]) {
      const plane = planeOf(3, { grade, falls: 1.1 });
      const tilted = momentAt(
        trackOf(plane, { along: 0, across: 0, speed: 2, direction: 0.3 }),
        0.8,
      );
      expect(Math.abs(tilted.along - flat.along)).toBeLessThan(30 * grade + 1e-14);
      expect(Math.abs(tilted.across - flat.across)).toBeLessThan(30 * grade + 1e-14);
    }
  });

  it('is the simple form straight up and straight down', () => {
    const plane = planeOf(3, slope(2, 0));
    const { deceleration: a, pull: b } = plane;
    const at = (direction: number) =>
      restOf(trackOf(plane, { along: 0, across: 0, speed: 2, direction }))!;
    expect(at(0).along).toBeCloseTo(2 ** 2 / (2 * (a - b)), 10);
    expect(at(Math.PI).along).toBeCloseTo(-(2 ** 2) / (2 * (a + b)), 10);
    expect(at(Math.PI).across).toBeCloseTo(0, 10);
    expect(at(0).time).toBeCloseTo(2 / (a - b), 10);
  });

  it.each([1, 2])('has no hole in it where deceleration over pull is 1/%d', (times) => {
    // The pull that makes it so, and pulls a little either side, give nearly the same place.
    const deceleration = rollingDeceleration(3);
    const place = (share: number) => {
      const plane = { deceleration, pull: times * deceleration * share, falls: 0.4 };
      return momentAt(trackOf(plane, { along: 0, across: 0, speed: 1.5, direction: 1.2 }), 0.9);
    };
    const exact = place(1);
    for (const near of [1 - 1e-7, 1 + 1e-7]) {
      expect(place(near).along).toBeCloseTo(exact.along, 4);
      expect(place(near).across).toBeCloseTo(exact.across, 4);
      expect(place(near).time).toBeCloseTo(exact.time, 4);
    }
  });

  it('says that a ball does not stop on a green too steep for it', () => {
    const steep = planeOf(5, slope(8, 0));
    expect(steep.pull).toBeGreaterThan(steep.deceleration);
    expect(restOf(trackOf(steep, { along: 0, across: 0, speed: 1, direction: 0.2 }))).toBeNull();
    const putt: Putt = { distance: 3, greenSpeed: 5, past: 0.3, slope: slope(8, 0), tiers: [] };
    expect(rollPutt(putt, 1, 0.3)).toMatchObject({ result: 'runs away', rest: null });
  });

  it('comes to rest where the moments lead', () => {
    fc.assert(
      fc.property(between(0, 0.02), between(-3, 3), between(-3, 3), (grade, falls, direction) => {
        const track = trackOf(planeOf(3, { grade, falls }), {
          along: 1,
          across: 2,
          speed: 2,
          direction,
        });
        const rest = restOf(track)!;
        const late = momentAt(track, 60);
        expect(late.along).toBeCloseTo(rest.along, 6);
        expect(late.across).toBeCloseTo(rest.across, 6);
        expect(late.time).toBeCloseTo(rest.time, 6);
      }),
    );
  });

  it('finds where a line is crossed', () => {
    fc.assert(
      fc.property(between(0, 0.03), between(-3, 3), between(0.1, 1), (grade, falls, line) => {
        const track = trackOf(planeOf(3, { grade, falls }), {
          along: 0,
          across: 0,
          speed: 2.5,
          direction: 0.1,
        });
        const lambda = firstReach(
          track,
          ({ along }) => along - line,
          ({ direction }) => Math.cos(direction),
        );
        expect(momentAt(track, lambda!).along).toBeCloseTo(line, 9);
      }),
    );
  });

  it('finds the nearest point: no sampled one is nearer', () => {
    fc.assert(
      fc.property(anyPutt, between(-0.05, 0.05), between(0.8, 1.4), (putt, turn, harder) => {
        const aim = aimOrNull(putt);
        if (!aim) return;
        const plane = planeOf(putt.greenSpeed, putt.slope);
        const track = trackOf(plane, {
          along: 0,
          across: 0,
          speed: aim.startSpeed * harder,
          direction: aim.direction + turn,
        });
        const hole = { along: putt.distance, across: 0 };
        const off = (moment: { along: number; across: number }) =>
          Math.hypot(moment.along - hole.along, moment.across);
        const { lambda, moment } = nearestTo(track, hole);
        for (let i = 0; i <= 200; i++) {
          expect(off(momentAt(track, (lambda * i) / 200))).toBeGreaterThanOrEqual(
            off(moment) - 1e-9,
          );
        }
        expect(off(momentAt(track, lambda + 1e-4))).toBeGreaterThanOrEqual(off(moment) - 1e-9);
      }),
    );
  });

  it('refuses greens that are not believed, by name', () => {
    expect(() => rollingDeceleration(0.9)).toThrow(
      'A green speed of 0.9 m is out of range: use 1.2 m to 5 m.',
    );
    expect(() => rollingDeceleration(NaN)).toThrow(RangeError);
    expect(() => slopePull(0.09)).toThrow('A slope of 9.0 % is out of range: use 0 % to 8 %.');
  });
});

/** The aim, or null where the slope cannot hold the pace. */
function aimOrNull(putt: Putt) {
  try {
    return aimFor(putt);
  } catch {
    return null;
  }
}

describe('the aim', () => {
  it.each([
    [2, -90, 1.7852, 4.806, -8.77],
    [Math.hypot(2, 2), -45, 1.583, 6.03, null],
    [Math.hypot(2, 2), -135, 1.967, 4.01, null],
  ])('of 8 ft falling %d %% towards %d°', (percent, falls, speed, right, arriving) => {
    const aim = aimFor({ ...eightFeet, slope: slope(percent, falls) });
    expect(aim.startSpeed).toBeCloseTo(speed, 3);
    expect(toDegrees(aim.direction)).toBeCloseTo(right, 2);
    if (arriving !== null) expect(toDegrees(aim.arrivalDirection)).toBeCloseTo(arriving, 2);
  });

  it('tells the side aim in inches and cups', () => {
    const { beside, cups } = aimFor({ ...eightFeet, slope: slope(2, -90) });
    expect(beside / INCH).toBeCloseTo(8.07, 2);
    expect(cups).toBeCloseTo((8.07 * 25.4) / 108, 2);
  });

  it('rolls over the hole’s centre at the asked speed', () => {
    let solved = 0;
    fc.assert(
      fc.property(anyPutt, (putt) => {
        const aim = aimOrNull(putt);
        if (!aim) return;
        solved += 1;
        const plane = planeOf(putt.greenSpeed, putt.slope);
        const track = trackOf(plane, {
          along: 0,
          across: 0,
          speed: aim.startSpeed,
          direction: aim.direction,
        });
        const { moment } = nearestTo(track, { along: putt.distance, across: 0 });
        expect(Math.hypot(moment.along - putt.distance, moment.across)).toBeLessThan(1e-7);
        expect(moment.speed).toBeCloseTo(Math.sqrt(2 * plane.deceleration * putt.past), 6);
      }),
      { numRuns: 300 },
    );
    expect(solved).toBeGreaterThan(270);
  });

  it('mirrors: falling right is falling left seen in a mirror', () => {
    fc.assert(
      fc.property(anyPutt, (putt) => {
        const aim = aimOrNull(putt);
        const mirrored = aimOrNull({ ...putt, slope: { ...putt.slope, falls: -putt.slope.falls } });
        if (!aim || !mirrored) return expect(mirrored).toBe(aim);
        expect(mirrored.direction).toBeCloseTo(-aim.direction, 9);
        expect(mirrored.startSpeed).toBeCloseTo(aim.startSpeed, 9);
      }),
    );
  });

  it('uphill starts faster and breaks less than downhill at the same pace', () => {
    const side = (falls: number) => aimFor({ ...eightFeet, slope: slope(2.5, falls) });
    expect(side(-135).startSpeed).toBeGreaterThan(side(-45).startSpeed);
    expect(side(-135).direction).toBeLessThan(side(-45).direction);
  });

  it('has its highest point where the curve runs along the line, farther out than its neighbours', () => {
    const putt = { ...eightFeet, slope: slope(2, -90) };
    const { highest, direction, startSpeed } = aimFor(putt);
    const track = trackOf(planeOf(putt.greenSpeed, putt.slope), {
      along: 0,
      across: 0,
      speed: startSpeed,
      direction,
    });
    for (let i = 0; i <= 100; i++) {
      expect(momentAt(track, i / 100).across).toBeLessThanOrEqual(highest.across + 1e-12);
    }
    expect(highest.across).toBeGreaterThan(0.05);
  });

  it('refuses a pace that the slope cannot hold', () => {
    const slide: Putt = { distance: 6, greenSpeed: 4.5, past: 0.1, slope: slope(6, 0), tiers: [] };
    expect(() => aimFor(slide)).toThrow('The slope cannot hold that pace');
  });
});

describe('the hole', () => {
  it('takes a ball at 18 in past on a 10 ft green on 40.60 mm either side', () => {
    const { aim, shareOfHole } = makeWindow(eightFeet);
    expect(aim.arrivalSpeed).toBeCloseTo(0.7088, 4);
    expect(captureHalfWidth(aim.arrivalSpeed) * 1000).toBeCloseTo(40.6, 2);
    expect(shareOfHole).toBeCloseTo(0.752, 3);
  });

  it('has offset and speed as inverses of each other', () => {
    fc.assert(
      fc.property(between(0, HOLE_RADIUS), (offset) => {
        expect(captureHalfWidth(captureSpeed(offset))).toBeCloseTo(offset, 8);
      }),
    );
  });
});

describe('the make window', () => {
  it.each([
    ['flat', 0, 0, 0.954, 0.954, -0.093, 0.295],
    ['2 % to the left', 2, -90, 0.976, 0.987, -0.049, 0.058],
  ])('of 8 ft, %s', (_what, percent, falls, left, right, slower, faster) => {
    const window = makeWindow({ ...eightFeet, slope: slope(percent, falls) });
    expect(toDegrees(window.left)).toBeCloseTo(left, 3);
    expect(toDegrees(window.right)).toBeCloseTo(right, 3);
    expect(window.slowest / window.aim.startSpeed - 1).toBeCloseTo(slower, 3);
    expect(window.fastest / window.aim.startSpeed - 1).toBeCloseTo(faster, 3);
  });

  it('is exactly where holed turns into missed', () => {
    fc.assert(
      fc.property(anyPutt, (putt) => {
        if (!aimOrNull(putt)) return;
        const { aim, left, right, slowest, fastest } = makeWindow(putt);
        const { direction, startSpeed } = aim;
        const holed = (speed: number, angle: number) =>
          rollPutt(putt, speed, angle).result === 'holed';
        // The window is found by the roll written out for speed, which agrees with the other to 3e-7.
        const edge = 1e-6;
        expect(holed(startSpeed, direction)).toBe(true);
        expect(holed(startSpeed, direction + right - edge)).toBe(true);
        expect(holed(startSpeed, direction + right + edge)).toBe(false);
        expect(holed(startSpeed, direction - left + edge)).toBe(true);
        expect(holed(startSpeed, direction - left - edge)).toBe(false);
        expect(holed(slowest + edge, direction)).toBe(true);
        expect(holed(slowest - edge, direction)).toBe(false);
        expect(holed(fastest - edge, direction)).toBe(true);
        expect(holed(fastest + edge, direction)).toBe(false);
      }),
    );
  });

  it('shrinks with distance and with pace on the flat', () => {
    fc.assert(
      fc.property(anyPutt, between(0.1, 0.4), (some, more) => {
        const putt = { ...some, slope: FLAT, tiers: [] };
        expect(makeWindow({ ...putt, distance: putt.distance + more }).right).toBeLessThan(
          makeWindow(putt).right,
        );
        expect(makeWindow({ ...putt, past: putt.past + more }).right).toBeLessThan(
          makeWindow(putt).right,
        );
      }),
    );
  });

  it('refuses a pace too firm to drop', () => {
    const firm = { ...DEFAULT_PUTT, greenSpeed: 2, past: 3 };
    expect(() => refuseTooFirm(firm)).toThrow('cannot drop');
    expect(() => refuseTooFirm(DEFAULT_PUTT)).not.toThrow();
    expect(makeWindow(firm)).toMatchObject({ left: 0, right: 0, shareOfHole: 0 });
  });
});

describe('the drop margin', () => {
  it('is that of the general way to the nearest point, on ten thousand random starts', () => {
    const random = chance(29);
    const between = (low: number, high: number) => low + (high - low) * random.uniform();
    let worst = 0;
    for (let i = 0; i < 10_000; i++) {
      const distance = between(0.4, 12);
      const plane = planeOf(between(1.5, 4.5), {
        grade: between(0, 0.06),
        falls: between(-Math.PI, Math.PI),
      });
      const speed = between(0.3, 4);
      const direction = between(-0.4, 0.4);
      const hole = { along: distance, across: 0 };
      const { moment } = nearestTo(trackOf(plane, { along: 0, across: 0, speed, direction }), hole);
      const offset = Math.hypot(moment.along - distance, moment.across);
      const quick = dropMarginOn(plane, distance)(speed, direction);
      // Away from the hole only the sign matters.
      if (offset > 2 * HOLE_RADIUS) expect(quick).toBeLessThan(0);
      else worst = Math.max(worst, Math.abs(quick - marginOf(offset, moment.speed)));
    }
    // In m²: at the rim this is a tenth of a micrometre.
    expect(worst).toBeLessThan(1e-8);
  });
});

describe('one putt', () => {
  const { aim } = makeWindow(eightFeet);

  it('is holed on its aim, short when slower, past when faster, beside when turned', () => {
    expect(rollPutt(eightFeet, aim.startSpeed, 0).result).toBe('holed');
    expect(rollPutt(eightFeet, aim.startSpeed * 0.8, 0)).toMatchObject({
      result: 'short',
      side: 'middle',
    });
    expect(rollPutt(eightFeet, aim.startSpeed, 0.05)).toMatchObject({
      result: 'past',
      side: 'right',
    });
    expect(rollPutt(eightFeet, aim.startSpeed, -0.05)).toMatchObject({
      result: 'past',
      side: 'left',
    });
  });

  it('that is too fast for the middle of the hole skips on, and stops nearer than without a hole', () => {
    const speed = 2.6;
    const { result, rest } = rollPutt(eightFeet, speed, 0);
    expect(result).toBe('past');
    expect(rest!.along).toBeGreaterThan(eightFeet.distance);
    expect(rest!.along).toBeLessThan(speed ** 2 / (2 * rollingDeceleration(eightFeet.greenSpeed)));
  });

  it('that misses the hole altogether rolls as if there were none', () => {
    const { rest } = rollPutt(eightFeet, 2, 0.1);
    const rolled = 2 ** 2 / (2 * rollingDeceleration(eightFeet.greenSpeed));
    expect(Math.hypot(rest!.along, rest!.across)).toBeCloseTo(rolled, 6);
  });
});

describe('the make map', () => {
  it('is holed exactly where a putt is', () => {
    const putt = { ...eightFeet, slope: slope(2, -90) };
    const { aim } = makeWindow(putt);
    const map = makeMap(
      putt,
      { directions: [aim.direction - 0.04, aim.direction + 0.04], speeds: [1.4, 2.4] },
      { columns: 25, rows: 20 },
    );
    let cell = 0;
    let inside = 0;
    for (const speed of map.speeds) {
      for (const direction of map.directions) {
        const holed = rollPutt(putt, speed, direction).result === 'holed';
        expect(map.holed[cell++]).toBe(Number(holed));
        inside += Number(holed);
      }
    }
    expect(inside).toBeGreaterThan(10);
  });
});

describe('the make probability', () => {
  const skill = {
    direction: { bias: toRadians(0.2), spread: toRadians(0.9) },
    speed: { bias: 0.01, spread: 0.07 },
    read: toRadians(0.3),
  };

  it.each([
    ['flat 8 ft', eightFeet],
    ['sloping 8 ft', { ...eightFeet, slope: slope(2, -90) }],
    ['downhill 15 ft', { ...eightFeet, distance: 15 * FOOT, slope: slope(1.5, -30) }],
  ])('of %s equals a simulation within its error', (_what, putt) => {
    const random = chance(17);
    const { direction, startSpeed } = aimFor(putt);
    const putts = 20_000;
    let holed = 0;
    for (let i = 0; i < putts; i++) {
      const angle =
        direction +
        skill.direction.bias +
        skill.direction.spread * random.normal() +
        skill.read * random.normal();
      const speed = startSpeed * (1 + skill.speed.bias + skill.speed.spread * random.normal());
      holed += Number(rollPutt(putt, speed, angle).result === 'holed');
    }
    const share = holed / putts;
    const error = Math.sqrt((share * (1 - share)) / putts);
    expect(Math.abs(makeProbability(putt, skill) - share)).toBeLessThan(4 * error + 0.002);
  });

  it('falls with distance and rises with skill', () => {
    const at = (distance: number) => makeProbability({ ...eightFeet, distance }, skill);
    expect(at(1.5)).toBeGreaterThan(at(3));
    expect(at(3)).toBeGreaterThan(at(6));
    const better = { ...skill, direction: { bias: 0, spread: toRadians(0.5) } };
    expect(makeProbability(eightFeet, better)).toBeGreaterThan(makeProbability(eightFeet, skill));
  });
});

describe('two rolls of one release', () => {
  it('give back the green and the slope they were rolled on', () => {
    fc.assert(
      fc.property(between(2, 4.5), between(0, 0.04), (greenSpeed, grade) => {
        const { deceleration: a, pull: b } = planeOf(greenSpeed, { grade, falls: 0 });
        if (b > 0.9 * a) return;
        const roll = (slowing: number) => 1.83 ** 2 / (2 * slowing);
        const read = readTwoWay(roll(a + b), roll(a - b));
        expect(read.greenSpeed).toBeCloseTo(greenSpeed, 9);
        expect(read.grade).toBeCloseTo(grade, 9);
      }),
    );
  });

  it('refuse a roll that is longer uphill, and a green that is not believed', () => {
    expect(() => readTwoWay(3, 2)).toThrow('cannot be longer than the downhill roll');
    expect(() => readTwoWay(0.5, 0.6)).toThrow('it must be 1.2 m to 5 m');
  });
});

describe('puttSchema', () => {
  it.each([
    ['distance', 0],
    ['distance', 1000],
    ['greenSpeed', 0.5],
    ['past', -1],
  ] as const)('refuses a %s of %d', (field, value) => {
    const parsed = puttSchema.safeParse({ ...DEFAULT_PUTT, [field]: value });
    expect(parsed.error?.issues[0]?.path).toEqual([field]);
  });

  it('takes a putt without a slope as flat', () => {
    const old: Partial<Putt> = { ...DEFAULT_PUTT };
    delete old.slope;
    expect(puttSchema.parse(old)).toEqual(DEFAULT_PUTT);
  });
});
