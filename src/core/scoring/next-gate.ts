import { BALL_DIAMETER } from '@/core/green';
import { DEFAULT_SHANK, gateTolerance, LEAST_AIR, type GateNow } from '@/core/layout';
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

/** The narrowest gap: two millimetres of air in all; and the widest and farthest that a gate may have. */
const LEAST = BALL_DIAMETER + LEAST_AIR;
const WIDEST = 0.5;
const FARTHEST = 3;

/** Less than any coach's tape shows, m, and how often it is tried to come to a length that can be set. */
const STEP = 0.0004;
const STEPS = 60;

/** Lengths that the coach can set, m: the nearest to one that is reckoned. */
export interface Settable {
  across(metres: number): number;
  along(metres: number): number;
}

/** Where a falling function comes down to a value, by halving. */
function whereFalling(value: (at: number) => number, wanted: number, from: number, to: number) {
  let [low, high] = [from, to];
  for (let step = 0; step < 50; step++) {
    const middle = (low + high) / 2;
    if (value(middle) > wanted) low = middle;
    else high = middle;
  }
  return high;
}

/**
 * The ball gate whose share of clear putts is the one chosen, in lengths that a coach can set. Where its gap would be less
 * than the least, the gate is moved out instead, as far as the putt allows.
 *
 * @param start what is known of the player's start line
 * @param share of putts to let through, 0.5 to 0.9
 * @param gate that is played now
 * @param settable rounds to what the coach can set
 * @throws RangeError when the share is beyond its limits
 */
export function nextGate(
  start: SkillPoints,
  share: number,
  gate: { distance: number; shank?: number } & Partial<Pick<GateNow, 'putt' | 'toleranceOf'>>,
  settable: Settable,
): NextGate {
  if (!(share >= SUCCESS.least && share <= SUCCESS.most)) {
    throw new RangeError(
      `A success rate of ${share} teaches little: use ${SUCCESS.least} to ${SUCCESS.most}.`,
    );
  }
  const { distance, shank = DEFAULT_SHANK, putt = FARTHEST } = gate;
  const toleranceOf =
    gate.toleranceOf ??
    ((gap: number, at: number) => gateTolerance({ gap, distance: at, shank, offset: 0 }));
  const shareOf = (gap: number, at: number) => passShare(start, toleranceOf(gap, at));
  /** The nearest length that can be set and is allowed: rounding must not step over a limit. */
  const within = (
    metres: number,
    round: (metres: number) => number,
    least: number,
    most: number,
  ) => {
    let near = round(Math.min(Math.max(metres, least), most));
    for (let step = 1; near < least && step <= STEPS; step++) near = round(least + step * STEP);
    for (let step = 1; near > most && step <= STEPS; step++) near = round(most - step * STEP);
    return near >= least && near <= most ? near : Math.min(Math.max(metres, least), most);
  };
  const least = within(LEAST, settable.across, LEAST, WIDEST);
  if (shareOf(least, distance) <= share) {
    const gap = within(
      whereFalling((one) => -shareOf(one, distance), -share, least, WIDEST),
      settable.across,
      LEAST,
      WIDEST,
    );
    return { gap, distance, share: shareOf(gap, distance), farther: false };
  }
  const most = Math.max(distance, Math.min(FARTHEST, putt));
  const far = within(
    whereFalling((at) => shareOf(least, at), share, distance, most),
    settable.along,
    distance,
    most,
  );
  return { gap: least, distance: far, share: shareOf(least, far), farther: far > distance };
}
