/**
 * How many times likelier an estimate is when something is there than when nothing is, where what is there may be anything
 * that is normal about nothing: the mixture likelihood ratio (Robbins 1970, "Statistical methods related to the law of the
 * iterated logarithm"). When nothing is there it exceeds `1 / a` with a chance of at most `a` over all times at which somebody
 * looks, since it is a martingale (Ville's inequality), so that a test may be looked at whenever one likes.
 *
 * @param estimate of the difference from nothing, from all data so far
 * @param variance of the estimate, above 0; Infinity when there are no data
 * @param spread of what may be there, above 0, in the unit of the estimate
 * @returns above 0; 1 when nothing is known
 * @example evidenceAgainstNone(0.6, 0.0463, 0.4) // 9.6
 */
export function evidenceAgainstNone(estimate: number, variance: number, spread: number): number {
  if (variance === Infinity) return 1;
  const mixed = variance + spread * spread;
  return (
    Math.sqrt(variance / mixed) *
    Math.exp((estimate * estimate * spread * spread) / (2 * variance * mixed))
  );
}

/**
 * How far from an estimate the truth may be at any time at which somebody looks: half of a confidence sequence, the values that
 * {@link evidenceAgainstNone} does not speak against.
 *
 * @param variance of the estimate, above 0
 * @param spread of what may be there, above 0
 * @param miss chance that it ever leaves out the truth, 0 to 1
 * @example anytimeMargin(0.0463, 0.4, 0.1) // 0.604
 */
export function anytimeMargin(variance: number, spread: number, miss: number): number {
  if (variance === Infinity) return Infinity;
  const mixed = variance + spread * spread;
  return Math.sqrt(
    ((variance * mixed) / (spread * spread)) * (Math.log(mixed / variance) - 2 * Math.log(miss)),
  );
}
