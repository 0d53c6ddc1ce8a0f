import { CholeskyDecomposition, Matrix, inverse } from 'ml-matrix';
import { biasAt, dimension, knownOf, latentIds } from './latents';

/** What is known of a player's parameters: a normal distribution over biases and log spreads. */
export interface Belief {
  mean: Float64Array;
  covariance: Matrix;
  /** Nothing told right from left: the biases of the start line may as well have the other sign. */
  side?: 'unknown';
}

/** A belief in plain numbers, as it is kept or sent. */
export interface PlainBelief {
  /** What it is of, in order; the first five where an earlier version did not say. */
  latents?: string[];
  mean: number[];
  covariance: number[][];
  side?: 'unknown';
}

/** A belief in plain numbers; {@link beliefFrom} makes it whole again. */
export const plainBelief = ({ mean, covariance, side }: Belief): PlainBelief => ({
  latents: latentIds(),
  mean: [...mean],
  covariance: covariance.to2DArray(),
  ...(side && { side }),
});

/** What a belief was of before quantities had a register. */
const FIRST = ['face', 'path', 'strike', 'pace', 'height'];

/**
 * A belief from plain numbers; of what it does not speak, what is known before any putt.
 *
 * @throws RangeError when the covariance does not belong to the mean
 */
export function beliefFrom({ latents = FIRST, mean, covariance, side }: PlainBelief): Belief {
  const size = mean.length;
  if (covariance.length !== size || covariance.some((row) => row.length !== size)) {
    throw new RangeError(
      `A belief of ${size} numbers needs a covariance matrix of ${size} by ${size}.`,
    );
  }
  const known = latentIds();
  const places = latents.flatMap((latent, i) =>
    known.includes(latent) ? [0, 1].map((k) => ({ from: 2 * i + k, to: biasAt(latent) + k })) : [],
  );
  const whole = priorBelief();
  for (const { from, to } of places) {
    whole.mean[to] = mean[from]!;
    for (const other of places) whole.covariance.set(to, other.to, covariance[from]![other.from]!);
  }
  return { ...whole, ...(side && { side }) };
}

/** What is known before any putt. */
export function priorBelief(): Belief {
  const priors = latentIds().map(knownOf);
  const mean = priors.flatMap(({ middleSpread }) => [0, Math.log(middleSpread)]);
  const variances = priors.flatMap(({ biasSpread, logSpreadSpread }) => [
    biasSpread ** 2,
    logSpreadSpread ** 2,
  ]);
  return { mean: Float64Array.from(mean), covariance: Matrix.diag(variances) };
}

/** A belief with as many instruments of which nobody knows how they stand. */
export function withMounts({ mean, covariance, side }: Belief, mounts: number): Belief {
  const wide = Matrix.eye(mean.length + mounts);
  wide.setSubMatrix(covariance, 0, 0);
  return {
    mean: Float64Array.from([...mean, ...Array<number>(mounts).fill(0)]),
    covariance: wide,
    ...(side && { side }),
  };
}

/** A belief of the player alone, without how instruments stand. */
export const ofPlayer = (belief: Belief): Belief => {
  const size = dimension();
  if (belief.mean.length === size) return belief;
  const own = marginal(
    belief,
    Array.from({ length: size }, (_, i) => i),
  );
  return { ...own, ...(belief.side && { side: belief.side }) };
};

/**
 * The belief some days later: a random walk has widened it.
 *
 * @param days 0 or more
 * @param variances of a day's step of every parameter that wanders
 */
export function carry(
  { mean, covariance, side }: Belief,
  days: number,
  variances: ArrayLike<number>,
): Belief {
  const widened = covariance.clone();
  for (let at = 0; at < variances.length; at++) {
    widened.set(at, at, widened.get(at, at) + days * variances[at]!);
  }
  return { mean, covariance: widened, ...(side && { side }) };
}

/**
 * A belief of an unknown side as one normal over both: what comes next may tell which it was.
 *
 * @param belief whose biases of the start line may have either sign
 */
export function unfolded({ mean, covariance }: Belief): Belief {
  const at = biasAt('face');
  const flat = Float64Array.from(mean);
  const wide = covariance.clone();
  flat[at] = 0;
  for (let j = 0; j < mean.length; j++) {
    if (j === at) continue;
    wide.set(at, j, 0);
    wide.set(j, at, 0);
  }
  wide.set(at, at, covariance.get(at, at) + mean[at]! ** 2);
  return { mean: flat, covariance: wide };
}

/** A symmetric matrix as it must be: rounding makes it crooked. */
export function straightened(matrix: Matrix): Matrix {
  return matrix.clone().add(matrix.transpose()).mul(0.5);
}

/** The lower root of a covariance; a little is added to its diagonal until it has one. */
export function rootOf(covariance: Matrix): Matrix {
  for (let ridge = 0; ; ridge = ridge === 0 ? 1e-12 : ridge * 10) {
    const tried = covariance.clone();
    for (let j = 0; j < tried.rows; j++) tried.set(j, j, tried.get(j, j) * (1 + ridge));
    const found = new CholeskyDecomposition(tried);
    if (found.isPositiveDefinite()) return found.lowerTriangularMatrix;
    if (ridge > 1)
      throw new RangeError('This matrix has no Cholesky root, so it is not a covariance.');
  }
}

/**
 * Parts a belief into what is known of some parameters only.
 *
 * @param indices in order
 */
export function marginal({ mean, covariance }: Belief, indices: number[]): Belief {
  return {
    mean: Float64Array.from(indices, (index) => mean[index]!),
    covariance: covariance.selection(indices, indices),
  };
}

/**
 * A belief with some of its parameters known otherwise: the others follow by what ties them.
 *
 * @param belief of all parameters
 * @param indices of those that are known otherwise
 * @param found what is known of them now
 */
export function withMarginal(belief: Belief, indices: number[], found: Belief): Belief {
  const size = belief.mean.length;
  if (indices.length === size) return found;
  const all = Array.from({ length: size }, (_, index) => index);
  const before = belief.covariance.selection(indices, indices);
  // How each parameter goes with those: regression of all upon them.
  const gain = belief.covariance.selection(all, indices).mmul(inverse(before));
  const moved = Matrix.columnVector(
    Array.from(indices, (index, at) => found.mean[at]! - belief.mean[index]!),
  );
  const shift = gain.mmul(moved);
  const change = found.covariance.clone().sub(before);
  return {
    mean: Float64Array.from(belief.mean, (value, index) => value + shift.get(index, 0)),
    covariance: straightened(
      belief.covariance.clone().add(gain.mmul(change).mmul(gain.transpose())),
    ),
  };
}
