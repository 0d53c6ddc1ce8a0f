/** Ball diameter, m. */
export const BALL_DIAMETER = 0.04267;
/** Ball mass, kg. */
export const BALL_MASS = 0.04593;
/** Hole radius, m. */
export const HOLE_RADIUS = 0.054;
/** Gravity, m/s². */
export const GRAVITY = 9.80665;
/** Release speed of the standard green-speed ramp, m/s (Holmes 1986). */
export const RAMP_SPEED = 1.83;
/** Fastest speed at which a ball over the middle of the hole still drops, m/s (Holmes 1991, as fitted by Penner 2002). */
export const DROP_SPEED = 1.63;

/** Green speeds that are believed, as roll-out from the ramp, m. */
export const GREEN_SPEED_RANGE = { min: 1.2, max: 5 } as const;
/** Putt distances that are believed, m. */
export const PUTT_RANGE = { min: 0.3, max: 40 } as const;
/** Paces that are believed, as run past the hole, m. */
export const PAST_RANGE = { min: 0, max: 3 } as const;
/** Grades that are believed, rise over run. */
export const GRADE_RANGE = { min: 0, max: 0.08 } as const;
