import { DEFAULT_SHANK, gapForTolerance } from '@/core/layout';
import type { Hand } from '@/core/people';
import {
  INCH,
  settable,
  showDegrees,
  showLength,
  withArticle,
  type UnitPreferences,
} from '@/core/units';
import type { Estimate, Score } from './skills';

/** Where the gate of the sentence stands when no gate of the player's own is given. */
const REFERENCE = { distance: 18 * INCH, shank: DEFAULT_SHANK };

/** A start direction right or left of the line, in this hand's word. */
export function missWord(side: 'left' | 'right', hand: Hand): 'push' | 'pull' {
  return side === hand ? 'push' : 'pull';
}

/** Under this a bias is not worth a word, rad. */
const NO_BIAS = 0.0009;

/**
 * Bias in words: "0.3° push".
 *
 * @param bias radians, right positive
 * @param hand the player's
 */
export function biasWords(bias: number, hand: Hand): string {
  if (Math.abs(bias) < NO_BIAS) return 'no bias';
  return `${showDegrees(Math.abs(bias), 1)} ${missWord(bias > 0 ? 'right' : 'left', hand)}`;
}

/** The interval of the bias in words: "0.1° to 0.5° push", or across the line "0.1° pull to 0.4° push". */
export function biasIntervalWords({ low, high }: Estimate, hand: Hand): string {
  const [near, far] = Math.abs(low) < Math.abs(high) ? [low, high] : [high, low];
  if (near * far > 0) {
    return `${showDegrees(Math.abs(near), 1)} to ${biasWords(far, hand)}`;
  }
  return `${biasWords(near, hand)} to ${biasWords(far, hand)}`;
}

/**
 * The bias of a score in words; where nothing told right from left, that the side is not known.
 *
 * @param score the start line
 * @param hand the player's
 * @example scoreBias(score, 'right') // "0.3° push"
 */
export function scoreBias({ bias, side }: Pick<Score, 'bias' | 'side'>, hand: Hand): string {
  return side === 'unknown' ? 'side unknown' : biasWords(bias.middle, hand);
}

/** The interval of a score's bias in words: "0.1° to 0.5° push", or "up to 0.6° either way". */
export function scoreBiasInterval(
  { bias, side }: Pick<Score, 'bias' | 'side'>,
  hand: Hand,
): string {
  if (side !== 'unknown') return biasIntervalWords(bias, hand);
  return `up to ${showDegrees(Math.max(Math.abs(bias.low), Math.abs(bias.high)), 1)} either way`;
}

/** The gate that this window clears eight times in ten. */
export interface GateOfWindow {
  /** Gate distance from the ball, m. */
  distance: number;
  /** Inner gap, m. */
  gap: Estimate;
}

/**
 * The window as a gate.
 *
 * @param window radians
 * @param gate where that gate would stand and its tee width, m; 18 in and 5 mm unless told
 */
export function gateOfWindow(window: Estimate, gate = REFERENCE): GateOfWindow {
  const gap = (tolerance: number) => gapForTolerance(tolerance, gate.distance, gate.shank);
  return {
    distance: gate.distance,
    gap: { middle: gap(window.middle), low: gap(window.low), high: gap(window.high) },
  };
}

/**
 * The score as a coach would say it: "clears a 56 mm gate at 18 in eight times in ten; 0.3° push".
 *
 * @param result a score
 * @param hand the player's
 * @param units the coach's
 * @param gate where the gate of the sentence stands and its tee width, m
 */
export function scoreWords(
  result: Score,
  hand: Hand,
  units: UnitPreferences,
  gate = REFERENCE,
): string {
  const { distance, gap } = gateOfWindow(result.window, gate);
  const width = showLength(settable(gap.middle, units, 'up'), 'across', units);
  return `gets 8 of 10 putts through ${withArticle(width)} gate at ${showLength(distance, 'along', units)} (${scoreBias(result, hand)})`;
}
