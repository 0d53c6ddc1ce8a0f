/** Radius of a putter head's swing about the shoulders, m, and how a common shaft leans, rad. */
export const COMMON_ARC: Swing = { radius: 1.2, lieAngle: (70 * Math.PI) / 180 };

/** A head that swings on a circle whose plane leans with the shaft. */
export interface Swing {
  /** m, above 0. */
  radius: number;
  /** Of the shaft from the ground, rad, 0 to π/2. */
  lieAngle: number;
}

/**
 * How far inside the straight line the head is: `R (1 - √(1 - (y/R)²)) cos λ`, the circle of the swing seen from above.
 *
 * @param y along the line from the ball, m, either way; within the radius
 * @param swing radius and lie angle
 * @returns m towards the player, 0 or more
 * @throws RangeError when y is farther than the radius
 */
export function arcInside(y: number, { radius, lieAngle }: Swing = COMMON_ARC): number {
  return (radius - across(y, radius)) * Math.cos(lieAngle);
}

/**
 * How far a face that stays square to the arc has turned: `atan(y cos λ / √(R² - y²))`, the slope of the same circle.
 *
 * @param y along the line from the ball, m
 * @param swing radius and lie angle
 * @returns rad; the sign of y: closed beyond the ball, open behind it
 * @throws RangeError when y is not nearer than the radius
 */
export function arcTurn(y: number, { radius, lieAngle }: Swing = COMMON_ARC): number {
  return Math.atan2(y * Math.cos(lieAngle), across(y, radius));
}

function across(y: number, radius: number): number {
  if (Math.abs(y) > radius) {
    throw new RangeError(
      `The head cannot be ${y} m from the ball on an arc with a radius of ${radius} m.`,
    );
  }
  return Math.sqrt(radius ** 2 - y ** 2);
}
