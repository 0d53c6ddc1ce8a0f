import { z } from 'zod';
import { GRADE_RANGE, GRAVITY } from './constants';
import { rollingDeceleration } from './roll';

/** How a green lies along a putt. */
export const slopeSchema = z.object({
  /** Rise over run, 0 to 0.08. */
  grade: z
    .number()
    .min(
      GRADE_RANGE.min,
      'The slope cannot be negative. Reverse the direction of the fall instead.',
    )
    .max(GRADE_RANGE.max, `The slope is too steep: use at most ${GRADE_RANGE.max * 100} %.`),
  /** Direction in which it falls, rad from the line ball to hole, right positive: 0 downhill, -π/2 to the left. */
  falls: z.number().min(-Math.PI).max(Math.PI),
});

export type Slope = z.infer<typeof slopeSchema>;

/** No slope at all. */
export const FLAT: Slope = { grade: 0, falls: 0 };

/** What a rolling ball feels on a plane. */
export interface Plane {
  /** Rolling deceleration, m/s². */
  deceleration: number;
  /** Acceleration downhill, m/s². */
  pull: number;
  /** Direction in which it falls, rad from the line, right positive. */
  falls: number;
}

/**
 * The pull of a slope on a rolling sphere: `b = (5/7) g sin(atan γ)` (Penner 2002).
 *
 * @param grade rise over run, 0 to 0.08
 * @returns m/s²
 * @throws RangeError for a grade outside its range
 */
export function slopePull(grade: number): number {
  const { min, max } = GRADE_RANGE;
  if (!(grade >= min && grade <= max)) {
    throw new RangeError(
      `A slope of ${(grade * 100).toFixed(1)} % is out of range: use 0 % to ${max * 100} %.`,
    );
  }
  return (5 / 7) * GRAVITY * Math.sin(Math.atan(grade));
}

/**
 * The plane of a green.
 *
 * @param greenSpeed roll-out from the ramp, 1.2 to 5 m
 * @param slope grade and the direction it falls
 */
export function planeOf(greenSpeed: number, slope: Slope): Plane {
  return {
    deceleration: rollingDeceleration(greenSpeed),
    pull: slopePull(slope.grade),
    falls: slope.falls,
  };
}
