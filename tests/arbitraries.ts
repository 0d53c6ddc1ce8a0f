import fc from 'fast-check';

/** Steps that a range is divided into. */
const STEPS = 2 ** 30;

/**
 * A number drawn evenly from a range; it shrinks towards the end that is nearer to nothing. `fc.double` draws evenly from
 * the bits of a number instead, so that nearly all of its numbers are next to nothing.
 */
export function between(min: number, max: number): fc.Arbitrary<number> {
  const from = Math.abs(min) <= Math.abs(max) ? min : max;
  const to = from === min ? max : min;
  return fc.integer({ min: 0, max: STEPS }).map((step) => from + ((to - from) * step) / STEPS);
}
