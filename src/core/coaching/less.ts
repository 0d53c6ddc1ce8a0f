import type { SkillPoints } from '@/core/scoring';

/** A step through evenly likely values that has no factor in common with their number. */
const STEP = 151;

/**
 * What is left of one bias without another, of which it is known independently: each value of the one meets one of the other.
 *
 * @param whole the bias that both make
 * @param part what is taken from it
 * @returns evenly likely values of the part taken, and of what is left, in pairs
 */
export function less(
  whole: SkillPoints,
  part: SkillPoints,
): { taken: Float64Array; left: Float64Array } {
  const taken = whole.bias.map((_, i) => part.bias[(i * STEP) % part.bias.length]!);
  return { taken, left: whole.bias.map((bias, i) => bias - taken[i]!) };
}
