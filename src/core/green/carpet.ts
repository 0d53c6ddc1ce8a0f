import { z } from 'zod';
import { GRAVITY, GREEN_SPEED_RANGE, RAMP_SPEED } from './constants';

const LIMITS = { height: { min: 0.01, max: 0.3 }, roll: { min: 0.1, max: 10 } } as const;
export const BOOK_LIMITS = LIMITS;

const metres = (what: string, { min, max }: { min: number; max: number }) =>
  z
    .number()
    .refine(
      (value) => value >= min && value <= max,
      `${what} must be ${min * 100} cm to ${max * 100} cm.`,
    );

/** A ball let go at the top of a book that leans: from how high, and how far it rolled, there and back again. */
export const bookRollsSchema = z.object({
  height: metres('The height of the book', LIMITS.height),
  /** Roll-outs from the foot of the book, m. */
  there: metres('The roll', LIMITS.roll),
  back: metres('The roll', LIMITS.roll),
});
export type BookRolls = z.infer<typeof bookRollsSchema>;

/**
 * The speed of a carpet from a ball that rolled down a book, both ways along one line. At the foot it has the speed of a solid
 * ball that rolled down without slipping, `v² = (10/7) g h`; a release at 1.83 m/s rolls `1.83² / v²` times as far.
 *
 * @param rolls m: height of the book's upper edge 0.01 to 0.3, roll-outs 0.1 to 10
 * @returns the level speed as greens have it, m
 * @throws RangeError when the speed is not believed
 * @example carpetSpeed({ height: 0.06, there: 0.75, back: 0.75 }) // 2.99
 */
export function carpetSpeed({ height, there, back }: BookRolls): number {
  const foot2 = (10 / 7) * GRAVITY * height;
  const scale = RAMP_SPEED ** 2 / foot2;
  // Whichever way a floor tilts, the harmonic mean of both rolls is the level one (Brede 1991).
  const speed = (scale * (2 * there * back)) / (there + back);
  const { min, max } = GREEN_SPEED_RANGE;
  if (speed < min || speed > max) {
    throw new RangeError(
      `These rolls give a speed of ${speed.toFixed(1)} m, which is out of range: it must be ${min} m to ${max} m. Measure from the foot of the book to where the ball stopped.`,
    );
  }
  return speed;
}
