import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { shuffle } from '@/core/numbers';
import type { SkillPoints } from '@/core/scoring';

/** How often each draw of the one meets a draw of the other: more make the difference smoother. */
const ROUNDS = 8;
/** Always the same, so that a verdict does not change by being asked for again. */
const SEED = 20_101;

const shuffles = new Map<number, Int32Array[]>();

/** Random orders of so many draws, the same each time. */
function ordersOf(count: number): Int32Array[] {
  const known = shuffles.get(count);
  if (known) return known;
  const random = xoroshiro128plus(SEED);
  const orders = Array.from({ length: ROUNDS }, () =>
    shuffle(
      Int32Array.from({ length: count }, (_, i) => i),
      random,
    ),
  );
  shuffles.set(count, orders);
  return orders;
}

/**
 * Returns the difference of two biases that are known independently of each other, as draws. The draws of both come from the same evenly
 * spread points, so that those of one have to be shuffled first: paired as they are, or by a fixed step, they are correlated and make the
 * difference too certain.
 *
 * @param whole the bias that both make together, as evenly likely draws, rad or m
 * @param part the bias that is subtracted, as as many draws
 * @returns draws of the part and of what is left, in pairs; eight for each draw given
 * @throws RangeError when the two have different numbers of draws
 */
export function differenceOfDraws(
  whole: Pick<SkillPoints, 'bias'>,
  part: Pick<SkillPoints, 'bias'>,
): { taken: Float64Array; left: Float64Array } {
  const count = whole.bias.length;
  if (part.bias.length !== count) {
    throw new RangeError(`${part.bias.length} draws cannot be paired with ${count}.`);
  }
  const taken = new Float64Array(ROUNDS * count);
  const left = new Float64Array(ROUNDS * count);
  for (const [round, order] of ordersOf(count).entries()) {
    for (let i = 0; i < count; i++) {
      const at = round * count + i;
      taken[at] = part.bias[order[i]!]!;
      left[at] = whole.bias[i]! - taken[at]!;
    }
  }
  return { taken, left };
}
