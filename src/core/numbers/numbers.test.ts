import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { medianOf, normalBelow, normalBetween, normalDensity, normalQuantile } from '.';

describe('normalBelow', () => {
  // Abramowitz and Stegun, table 26.1, and its tail expansions.
  it.each([
    [0, 0.5],
    [0.5, 0.691462461274013],
    [1, 0.841344746068543],
    [1.96, 0.97500210485178],
    [3, 0.99865010196837],
  ])('at %d is %d', (z, probability) => expect(normalBelow(z)).toBeCloseTo(probability, 13));

  it('is right far out in the tail, and at infinity', () => {
    expect(normalBelow(-8) / 6.220960574271785e-16).toBeCloseTo(1, 6);
    expect(normalBelow(-Infinity)).toBe(0);
    expect(normalBelow(Infinity)).toBe(1);
  });

  it('mirrors', () => {
    fc.assert(
      fc.property(between(-9, 9), (z) => {
        expect(normalBelow(z) + normalBelow(-z)).toBeCloseTo(1, 12);
      }),
    );
  });
});

describe('normalBetween', () => {
  it('is Simpson’s sum of the density', () => {
    fc.assert(
      fc.property(between(-5, 5), between(0.01, 4), (lower, width) => {
        const [parts, step] = [400, width / 400];
        const at = (i: number) => normalDensity(lower + i * step);
        let sum = at(0) + at(parts);
        for (let i = 1; i < parts; i++) sum += (i % 2 === 1 ? 4 : 2) * at(i);
        expect(normalBetween(lower, lower + width)).toBeCloseTo((sum * step) / 3, 10);
      }),
    );
  });

  it('keeps what is left far out on either side', () => {
    // 6.22096e-16 below -8 and 2.75362e-89 below -20 (Abramowitz and Stegun 26.2.12).
    expect(normalBetween(8, Infinity) / 6.220960574271785e-16).toBeCloseTo(1, 6);
    expect(normalBetween(20, 21) / 2.753624118606233e-89).toBeCloseTo(1, 6);
    expect(normalBetween(20, 21)).toBe(normalBetween(-21, -20));
  });

  it('is nothing between bounds that leave nothing, and all between infinities', () => {
    expect(normalBetween(1, 1)).toBe(0);
    expect(normalBetween(2, 1)).toBe(0);
    expect(normalBetween(-Infinity, Infinity)).toBe(1);
    expect(normalDensity(-Infinity)).toBe(0);
    expect(normalDensity(0)).toBeCloseTo(0.3989422804, 10);
  });
});

describe('normalQuantile', () => {
  it('undoes normalBelow, far into the tails', () => {
    fc.assert(
      fc.property(between(-7, 5), (z) => {
        expect(normalQuantile(normalBelow(z))).toBeCloseTo(z, 8);
      }),
    );
  });

  it.each([0, 1, -0.1, NaN])('refuses %d', (probability) => {
    expect(() => normalQuantile(probability)).toThrow(RangeError);
  });
});

describe('the median', () => {
  it.each([
    [[3], 3],
    [[5, 1, 3], 3],
    [[4, 1, 2, 9], 3],
  ])('of %p is %p', (numbers, median) => expect(medianOf(numbers)).toBe(median));

  it('has as many below as above, and changes nothing', () => {
    fc.assert(
      fc.property(fc.array(fc.integer(), { minLength: 1 }), (numbers) => {
        const before = [...numbers];
        const median = medianOf(numbers);
        expect(numbers).toEqual(before);
        const below = numbers.filter((one) => one < median).length;
        const above = numbers.filter((one) => one > median).length;
        expect(Math.max(below, above)).toBeLessThanOrEqual(numbers.length / 2);
      }),
    );
  });
});
