import { uniformInt } from 'pure-rand/distribution/uniformInt';
import type { RandomGenerator } from 'pure-rand/types/RandomGenerator';

/**
 * Shuffles a list in place, every order equally likely (Fisher–Yates).
 *
 * @param list to be shuffled
 * @param random where chance comes from
 * @returns the same list
 */
export function shuffle<List extends { length: number; [index: number]: number }>(
  list: List,
  random: RandomGenerator,
): List {
  for (let last = list.length - 1; last > 0; last--) {
    const other = uniformInt(random, 0, last);
    [list[last], list[other]] = [list[other]!, list[last]!];
  }
  return list;
}
