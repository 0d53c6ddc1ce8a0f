import fc from 'fast-check';
import { between } from '../../../tests/arbitraries';
import { dice } from '../../../tests/player/player';
import {
  accuracyOf,
  chancesOf,
  finishFell,
  passesFell,
  reliabilityOf,
  type Forecast,
} from './accuracy';

const at = new Date(0);

describe('where an answer fell in its forecast', () => {
  it('is told by hand', () => {
    // Two coins: none 1/4, one 1/2, two 1/4.
    expect(passesFell([0.5], 2, 0)).toBeCloseTo(0.125, 12);
    expect(passesFell([0.5], 2, 1)).toBeCloseTo(0.5, 12);
    expect(passesFell([0.5], 2, 2)).toBeCloseTo(0.875, 12);
    // Either surely or never.
    expect(passesFell([0, 1], 3, 3)).toBeCloseTo(0.75, 12);
    expect(() => passesFell([0.5], 2, 3)).toThrow('3 of 2');
    // Done after one putt with 0.6, after two with 0.3, after three with 0.1.
    const course = Float64Array.of(1, 0.4, 0.1, 0);
    expect(finishFell([course], 1)).toBeCloseTo(0.3, 12);
    expect(finishFell([course], 2)).toBeCloseTo(0.75, 12);
    expect(finishFell([course], 3)).toBeCloseTo(0.95, 12);
  });

  it('is even over players whose chance is as it was forecast', () => {
    const random = dice(4);
    const chances = [0.2, 0.45, 0.7, 0.9];
    const forecasts = Array.from({ length: 4000 }, (): Forecast => {
      const chance = chances[Math.floor(4 * random.uniform())]!;
      let passed = 0;
      for (let putt = 0; putt < 20; putt++) passed += Number(random.uniform() < chance);
      return { at, what: 'passes', fell: passesFell(chances, 20, passed) };
    });
    const { held, tenths } = accuracyOf(forecasts, 'passes')!;
    expect(held).toBeGreaterThan(0.77);
    expect(held).toBeLessThan(0.83);
    for (const count of tenths) expect(Math.abs(count / 4000 - 0.1)).toBeLessThan(0.04);
  });

  it('rises with the number that passed', () => {
    fc.assert(
      fc.property(between(0.01, 0.99), fc.integer({ min: 1, max: 40 }), (chance, of) => {
        const all = Array.from({ length: of + 1 }, (_, passed) => passesFell([chance], of, passed));
        for (let i = 1; i < all.length; i++) expect(all[i]!).toBeGreaterThanOrEqual(all[i - 1]!);
        expect(all[0]!).toBeGreaterThan(0);
        expect(all.at(-1)!).toBeLessThan(1 + 1e-9);
      }),
    );
  });
});

describe('how chances turned out', () => {
  const told = (chance: number, of: number, passed: number): Forecast => ({
    ...{ at, what: 'passes', fell: 0.5, putts: { chance, of, passed } },
  });

  it('is counted by tenths, with the Brier score by hand', () => {
    const found = reliabilityOf([told(0.7, 10, 7), told(0.75, 10, 9), told(0.2, 5, 1)])!;
    expect(found.putts).toBe(25);
    // (7·0.09 + 3·0.49 + 9·0.0625 + 1·0.5625 + 1·0.64 + 4·0.04) / 25.
    expect(found.brier).toBeCloseTo(4.025 / 25, 10);
    // 17 of 25 passed: telling 0.68 every time.
    expect(found.always).toBeCloseTo(0.68 * 0.32, 10);
    expect(found.rows.map(({ forecast, seen, putts }) => [forecast, seen, putts])).toEqual([
      [expect.closeTo(0.2, 10), 0.2, 5],
      [expect.closeTo(0.725, 10), 0.8, 20],
    ]);
    for (const { low, seen, high } of found.rows) {
      expect(low).toBeLessThan(seen);
      expect(high).toBeGreaterThan(seen);
    }
  });

  it('is nothing where nothing was forecast', () => {
    expect(reliabilityOf([])).toBeNull();
    expect(accuracyOf([], 'finish')).toBeNull();
  });
});

describe('chances of one kind', () => {
  it('are told as their means, each counted by its putts, with an interval by hand', () => {
    const all = [
      { what: 'holed', chance: 0.5, came: 0.75, of: 8 },
      { what: 'holed', chance: 0.2, came: 0, of: 2 },
      { what: 'goal', chance: 0.3, came: 1, of: 1 },
    ] as const;
    const { of, told, came, low, high } = chancesOf(all, 'holed')!;
    expect([of, came]).toEqual([10, 0.6]);
    expect(told).toBeCloseTo(0.44, 12);
    // z² = 1.6424: n = 11.6424, p = 6.8212 / 11.6424 = 0.5859, half = 1.2816 √(0.5859 · 0.4141 / 11.6424) = 0.1850.
    expect(low).toBeCloseTo(0.4009, 3);
    expect(high).toBeCloseTo(0.7709, 3);
    expect(chancesOf(all, 'change')).toBeNull();
  });
});
