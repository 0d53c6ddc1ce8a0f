import { normalQuantile } from '@/core/numbers';

const PRIMES = [2, 3, 5, 7, 11, 13, 17, 19, 23, 29];

/** The digits of a number in a base, mirrored at the point. */
function mirrored(index: number, base: number): number {
  let [rest, place, sum] = [index, 1 / base, 0];
  while (rest > 0) {
    sum += (rest % base) * place;
    rest = Math.floor(rest / base);
    place /= base;
  }
  return sum;
}

const made = new Map<string, Float64Array[]>();

/**
 * Evenly spread standard normal points (Halton 1960, through the normal quantile): always the same, so that a score does
 * not change by being asked for again.
 *
 * @param count of points
 * @param dimension 1 to 10
 * @throws RangeError beyond that
 */
export function normals(count: number, dimension: number): Float64Array[] {
  if (dimension < 1 || dimension > PRIMES.length) {
    throw new RangeError(`There are no points of ${dimension} dimensions: 1 to ${PRIMES.length}.`);
  }
  const key = `${count} ${dimension}`;
  const known = made.get(key);
  if (known) return known;
  const points = Array.from({ length: count }, (_, index) =>
    // The first points of the larger bases lie in a row: they are passed over.
    Float64Array.from({ length: dimension }, (_, j) =>
      normalQuantile(mirrored(index + 41, PRIMES[j]!)),
    ),
  );
  made.set(key, points);
  return points;
}
