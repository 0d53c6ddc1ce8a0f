import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { roll } from 'tests/player/green';
import { bookRollsSchema, carpetSpeed } from '.';

/** How far a ball rolls that leaves a book's foot, on a floor of some speed and tilt, by the general solver. */
function rolled(height: number, greenSpeed: number, tilt: number): number {
  const foot = Math.sqrt((10 / 7) * 9.80665 * height);
  const green = { distance: 1, greenSpeed, grade: Math.abs(tilt), past: 0.4 };
  const steps = roll({ ...green, falls: tilt >= 0 ? 0 : Math.PI }, foot, 0);
  return steps.at(-1)!.x;
}

describe('the speed of a carpet from a ball off a book', () => {
  it('is, by hand, 2.99 m for 75 cm off a book of 6 cm', () => {
    // 10/7 · 9.80665 · 0.06 = 0.84057 m²/s²; 1.83² / 0.84057 = 3.9841; times 0.75.
    expect(carpetSpeed({ height: 0.06, there: 0.75, back: 0.75 })).toBeCloseTo(2.988, 3);
  });

  it('is found from rolls that a general solver makes, on level floors and tilted ones', () => {
    fc.assert(
      fc.property(
        between(0.03, 0.12),
        between(1.6, 4),
        between(-0.01, 0.01),
        (height, speed, tilt) => {
          const rolls = {
            height,
            there: rolled(height, speed, tilt),
            back: rolled(height, speed, -tilt),
          };
          expect(Math.abs(carpetSpeed(rolls) / speed - 1)).toBeLessThan(0.02);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('refuses what cannot be, and says what can', () => {
    expect(() => carpetSpeed({ height: 0.02, there: 3, back: 3 })).toThrow(
      /give a speed of 35\.9 m, which is out of range: it must be 1\.2 m to 5 m/,
    );
    const { error } = bookRollsSchema.safeParse({ height: 0.5, there: 0.05, back: 1 });
    expect(error!.issues.map(({ message }) => message)).toEqual([
      'The height of the book must be 1 cm to 30 cm.',
      'The roll must be 10 cm to 1000 cm.',
    ]);
  });
});
