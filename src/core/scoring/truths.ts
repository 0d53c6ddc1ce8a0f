import { rootOf, type Belief } from './gaussian';
import { DIMENSION, LATENTS, biasAt, logSpreadAt } from './latents';
import { normals } from './normals';

/** Values of all of a player's skills at once: biases and spreads in the order of the latents. */
export type Truths = { bias: Float64Array; spread: Float64Array; faceShare: number }[];

/**
 * What a belief says of a player, as evenly likely players.
 *
 * @param belief of all parameters
 * @param count how many
 * @param faceShare how much of the start direction is the face's
 */
export function truthsOf({ mean, covariance }: Belief, count: number, faceShare: number): Truths {
  const root = rootOf(covariance).to2DArray();
  return normals(count, DIMENSION).map((draw) => {
    const at = mean.map((value, j) => {
      let sum = value;
      for (let k = 0; k <= j; k++) sum += root[j]![k]! * draw[k]!;
      return sum;
    });
    return {
      bias: Float64Array.from(LATENTS, (latent) => at[biasAt(latent)]!),
      spread: Float64Array.from(LATENTS, (latent) => Math.exp(at[logSpreadAt(latent)]!)),
      faceShare,
    };
  });
}
