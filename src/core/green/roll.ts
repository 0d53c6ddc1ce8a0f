import { GREEN_SPEED_RANGE, RAMP_SPEED } from './constants';

/**
 * How quickly a rolling ball loses speed on the flat.
 *
 * @param greenSpeed roll-out from the ramp, 1.2 to 5 m
 * @returns deceleration, m/s²: `1.83² / (2 S)` (Holmes 1986)
 * @throws RangeError for a green speed outside its range
 */
export function rollingDeceleration(greenSpeed: number): number {
  const { min, max } = GREEN_SPEED_RANGE;
  if (!(greenSpeed >= min && greenSpeed <= max)) {
    throw new RangeError(
      `A green speed of ${greenSpeed} m is not believed: ${min} m to ${max} m is allowed.`,
    );
  }
  return RAMP_SPEED ** 2 / (2 * greenSpeed);
}

/**
 * Speed left after rolling some way on the flat.
 *
 * @param startSpeed m/s
 * @param rolled distance rolled, m
 * @param deceleration m/s²
 * @returns m/s, or 0 when the ball has stopped before
 */
export function speedAfter(startSpeed: number, rolled: number, deceleration: number): number {
  return Math.sqrt(Math.max(0, startSpeed ** 2 - 2 * deceleration * rolled));
}

/**
 * Start speed of a ball that stops after rolling this far on the flat.
 *
 * @param rolled m
 * @param deceleration m/s²
 * @returns m/s: `√(2 a s)`
 */
export function startSpeedFor(rolled: number, deceleration: number): number {
  return Math.sqrt(2 * deceleration * rolled);
}
