import { marginal, rootOf, type Belief } from './gaussian';
import { biasAt, steeringIds } from './latents';
import { fewNormals } from './normals';

/** Values of all that moves a ball at once: biases and spreads by quantity. */
export type Truths = {
  bias: Record<string, number>;
  spread: Record<string, number>;
  faceShare: number;
}[];

/**
 * What a belief says of a player, as evenly likely players.
 *
 * @param belief of all parameters
 * @param count how many
 * @param faceShare how much of the start direction is the face's
 */
export function truthsOf(belief: Belief, count: number, faceShare: number): Truths {
  const steering = steeringIds();
  const { mean, covariance } = marginal(
    belief,
    steering.flatMap((id) => [biasAt(id), biasAt(id) + 1]),
  );
  const root = rootOf(covariance).to2DArray();
  return fewNormals(count, mean.length).map((draw) => {
    const at = mean.map((value, j) => {
      let sum = value;
      for (let k = 0; k <= j; k++) sum += root[j]![k]! * draw[k]!;
      return sum;
    });
    const by = (value: (i: number) => number) =>
      Object.fromEntries(steering.map((id, i) => [id, value(i)]));
    return {
      bias: by((i) => at[2 * i]!),
      spread: by((i) => Math.exp(at[2 * i + 1]!)),
      faceShare,
    };
  });
}
