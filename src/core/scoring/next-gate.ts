import { BALL_DIAMETER } from '@/core/green';
import { DEFAULT_SHANK, gapForTolerance, gateTolerance, LEAST_AIR } from '@/core/layout';
import { normalBelow } from '@/core/numbers';
import type { SkillPoints } from './skills';

/** Tolerances left and right of what is intended, in the skill's unit. */
export interface Sides {
  left: number;
  right: number;
}

/**
 * The share of putts that lie within a tolerance, averaged over what is not known of the player.
 *
 * @param points what is known of the skill
 * @param tolerance left and right of what is intended, in the skill's unit
 * @returns 0 to 1
 */
export function passShare({ bias, spread }: SkillPoints, { left, right }: Sides): number {
  let sum = 0;
  for (let i = 0; i < bias.length; i++) {
    sum +=
      normalBelow((right - bias[i]!) / spread[i]!) - normalBelow((-left - bias[i]!) / spread[i]!);
  }
  return sum / bias.length;
}

/** A gate to set next. */
export interface NextGate {
  /** Inner gap and distance from the ball, m. */
  gap: number;
  distance: number;
  /** Share of putts that it should let through, averaged over what is not known. */
  share: number;
  /** Whether it stands farther out, because the gap could not be less. */
  farther: boolean;
}

/** Success rates that a coach may choose. */
export const SUCCESS = { least: 0.5, most: 0.9, usual: 0.7 } as const;

/** The narrowest gap: two millimetres of air in all. */
const LEAST = BALL_DIAMETER + LEAST_AIR;
const FARTHEST = 3;

/** The largest tolerance, alike to both sides, that this share of putts does not exceed. */
function toleranceFor(points: SkillPoints, share: number): number {
  let [low, high] = [0, 0.6];
  for (let step = 0; step < 50; step++) {
    const middle = (low + high) / 2;
    if (passShare(points, { left: middle, right: middle }) < share) low = middle;
    else high = middle;
  }
  return high;
}

/**
 * The ball gate whose share of clear putts is the one chosen. Where its gap would be less than the least, the gate is moved
 * out instead.
 *
 * @param start what is known of the player's start line
 * @param share of putts to let through, 0.5 to 0.9
 * @param gate where it stands, m, and its tee shank
 * @param settable rounds a gap to what the coach can set, m
 * @throws RangeError when the share is beyond its limits
 */
export function nextGate(
  start: SkillPoints,
  share: number,
  { distance, shank = DEFAULT_SHANK }: { distance: number; shank?: number },
  settable: (gap: number) => number,
): NextGate {
  if (!(share >= SUCCESS.least && share <= SUCCESS.most)) {
    throw new RangeError(
      `A success rate of ${share} teaches little: ${SUCCESS.least} to ${SUCCESS.most} is allowed.`,
    );
  }
  const tolerance = toleranceFor(start, share);
  const shareOf = (gap: number, at: number) =>
    passShare(start, gateTolerance({ gap, distance: at, shank, offset: 0 }));
  const gap = settable(gapForTolerance(tolerance, distance, shank));
  if (gap >= LEAST) return { gap, distance, share: shareOf(gap, distance), farther: false };
  const least = settable(LEAST) < LEAST ? LEAST : settable(LEAST);
  let [near, far] = [distance, FARTHEST];
  for (let step = 0; step < 50; step++) {
    const middle = (near + far) / 2;
    if (shareOf(least, middle) > share) near = middle;
    else far = middle;
  }
  return { gap: least, distance: far, share: shareOf(least, far), farther: true };
}
