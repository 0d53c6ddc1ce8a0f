/** How much longer the through-stroke is than the backstroke, where nobody says otherwise. */
export const COMMON_RATIO = 1.5;

/** A backstroke and how far the ball rolled, m. */
export interface StrokeRoll {
  back: number;
  rolled: number;
}

/**
 * A player's own constant: with even tempo head speed goes with the backstroke, and distance with its square, so
 * `rolled = k · back²`. Least squares on the logarithm, so that a long roll counts no more than a short one.
 *
 * @param rolls at least two, lengths in m above 0, on a level green
 * @returns k, 1/m
 * @throws RangeError for fewer than two rolls or a length that is not above 0
 */
export function strokeConstant(rolls: StrokeRoll[]): number {
  if (rolls.length < 2)
    throw new RangeError(`${rolls.length} rolls are not enough: give at least 2.`);
  const logs = rolls.map(({ back, rolled }) => {
    if (!(back > 0 && rolled > 0)) {
      throw new RangeError(
        `A roll of ${rolled} m from a backstroke of ${back} m is not possible: both must be above 0.`,
      );
    }
    return Math.log(rolled) - 2 * Math.log(back);
  });
  return Math.exp(logs.reduce((sum, log) => sum + log, 0) / logs.length);
}

/**
 * The backstroke for a distance, from a player's own constant.
 *
 * @param distance m, above 0
 * @param constant from {@link strokeConstant}
 * @returns m
 */
export const backstrokeFor = (distance: number, constant: number): number =>
  Math.sqrt(distance / constant);
