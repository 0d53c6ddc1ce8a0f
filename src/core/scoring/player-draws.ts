import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Outcomes, Layout } from '@/core/layout';
import { normalQuantile } from '@/core/numbers';
import { findingsOf } from './cells';
import { marginal, rootOf, type Belief } from './gaussian';
import { biasAt, dimension } from './latents';
import { model } from './likelihood';

/** Always the same, so that an answer does not change by being asked for again. */
const SEED = 31_007;

/**
 * Returns independent draws of a player's biases and log spreads, some latents together: what ties them stays.
 *
 * @param belief of all parameters
 * @param latents which are drawn; the others stay at their middle
 * @param count of draws
 */
export function playerDraws(
  belief: Belief,
  latents: readonly string[],
  count: number,
): Float64Array[] {
  const indices = latents.flatMap((latent) => [biasAt(latent), biasAt(latent) + 1]);
  const { mean, covariance } = marginal(belief, indices);
  const root = rootOf(covariance).to2DArray();
  const random = xoroshiro128plus(SEED);
  const normal = () => normalQuantile(Math.max(uniformFloat64(random), 1e-16));
  return Array.from({ length: count }, () => {
    const at = belief.mean.slice(0, dimension());
    const draw = indices.map(normal);
    indices.forEach((index, i) => {
      let value = mean[i]!;
      for (let j = 0; j <= i; j++) value += root[i]![j]! * draw[j]!;
      at[index] = value;
    });
    return at;
  });
}

/**
 * Returns how likely each of some results of one putt is to each of some players, all that stands being as planned.
 *
 * @param layout on which the putt is made
 * @param results that exclude each other
 * @param draws of players, by {@link playerDraws}
 * @param faceShare how much of the start direction is the face's
 * @returns a row for each result, a number for each draw
 */
export function resultChances(
  layout: Layout,
  results: readonly Outcomes[],
  draws: readonly Float64Array[],
  faceShare: number,
): number[][] {
  return results.map((outcomes) => {
    const { cells, stands } = findingsOf([{ layout, putts: [{ outcomes }] }]);
    const { ready, chance, size } = model(faceShare, stands.length);
    const asked = cells.map(ready);
    const at = new Float64Array(size);
    return draws.map((draw) => {
      at.set(draw);
      return asked.reduce((product, cell) => product * chance(cell, at), 1);
    });
  });
}
