import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { normalQuantile, shuffle } from '@/core/numbers';

const primes = [2];

/** The prime of a place, from 0; as many as are asked for. */
function primeAt(place: number): number {
  for (let next = primes.at(-1)! + 1; primes.length <= place; next++) {
    if (primes.every((prime) => next % prime !== 0)) primes.push(next);
  }
  return primes[place]!;
}

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

/** Points passed over at the beginning. */
const PASSED = 41;

const made = new Map<string, Float64Array[]>();

/**
 * Evenly spread standard normal points (Halton 1960, through the normal quantile): always the same, so that a score does
 * not change by being asked for again.
 *
 * @param count of points
 * @param dimension 1 or more
 * @throws RangeError below that
 */
export function normals(count: number, dimension: number): Float64Array[] {
  if (!(dimension >= 1))
    throw new RangeError(`Points cannot have ${dimension} dimensions: use 1 or more.`);
  const key = `${count} ${dimension}`;
  const known = made.get(key);
  if (known) return known;
  const points = Array.from({ length: count }, (_, index) =>
    // The first points of the larger bases lie in a row: they are passed over.
    Float64Array.from({ length: dimension }, (_, j) =>
      normalQuantile(mirrored(index + PASSED, primeAt(j))),
    ),
  );
  made.set(key, points);
  return points;
}

/** Always the same, so that a plan does not change by being made again. */
const SEED = 4_111;

/**
 * Returns few standard normal points of many dimensions: along each of them the points lie at the middles of equally likely
 * stretches, in an order of its own (Latin hypercube, McKay and others 1979). So few points of {@link normals} leave gaps.
 *
 * @param count of points
 * @param dimension 1 or more
 */
export function fewNormals(count: number, dimension: number): Float64Array[] {
  const random = xoroshiro128plus(SEED);
  const middles = Array.from({ length: count }, (_, i) => normalQuantile((i + 0.5) / count));
  const columns = Array.from({ length: dimension }, () => shuffle([...middles], random));
  return Array.from({ length: count }, (_, i) =>
    Float64Array.from(columns, (column) => column[i]!),
  );
}
