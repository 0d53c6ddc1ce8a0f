import { normalQuantile } from '@/core/numbers';

/** How far off a touch is in each direction, as one standard deviation, and how well that is known. */
export interface TouchError {
  /** Pixels. */
  error: number;
  /** Degrees of freedom of that estimate. */
  freedom: number;
}

/** How far points that were touched twice lay apart. */
export interface Repeats {
  /** Differences seen, two for each point. */
  count: number;
  /** Half the sum of their squares, square pixels. */
  squares: number;
}

export const NO_REPEATS: Repeats = { count: 0, squares: 0 };

/** What a touch is off by where nothing is known of who touches, px, and how many differences that is worth. */
const USUAL = { error: 1.5, worth: 1 } as const;

/**
 * Returns the repeats with those of one more point.
 *
 * @param before those until now
 * @param first where the point was touched, pixels
 * @param second where it was touched again
 */
export const repeated = (
  { count, squares }: Repeats,
  first: { x: number; y: number },
  second: { x: number; y: number },
): Repeats => ({
  count: count + 2,
  squares: squares + ((first.x - second.x) ** 2 + (first.y - second.y) ** 2) / 2,
});

/**
 * Returns how far off somebody's touches are, from points that they touched twice: the scaled inverse chi-squared estimate of a
 * variance (Gelman and others, Bayesian Data Analysis, ch. 2.6).
 *
 * @param repeats of one person, in pixels of what they were shown
 * @example touchErrorOf(NO_REPEATS) // { error: 1.5, freedom: 1 }
 */
export function touchErrorOf({ count, squares }: Repeats): TouchError {
  const freedom = USUAL.worth + count;
  return { error: Math.sqrt((USUAL.worth * USUAL.error ** 2 + squares) / freedom), freedom };
}

/**
 * Returns the quantile of Student's t, by its expansion about the normal (Abramowitz and Stegun 26.7.5): to 1 % from 4 degrees of freedom on.
 *
 * @param probability between 0 and 1
 * @param freedom degrees of freedom, 4 or more
 */
export function studentQuantile(probability: number, freedom: number): number {
  const z = normalQuantile(probability);
  const one = (z ** 3 + z) / 4;
  const two = (5 * z ** 5 + 16 * z ** 3 + 3 * z) / 96;
  const three = (3 * z ** 7 + 19 * z ** 5 + 17 * z ** 3 - 15 * z) / 384;
  return z + one / freedom + two / freedom ** 2 + three / freedom ** 3;
}
