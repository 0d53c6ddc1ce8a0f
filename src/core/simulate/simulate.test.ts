import { ballGateLayout } from '@/core/layout';
import { DEFAULT_PUTT } from '@/core/green';
import { INCH, toRadians } from '@/core/units';
import { libraryDrill } from '@/core/drill';
import { chance, simulatePutts, startOf, startsAs, truthOn, type Truth } from '.';

const layout = ballGateLayout(DEFAULT_PUTT, {
  distance: 18 * INCH,
  gap: 0.06,
  shank: 0.005,
  offset: 0,
});

describe('the simulated player', () => {
  it('is the same for the same seed and another for another', () => {
    const putts = (seed: number) =>
      simulatePutts(startsAs({ bias: 0, spread: 0.02 }), layout, 50, chance(seed));
    expect(putts(7)).toEqual(putts(7));
    expect(putts(7)).not.toEqual(putts(8));
  });

  it('clears as often as its truth says: 60 mm at 18 in is ±1.0852°, so 72.2 % at a spread of 1°', () => {
    const putts = simulatePutts(
      startsAs({ bias: 0, spread: toRadians(1) }),
      layout,
      20_000,
      chance(1),
    );
    const clear = putts.filter(({ outcomes }) => outcomes.gate === 'clear').length / putts.length;
    // P(|Z| < 1.0852) = 0.7221 from the tables; four standard errors are 0.0127.
    expect(Math.abs(clear - 0.7221)).toBeLessThan(0.0127);
  });

  it('misses on the side of its bias', () => {
    const putts = simulatePutts(
      startsAs({ bias: toRadians(2), spread: toRadians(0.3) }),
      layout,
      200,
      chance(2),
    );
    expect(putts.filter(({ outcomes }) => outcomes.gate === 'right').length).toBeGreaterThan(190);
  });

  it('moves straight between its days and stays level beyond', () => {
    const path = [
      { day: 0, truth: startsAs({ bias: 0, spread: 2 }) },
      { day: 10, truth: startsAs({ bias: 1, spread: 1 }) },
    ];
    expect(truthOn(path, 5).face).toEqual({ bias: 0.5, spread: 1.5 });
    expect(truthOn(path, -3)).toEqual(path[0]?.truth);
    expect(truthOn(path, 99)).toEqual(path[1]?.truth);
    expect(() => truthOn([], 0)).toThrow('at least one day');
  });

  it('starts where its face and its path together send the ball', () => {
    const truth: Truth = {
      ...startsAs({ bias: 0.01, spread: 0.03 }),
      path: { bias: 0.05, spread: 0.04 },
      faceShare: 0.8,
    };
    // By hand: 0.8 · 0.01 + 0.2 · 0.05 = 0.018; √((0.8 · 0.03)² + (0.2 · 0.04)²) = 0.0253.
    expect(startOf(truth).bias).toBeCloseTo(0.018, 12);
    expect(startOf(truth).spread).toBeCloseTo(0.025298, 6);
  });

  it('is pointed at where it was struck, near enough, and what is logged agrees with that', () => {
    const face = libraryDrill('marked-face')!.layout;
    const truth: Truth = {
      ...startsAs({ bias: 0, spread: 0 }),
      strike: { bias: 0.008, spread: 0 },
      height: { bias: 0.002, spread: 0 },
    };
    const putts = simulatePutts(truth, face, 400, chance(3), true);
    const mean = (of: (spot: { along: number; across: number }) => number) =>
      putts.reduce((sum, { points }) => sum + of(points.faceMark1!), 0) / putts.length;
    expect(mean(({ across }) => across)).toBeCloseTo(-0.008, 3);
    expect(mean(({ along }) => along)).toBeCloseTo(0.002, 3);
    expect(putts.filter(({ outcomes }) => outcomes.faceMark1 === 'left').length).toBeGreaterThan(
      300,
    );
  });
});
