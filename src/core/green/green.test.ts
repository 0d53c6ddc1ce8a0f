import fc from 'fast-check';
import { Solver } from 'odex';
import { FOOT, INCH, toDegrees } from '@/core/units';
import {
  DEFAULT_PUTT,
  HOLE_RADIUS,
  captureHalfWidth,
  captureSpeed,
  isHoled,
  makeWindow,
  puttSchema,
  rollingDeceleration,
  speedAfter,
  startSpeedFor,
  type Putt,
} from '.';

const eightFeet: Putt = { distance: 8 * FOOT, greenSpeed: 10 * FOOT, past: 18 * INCH };

const anyPutt = fc.record({
  distance: fc.double({ min: 0.5, max: 15, noNaN: true }),
  greenSpeed: fc.double({ min: 2, max: 4.5, noNaN: true }),
  past: fc.double({ min: 0, max: 1, noNaN: true }),
});

describe('the roll on the flat', () => {
  it('agrees with a general solver of dv/dt = -a', () => {
    const deceleration = rollingDeceleration(10 * FOOT);
    const speed = 2;
    const solver = new Solver(2);
    solver.absoluteTolerance = solver.relativeTolerance = 1e-10;
    const motion = (_time: number, [, now = 0]: number[]) => [now, -deceleration];
    const [rolled = NaN, left = NaN] = solver.solve(motion, 0, [0, speed], 1.5).y;
    expect(speedAfter(speed, rolled, deceleration)).toBeCloseTo(left, 8);
  });

  it('stops a ball from the ramp after the green speed itself', () => {
    fc.assert(
      fc.property(fc.double({ min: 1.2, max: 5, noNaN: true }), (greenSpeed) => {
        expect(startSpeedFor(greenSpeed, rollingDeceleration(greenSpeed))).toBeCloseTo(1.83, 10);
      }),
    );
  });

  it('refuses a green that is not believed, by name', () => {
    expect(() => rollingDeceleration(0.9)).toThrow(
      'A green speed of 0.9 m is not believed: 1.2 m to 5 m is allowed.',
    );
    expect(() => rollingDeceleration(NaN)).toThrow(RangeError);
  });
});

describe('the hole', () => {
  it('takes a ball at 18 in past on a 10 ft green on 40.60 mm either side', () => {
    const { arrivalSpeed, shareOfHole } = makeWindow(eightFeet);
    expect(arrivalSpeed).toBeCloseTo(0.7088, 4);
    expect(captureHalfWidth(arrivalSpeed) * 1000).toBeCloseTo(40.6, 2);
    expect(shareOfHole).toBeCloseTo(0.752, 3);
  });

  it('has offset and speed as inverses of each other', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: HOLE_RADIUS, noNaN: true }), (offset) => {
        expect(captureHalfWidth(captureSpeed(offset))).toBeCloseTo(offset, 8);
      }),
    );
  });
});

describe('the make window', () => {
  it('is ±0.954° and -9.3 % to +29.5 % at 8 ft, 10 ft green, 18 in past', () => {
    const window = makeWindow(eightFeet);
    expect(toDegrees(window.right)).toBeCloseTo(0.954, 3);
    expect(toDegrees(window.left)).toBeCloseTo(0.954, 3);
    expect(window.slowest / window.startSpeed - 1).toBeCloseTo(-0.093, 3);
    expect(window.fastest / window.startSpeed - 1).toBeCloseTo(0.295, 3);
  });

  it('is exactly where holed turns into missed', () => {
    fc.assert(
      fc.property(anyPutt, (putt) => {
        const { startSpeed, right, slowest, fastest } = makeWindow(putt);
        const edge = 1e-7;
        expect(isHoled(putt, startSpeed, right - edge)).toBe(true);
        expect(isHoled(putt, startSpeed, right + edge)).toBe(false);
        expect(isHoled(putt, startSpeed, -right + edge)).toBe(true);
        expect(isHoled(putt, slowest + edge, 0)).toBe(true);
        expect(isHoled(putt, slowest - edge, 0)).toBe(false);
        expect(isHoled(putt, fastest - edge, 0)).toBe(true);
        expect(isHoled(putt, fastest + edge, 0)).toBe(false);
      }),
    );
  });

  it('shrinks with distance and with pace', () => {
    fc.assert(
      fc.property(anyPutt, fc.double({ min: 0.1, max: 0.4, noNaN: true }), (putt, more) => {
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
    expect(() => makeWindow({ ...DEFAULT_PUTT, greenSpeed: 2, past: 3 })).toThrow('cannot drop');
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
});
