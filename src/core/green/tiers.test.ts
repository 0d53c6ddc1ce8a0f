import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { Solver } from 'odex';
import { toRadians } from '@/core/units';
import {
  DEFAULT_PUTT,
  FLAT,
  aimFor,
  isLevel,
  makeMap,
  makeWindow,
  nearestOnRoute,
  planeOf,
  puttSchema,
  rollPutt,
  routeAt,
  routeOf,
  routePoints,
  stretchesOf,
  trackOf,
  momentAt,
  type Plane,
  type Putt,
} from '.';

const slope = (percent: number, degrees: number) => ({
  grade: percent / 100,
  falls: toRadians(degrees),
});
const anySlope = fc.record({ grade: between(0, 0.03), falls: between(-Math.PI, Math.PI) });
/** Greens that a ball may cross without running away: at most 3 % on at most 3 m of speed. */
const anyTiered: fc.Arbitrary<Putt> = fc
  .record({
    distance: between(2, 9),
    greenSpeed: between(2, 3),
    past: between(0.1, 0.8),
    slope: anySlope,
    first: between(0.2, 0.5),
    second: between(0.55, 0.9),
    slopes: fc.array(anySlope, { minLength: 1, maxLength: 2 }),
  })
  .map(({ first, second, slopes, ...putt }) => ({
    ...putt,
    tiers: slopes.map((one, i) => ({
      from: (i === 0 ? first : second) * putt.distance,
      slope: one,
    })),
  }));

/** A tier: 2 % up from the ball, then level with a fall to the left around the hole. */
const step: Putt = {
  distance: 6,
  greenSpeed: 3,
  past: 0.45,
  slope: slope(2, 180),
  tiers: [{ from: 3, slope: slope(1.5, -90) }],
};

/** Position and velocity after the same roll by a general solver, plane by plane, each border found by halving. */
function stepped(planes: { until: number; plane: Plane }[], start: number[], upTo: number) {
  let state = start;
  for (const { until, plane } of planes) {
    const edge = Math.min(until, upTo);
    const motion = (_time: number, [, , u = 0, w = 0]: number[]) => {
      const speed = Math.hypot(u, w);
      return [
        u,
        w,
        -plane.deceleration * (u / speed) + plane.pull * Math.cos(plane.falls),
        -plane.deceleration * (w / speed) + plane.pull * Math.sin(plane.falls),
      ];
    };
    const solver = new Solver(4);
    solver.absoluteTolerance = solver.relativeTolerance = 1e-11;
    const after = (time: number) => solver.solve(motion, 0, state, time).y;
    let [low, high] = [0, 0.05];
    while (after(high)[0]! < edge) [low, high] = [high, high + 0.05];
    for (let halving = 0; halving < 40; halving++) {
      const middle = (low + high) / 2;
      if (after(middle)[0]! < edge) low = middle;
      else high = middle;
    }
    state = after(high);
    if (edge === upTo) return state;
  }
  return state;
}

describe('a roll over tiers', () => {
  it('agrees with a general solver run plane by plane, to 1e-6', () => {
    fc.assert(
      fc.property(anyTiered, (putt) => {
        const aim = aimFor(putt);
        const start = { along: 0, across: 0, speed: aim.startSpeed, direction: aim.direction };
        const stretches = stretchesOf(putt);
        const there = routeAt(routeOf(stretches, start), putt.distance)!;
        const [along, across, u, w] = stepped(
          stretches,
          [
            0,
            0,
            aim.startSpeed * Math.cos(aim.direction),
            aim.startSpeed * Math.sin(aim.direction),
          ],
          putt.distance,
        );
        expect(Math.abs(there.along - along!)).toBeLessThan(1e-6);
        expect(Math.abs(there.across - across!)).toBeLessThan(1e-6);
        expect(Math.abs(there.speed - Math.hypot(u!, w!))).toBeLessThan(1e-6);
      }),
      { numRuns: 120 },
    );
  });

  it('is the roll on one plane when every plane is the same', () => {
    const plane = planeOf(3, slope(1.5, -60));
    const start = { along: 0, across: 0, speed: 2.2, direction: 0.1 };
    const same = slope(1.5, -60);
    const cut = stretchesOf({
      greenSpeed: 3,
      slope: same,
      tiers: [
        { from: 1, slope: same },
        { from: 2, slope: same },
      ],
    });
    const route = routeOf(cut, start);
    expect(route.legs).toHaveLength(3);
    const whole = trackOf(plane, start);
    for (const along of [0.5, 1.5, 2.5]) {
      const here = routeAt(route, along)!;
      const there = routeAt({ legs: [{ track: whole, end: 5 }], rest: null }, along)!;
      expect(here.across).toBeCloseTo(there.across, 9);
      expect(here.speed).toBeCloseTo(there.speed, 9);
    }
    expect(route.rest!.along).toBeCloseTo(momentAt(whole, 40).along, 6);
  });

  it('comes back down a tier that it does not climb', () => {
    const stretches = stretchesOf({
      greenSpeed: 3.5,
      slope: FLAT,
      tiers: [{ from: 1, slope: slope(8, 180) }],
    });
    const slow = routeOf(stretches, { along: 0, across: 0, speed: 1.35, direction: 0.05 });
    expect(slow.legs.length).toBeGreaterThan(2);
    expect(slow.rest!.along).toBeLessThan(1);
  });

  it('draws points that begin at the ball, run on without a jump and end where asked', () => {
    const aim = aimFor(step);
    const points = routePoints(
      routeOf(stretchesOf(step), {
        along: 0,
        across: 0,
        speed: aim.startSpeed,
        direction: aim.direction,
      }),
      step.distance,
    );
    expect(points[0]).toEqual({ along: 0, across: 0 });
    expect(points.at(-1)!.along).toBeCloseTo(step.distance, 6);
    points.slice(1).forEach((point, i) => {
      expect(Math.abs(point.along - points[i]!.along)).toBeLessThan(0.35);
      expect(point.along).toBeGreaterThanOrEqual(points[i]!.along);
    });
  });
});

