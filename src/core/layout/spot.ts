/** A spot on the green: metres along the line from the ball towards the hole, and across it, right positive. */
export interface Spot {
  along: number;
  across: number;
}

/**
 * A spot turned about the ball.
 *
 * @param spot m
 * @param angle rad, right positive
 */
export function turned({ along, across }: Spot, angle: number): Spot {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return { along: along * c - across * s, across: along * s + across * c };
}
