import { quantityOf } from '@/core/quantity';
import {
  beliefsLater,
  estimateOf,
  pointsOf,
  windowsOf,
  type Belief,
  type Estimate,
  type SkillPoints,
} from '@/core/scoring';
import { daysBetween, type Day } from '@/core/calendar';

/** How far a player's window may come by a day. */
export interface Reach {
  /** The window as it is known on the first day. */
  now: Estimate;
  /** What the window would be now with no bias: the spread alone. */
  centred: Estimate;
  /**
   * What the window may be on the day to come with no bias by then, by what is known of the spread now and how spreads wander: all
   * equally likely, the smallest first; in the quantity's unit.
   */
  windows: Float64Array;
  /** A window that this player may come to, and that is worth coming to; null where it is held already. */
  offered: number | null;
}

/** An aim is offered that is come to this often. */
const OFTEN = 1 / 3;

/** Some of many that are sorted, evenly. */
const picked = (all: Float64Array, count: number): number[] =>
  Array.from({ length: count }, (_, i) => all[Math.floor(((i + 0.5) * all.length) / count)]!);

/** Rounded up to a step that an aim is told in. */
const roundedUp = (window: number, to: number): number => Math.ceil(window / to - 1e-9) * to;

/**
 * How far a player may come by a day. A bias can be trained away; a spread stays mostly as it is and wanders, one way or the other,
 * as the model has players wander from day to day. So what lies within reach is told of a player who is centred by then.
 * No improvement of the spread is promised.
 *
 * @param belief of the player on the first day
 * @param skill a quantity that is trained
 * @param faceShare how much of the start direction is the face's, 0 to 1
 * @param from the first day
 * @param by the day to come, not before the first
 * @param to the step that an aim is told in, in the quantity's unit: an offer is rounded up to it
 * @throws RangeError when the days are the wrong way round or the step is not above 0
 * @example reachOf(belief, 'start', 0.85, '2026-03-02', '2026-04-27', 0.1 * DEGREE).offered // 0.019, ±1.1°
 */
export function reachOf(
  belief: Belief,
  skill: string,
  faceShare: number,
  from: Day,
  by: Day,
  to: number,
): Reach {
  const days = daysBetween(from, by);
  if (days < 0) throw new RangeError(`The target date ${by} is before the start date ${from}.`);
  if (!(to > 0)) throw new RangeError(`A target step of ${to} is too small: use more than 0.`);
  const centredOf = ({ spread }: SkillPoints) =>
    windowsOf({ bias: new Float64Array(spread.length), spread }).sort();
  const today = pointsOf(belief, skill, faceShare);
  const now = estimateOf(windowsOf(today));
  const windows = Float64Array.from(
    beliefsLater(belief, days).flatMap((one) => {
      const all = centredOf(pointsOf(one.belief, skill, faceShare));
      return picked(all, Math.round(one.chance * all.length));
    }),
  ).sort();
  const good = quantityOf(skill).good.window;
  const within = windows[Math.ceil(OFTEN * windows.length) - 1]!;
  const offered = roundedUp(Math.max(within, good), to);
  return {
    ...{ now, windows, centred: estimateOf(centredOf(today)) },
    offered: now.middle <= good || offered >= now.middle ? null : offered,
  };
}

/**
 * How likely a window is come to by a player who is centred by then.
 *
 * @param reach of the player
 * @param window the aim, above 0, in the quantity's unit
 * @returns 0 to 1: the share of what may be that is no wider
 */
export const chanceWithin = ({ windows }: Pick<Reach, 'windows'>, window: number): number =>
  windows.filter((one) => one <= window).length / windows.length;
