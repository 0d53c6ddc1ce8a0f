import { gapForTolerance } from '@/core/layout';
import { normalBelow } from '@/core/numbers';
import type { Score } from './skills';

type Known = Pick<Score, 'bias' | 'spread'>;

/**
 * The share of a player's putts that start inside a tolerance, from the medians of bias and spread.
 *
 * @param score the player's start line, rad
 * @param tolerance left and right of the line, rad
 * @returns 0 to 1
 */
export function clearShare(
  { bias, spread }: Known,
  { left, right }: { left: number; right: number },
): number {
  const below = (edge: number) => normalBelow((edge - bias.middle) / spread.middle);
  return below(right) - below(-left);
}

/** Tolerances wider than this are no gate, rad. */
const WIDEST = 0.3;

/**
 * The gap that a share of a player's putts clears, by halving {@link clearShare}.
 *
 * @param score the player's start line, rad
 * @param share 0 to 1
 * @param gate where it stands and its tee width, m
 * @returns inner gap, m
 */
export function gapForShare(
  score: Known,
  share: number,
  { distance, shank }: { distance: number; shank: number },
): number {
  let [low, high] = [0, WIDEST];
  for (let step = 0; step < 50; step++) {
    const middle = (low + high) / 2;
    if (clearShare(score, { left: middle, right: middle }) < share) low = middle;
    else high = middle;
  }
  return gapForTolerance(high, distance, shank);
}
