import { standing, type Layout, type Outcomes } from '@/core/layout';
import type { Chance } from './random';

/** A simulated player's true start line on one day, rad, right positive. */
export interface Truth {
  bias: number;
  spread: number;
}

/** Truth at some days; straight between them and level beyond. Days count from any origin. */
export type TruePath = { day: number; truth: Truth }[];

/**
 * The truth on one day.
 *
 * @param path in order of days, at least one
 * @param day any number
 */
export function truthOn(path: TruePath, day: number): Truth {
  const after = path.findIndex((point) => point.day >= day);
  const next = path[after === -1 ? path.length - 1 : after];
  const previous = after > 0 ? path[after - 1] : next;
  if (!next || !previous) throw new RangeError('A true path needs at least one day.');
  const share = next.day === previous.day ? 0 : (day - previous.day) / (next.day - previous.day);
  const between = (from: number, to: number) => from + share * (to - from);
  return {
    bias: between(previous.truth.bias, next.truth.bias),
    spread: between(previous.truth.spread, next.truth.spread),
  };
}

/**
 * One simulated putt: a start direction drawn from the truth, sent at the layout's tees.
 * What it meets is found from the tees' places, not from the tolerance that scoring uses.
 *
 * @param truth the player's true bias and spread, rad
 * @param layout what stands on the green
 * @param chance a seeded source
 */
export function simulatePutt(truth: Truth, layout: Layout, chance: Chance): Outcomes {
  const direction = truth.bias + truth.spread * chance.normal();
  const met = standing(layout).flatMap((element) => {
    const outcome = element.meets({ direction });
    return outcome === null ? [] : [[element.id, outcome] as const];
  });
  return Object.fromEntries(met);
}

/** Several simulated putts in a row. */
export function simulatePutts(
  truth: Truth,
  layout: Layout,
  count: number,
  chance: Chance,
): Outcomes[] {
  return Array.from({ length: count }, () => simulatePutt(truth, layout, chance));
}