describe('an aim over tiers', () => {
  it('rolls over the hole’s centre at the asked speed', () => {
    fc.assert(
      fc.property(anyTiered, (putt) => {
        const { direction, startSpeed, arrivalSpeed } = aimFor(putt);
        const start = { along: 0, across: 0, speed: startSpeed, direction };
        const { moment } = nearestOnRoute(routeOf(stretchesOf(putt), start), {
          along: putt.distance,
          across: 0,
        });
        expect(Math.hypot(moment.along - putt.distance, moment.across)).toBeLessThan(1e-7);
        expect(Math.abs(moment.speed - arrivalSpeed)).toBeLessThan(1e-6);
      }),
      { numRuns: 200 },
    );
  });

  it('mirrors with the green', () => {
    fc.assert(
      fc.property(anyTiered, (putt) => {
        const flip = ({ grade, falls }: Putt['slope']) => ({ grade, falls: -falls });
        const there = aimFor({
          ...putt,
          slope: flip(putt.slope),
          tiers: putt.tiers.map((tier) => ({ ...tier, slope: flip(tier.slope) })),
        });
        const here = aimFor(putt);
        expect(there.direction).toBeCloseTo(-here.direction, 8);
        expect(there.startSpeed).toBeCloseTo(here.startSpeed, 8);
      }),
      { numRuns: 60 },
    );
  });

  it('lies between the aims of the two planes alone', () => {
    const plain = (one: Putt['slope']) => aimFor({ ...step, slope: one, tiers: [] });
    const over = aimFor(step);
    expect(over.direction).toBeGreaterThan(plain(step.slope).direction);
    expect(over.direction).toBeLessThan(plain(step.tiers[0]!.slope).direction);
    expect(over.startSpeed).toBeGreaterThan(plain(step.tiers[0]!.slope).startSpeed);
    expect(over.startSpeed).toBeLessThan(plain(step.slope).startSpeed);
  });

  it('refuses a pace that the last plane cannot hold', () => {
    const slide = { ...step, greenSpeed: 4.8, tiers: [{ from: 1, slope: slope(8, 0) }] };
    expect(() => aimFor({ ...slide, past: 0.05 })).toThrow('The slope cannot hold that pace');
  });
});

describe('what follows from the roll over tiers', () => {
  it('has a make window whose edges are where a putt is just holed', () => {
    const { aim, left, right } = makeWindow(step);
    const at = (turn: number) => rollPutt(step, aim.startSpeed, aim.direction + turn).result;
    expect(at(right - 1e-6)).toBe('holed');
    expect(at(right + 1e-6)).not.toBe('holed');
    expect(at(-left + 1e-6)).toBe('holed');
    expect(at(-left - 1e-6)).not.toBe('holed');
  });

  it('maps as holed what rolls into the hole', () => {
    const { direction, startSpeed } = aimFor(step);
    const map = makeMap(
      step,
      {
        directions: [direction - 0.03, direction + 0.03],
        speeds: [0.9 * startSpeed, 1.1 * startSpeed],
      },
      { columns: 12, rows: 12 },
    );
    let holed = 0;
    map.speeds.forEach((speed, row) =>
      map.directions.forEach((angle, column) => {
        const here = rollPutt(step, speed, angle).result === 'holed';
        expect(map.holed[row * 12 + column]).toBe(Number(here));
        holed += Number(here);
      }),
    );
    expect(holed).toBeGreaterThan(10);
    expect(holed).toBeLessThan(140);
  });

  it('is level only when every plane is', () => {
    expect(isLevel(DEFAULT_PUTT)).toBe(true);
    expect(isLevel({ ...step, slope: FLAT })).toBe(false);
    expect(isLevel({ slope: FLAT, tiers: [{ from: 1, slope: FLAT }] })).toBe(true);
  });

  it.each([
    [
      [{ from: 7, slope: FLAT }],
      'The tier at 7 m is out of place: put it between 0 m and the hole at 6 m',
    ],
    [
      [
        { from: 3, slope: FLAT },
        { from: 2, slope: FLAT },
      ],
      'The tier at 2 m is out of place: put it between 3 m and the hole at 6 m',
    ],
  ])('refuses tiers out of order or beyond the hole', (tiers, words) => {
    const result = puttSchema.safeParse({ ...step, tiers });
    expect(result.error?.issues[0]?.message).toContain(words);
  });

  it('takes at most three planes', () => {
    const tiers = [1, 2, 3].map((from) => ({ from, slope: FLAT }));
    expect(puttSchema.safeParse({ ...step, tiers }).success).toBe(false);
  });
});
