import type { Putt } from '@/core/green';
import { traitsOf, type Layout } from './layout';
import { LEAST_BREAK, trueReadOf } from './read-first';
import { settingOf } from './setting';

/**
 * Returns how far right a ball starts, rad, for each whole break that is read too much: the start line of the putt as the
 * player sees it. Null where a line or a gate shows the player where to start, and where the putt hardly breaks.
 *
 * @param layout where the putt is made
 * @example startOfReading(layout) // 0.06 on 8 ft with 2 % across
 */
export function startOfReading({ putt, player, elements }: Layout): number | null {
  if (elements.some(({ kind }) => traitsOf(kind).showsLine)) return null;
  if (Math.abs(trueReadOf({ putt, player })) < LEAST_BREAK) return null;
  return settingOf(putt, player).aim.direction;
}

/** How far off the slope and the speed of a green are, one standard deviation: rise over run, and m of roll. */
const GREEN_OFF = { grade: 0.003, speed: 0.3 } as const;

/**
 * Returns a putt on the green as it may really be: steeper, then faster, by one standard deviation each.
 *
 * @param putt as it is thought to be
 */
export function greenOff(putt: Putt): Putt[] {
  const { grade, falls } = putt.slope;
  return [
    { ...putt, slope: { grade: grade + GREEN_OFF.grade, falls } },
    { ...putt, greenSpeed: putt.greenSpeed + GREEN_OFF.speed },
  ];
}
