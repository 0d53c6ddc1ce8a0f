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
      `A green speed of ${greenSpeed} m is out of range: use ${min} m to ${max} m.`,
    );
  }
  return RAMP_SPEED ** 2 / (2 * greenSpeed);
}
