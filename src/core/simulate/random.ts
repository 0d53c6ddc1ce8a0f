import { randomNormal } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A repeatable source of chance. */
export interface Chance {
  /** Uniform in [0, 1). */
  uniform(): number;
  /** Standard normal. */
  normal(): number;
}

/** Draws thrown away so that small seeds do not show in the first numbers. */
const WARM_UP = 32;

/**
 * A source of chance that gives the same numbers for the same seed.
 *
 * @param seed any integer
 */
export function chance(seed: number): Chance {
  const generator = xoroshiro128plus(seed);
  for (let i = 0; i < WARM_UP; i++) generator.next();
  const uniform = () => uniformFloat64(generator);
  return { uniform, normal: randomNormal.source(uniform)() };
}
