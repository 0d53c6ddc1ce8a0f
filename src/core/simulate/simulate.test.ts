import { ballGateLayout } from '@/core/layout';
import { DEFAULT_PUTT } from '@/core/green';
import { INCH, toRadians } from '@/core/units';
import { chance, simulatePutts, truthOn } from '.';

const layout = ballGateLayout(DEFAULT_PUTT, {
  distance: 18 * INCH,
  gap: 0.06,
  shank: 0.005,
  offset: 0,
});

describe('the simulated player', () => {
  it('is the same for the same seed and another for another', () => {
    const putts = (seed: number) =>
      simulatePutts({ bias: 0, spread: 0.02 }, layout, 50, chance(seed));
    expect(putts(7)).toEqual(putts(7));
    expect(putts(7)).not.toEqual(putts(8));
  });

  it('clears as often as its truth says: 60 mm at 18 in is ±1.0852°, so 72.2 % at a spread of 1°', () => {
    const putts = simulatePutts({ bias: 0, spread: toRadians(1) }, layout, 20_000, chance(1));
    const clear = putts.filter(({ gate }) => gate === 'clear').length / putts.length;
    // P(|Z| < 1.0852) = 0.7221 from the tables; four standard errors are 0.0127.
    expect(Math.abs(clear - 0.7221)).toBeLessThan(0.0127);
  });

  it('misses on the side of its bias', () => {
    const putts = simulatePutts(
      { bias: toRadians(2), spread: toRadians(0.3) },
      layout,
      200,
      chance(2),
    );
    expect(putts.filter(({ gate }) => gate === 'right').length).toBeGreaterThan(190);
  });

  it('moves straight between its days and stays level beyond', () => {
    const path = [
      { day: 0, truth: { bias: 0, spread: 2 } },
      { day: 10, truth: { bias: 1, spread: 1 } },
    ];
    expect(truthOn(path, 5)).toEqual({ bias: 0.5, spread: 1.5 });
    expect(truthOn(path, -3)).toEqual(path[0]?.truth);
    expect(truthOn(path, 99)).toEqual(path[1]?.truth);
    expect(() => truthOn([], 0)).toThrow('at least one day');
  });
});
