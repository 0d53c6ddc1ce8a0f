import { GRAVITY, GREEN_SPEED_RANGE } from './constants';
import { rollingDeceleration } from './roll';

/** What two rolls of one release say of a green. */
export interface TwoWayReading {
  /** Level green speed, m. */
  greenSpeed: number;
  /** Grade along the line of the rolls, rise over run. */
  grade: number;
}

/**
 * Green speed and slope from the same release rolled up and down the same line:
 * `S = 2 S_u S_d / (S_u + S_d)` (Brede 1991), and the grade from `b/a = (S_d - S_u) / (S_d + S_u)`.
 *
 * @param up roll-out uphill, m
 * @param down roll-out downhill, m
 * @throws RangeError when the uphill roll is the longer one, or the green speed is not believed
 */
export function readTwoWay(up: number, down: number): TwoWayReading {
  if (!(up > 0 && down >= up)) {
    throw new RangeError(
      `The uphill roll of ${up} m cannot be longer than the downhill roll of ${down} m.`,
    );
  }
  const greenSpeed = (2 * up * down) / (up + down);
  const { min, max } = GREEN_SPEED_RANGE;
  if (greenSpeed < min || greenSpeed > max) {
    throw new RangeError(
      `These rolls give a green speed of ${greenSpeed.toFixed(2)} m, which is out of range: it must be ${min} m to ${max} m.`,
    );
  }
  const deceleration = rollingDeceleration(greenSpeed);
  const pull = (deceleration * (down - up)) / (down + up);
  return { greenSpeed, grade: Math.tan(Math.asin((7 * pull) / (5 * GRAVITY))) };
}
