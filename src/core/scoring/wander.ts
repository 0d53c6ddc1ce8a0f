import { carry, type Belief } from './gaussian';
import { dimension, knownOf, latentIds } from './latents';

/**
 * How fast each parameter of a player is thought to wander, as the chances of some paces: players mostly stay as they are,
 * and now and then step.
 */
export type Wander = Float64Array[];

/** Variances of a day's step in usual ones, and how likely each is until a player has shown it. */
const PACES = [0.05, 1, 10] as const;
const USUAL = [0.2, 0.3, 0.5] as const;
/** A player may take to another pace at any time: this much of what was learnt is forgotten from session to session. */
const FORGOTTEN = 0.15;

/** Usual variances of a day's step, by parameter. */
const steps = (): Float64Array =>
  Float64Array.from(
    latentIds().flatMap((latent) => {
      const { step } = knownOf(latent);
      return [step.bias ** 2, step.logSpread ** 2];
    }),
  );

/** What is thought of a player of whom nothing is known. */
export const unknownWander = (): Wander =>
  Array.from({ length: dimension() }, () => Float64Array.from(USUAL));

/** Variance of a day's step of every parameter, on average over what is thought. */
export const variancesOf = (wander: Wander): Float64Array =>
  steps().map((step, at) => step * PACES.reduce((sum, pace, i) => sum + pace * wander[at]![i]!, 0));

/** A session says so little of a parameter when it narrows the prior by less than this share that nothing is learnt. */
const TELLS = 0.05;

/**
 * What a session says of how fast a player wanders: for each parameter, how well each pace would have foretold what the
 * session's own putts say. Its likelihood is taken from how they moved the prior (normal over normal).
 *
 * @param wander what was thought before
 * @param before what was known after the last session
 * @param days since then
 * @param alone what the session's putts say from the prior
 * @param prior that prior
 */
export function learnWander(
  wander: Wander,
  before: Belief,
  days: number,
  alone: Belief,
  prior: Belief,
): Wander {
  const usual = steps();
  return wander.map((chances, at) => {
    const [own, wide] = [alone.covariance.get(at, at), prior.covariance.get(at, at)];
    if (own > (1 - TELLS) * wide) return chances;
    const precision = 1 / own - 1 / wide;
    const seen = (alone.mean[at]! / own - prior.mean[at]! / wide) / precision;
    const off = seen - before.mean[at]!;
    const foretold = PACES.map((pace, i) => {
      const variance = before.covariance.get(at, at) + days * pace * usual[at]! + 1 / precision;
      return (chances[i]! * Math.exp((-off * off) / (2 * variance))) / Math.sqrt(variance);
    });
    const all = foretold.reduce((sum, one) => sum + one, 0);
    // Beyond anything that any pace foretells: it says nothing of which.
    if (!(all > 1e-200)) return chances;
    return Float64Array.from(USUAL, (chance, i) => {
      const learnt = foretold[i]! / all;
      return (1 - FORGOTTEN) * learnt + FORGOTTEN * chance;
    });
  });
}

/**
 * What is known of a player some days after it was known last.
 *
 * @param belief as it was known
 * @param days 0 or more
 */
export const beliefLater = (belief: Belief, days: number): Belief =>
  carry(belief, days, variancesOf(unknownWander()));

/**
 * What is known of a player some days after, for each pace at which players wander, with how likely it is: most stay as they are
 * and some move a good deal, which no one normal tells.
 *
 * @param belief as it was known
 * @param days 0 or more
 */
export const beliefsLater = (belief: Belief, days: number): { belief: Belief; chance: number }[] =>
  PACES.map((pace, i) => ({
    belief: carry(
      belief,
      days,
      steps().map((step) => step * pace),
    ),
    chance: USUAL[i]!,
  }));
