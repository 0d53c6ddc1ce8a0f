import { steeringIds, priorBelief, type Belief } from '@/core/scoring';
import { biasAt, logSpreadAt } from '@/core/scoring/latents';
import type { Truth } from './player';

/** Parameters of the model that say what a player truly is; what is not of the player stays at zero. */
export function parametersOf(truth: Truth, size: number): Float64Array {
  const at = new Float64Array(size);
  for (const latent of steeringIds()) {
    const [bias, spread] = truth[latent];
    at[biasAt(latent)] = bias;
    at[logSpreadAt(latent)] = Math.log(spread);
  }
  return at;
}

/** A belief that is sure of a player's truth. */
export function knownAs(truth: Truth): Belief {
  const belief = priorBelief();
  return {
    ...belief,
    mean: parametersOf(truth, belief.mean.length),
    covariance: belief.covariance.clone().mul(1e-9),
  };
}
