// Taken once: a look-up of the global in the innermost loop costs more than the arithmetic.
const { abs, exp } = Math;
const ROOT = Math.sqrt(2 * Math.PI);

/**
 * Cumulative normal distribution, to about 1e-15 (Hart 1968 algorithm 5666, in the form given by West 2005,
 * "Better approximations to cumulative normal functions").
 *
 * @param z standard deviations from the mean, any number or ±Infinity
 * @returns probability below z
 */
export function normalBelow(z: number): number {
  const size = abs(z);
  if (size > 37) return z > 0 ? 1 : 0;
  const tail = exp((-size * size) / 2) * tailFactor(size);
  return z > 0 ? 1 - tail : tail;
}

/** Density of the standard normal distribution at z; 0 where it is under the smallest number. */
export const normalDensity = (z: number): number =>
  z > 38 || z < -38 ? 0 : exp((-z * z) / 2) / ROOT;

/**
 * Probability that a standard normal lies between two bounds, taken so that far tails are not lost.
 *
 * @param lower any number or -Infinity
 * @param upper any number or Infinity; 0 is returned where it is not above the lower
 */
export function normalBetween(lower: number, upper: number): number {
  if (lower >= upper) return 0;
  return lower > 0
    ? normalBelow(-lower) - normalBelow(-upper)
    : normalBelow(upper) - normalBelow(lower);
}

function tailFactor(z: number): number {
  if (z >= 7.07106781186547) {
    return 1 / (z + 1 / (z + 2 / (z + 3 / (z + 4 / (z + 0.65))))) / 2.506628274631;
  }
  const over =
    (((((3.52624965998911e-2 * z + 0.700383064443688) * z + 6.37396220353165) * z +
      33.912866078383) *
      z +
      112.079291497871) *
      z +
      221.213596169931) *
      z +
    220.206867912376;
  const under =
    ((((((8.83883476483184e-2 * z + 1.75566716318264) * z + 16.064177579207) * z +
      86.7807322029461) *
      z +
      296.564248779674) *
      z +
      637.333633378831) *
      z +
      793.826512519948) *
      z +
    440.413735824752;
  return over / under;
}

/**
 * The inverse of {@link normalBelow}: Newton steps from a logistic first guess.
 *
 * @param probability above 0 and below 1
 * @returns standard deviations from the mean
 * @throws RangeError outside those limits
 */
export function normalQuantile(probability: number): number {
  if (!(probability > 0 && probability < 1)) {
    throw new RangeError(
      `A probability of ${probability} has no quantile: use a number above 0 and below 1.`,
    );
  }
  const tail = Math.min(probability, 1 - probability);
  let z = Math.log(tail / (1 - tail)) / 1.702;
  for (let step = 0; step < 60; step++) {
    const change = (normalBelow(z) - tail) / normalDensity(z);
    z -= Math.max(-0.5, Math.min(0.5, change));
    if (abs(change) < 1e-13) break;
  }
  return probability < 0.5 ? z : -z;
}
