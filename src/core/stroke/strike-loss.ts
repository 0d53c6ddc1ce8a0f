import { BALL_MASS } from '@/core/green';

/** A putter head as a body that the ball turns. */
export interface HeadBody {
  /** kg. */
  mass: number;
  /** About the upright axis through its middle, kg m². */
  inertia: number;
}

/** A common blade: 350 g, 4000 g·cm². */
export const BLADE: HeadBody = { mass: 0.35, inertia: 4e-4 };

/**
 * Ball speed struck off the middle, against one struck there: `(1 + m/M) / (1 + m/M + m h²/I)`, from the momentum of
 * a ball on a free body.
 *
 * @param offset from the centre of the face, m, either way
 * @param head mass (kg) and moment of inertia (kg m²), above 0
 * @returns 1 in the middle, less away from it
 */
export function strikeSpeed(offset: number, { mass, inertia }: HeadBody = BLADE): number {
  const whole = 1 + BALL_MASS / mass;
  return whole / (whole + (BALL_MASS * offset ** 2) / inertia);
}

/**
 * How much shorter a putt rolls that is struck off the middle: distance goes with the square of the speed.
 *
 * @param offset from the centre of the face, m
 * @returns share of the distance that is lost, 0 to 1
 */
export const strikeLoss = (offset: number, head: HeadBody = BLADE): number =>
  1 - strikeSpeed(offset, head) ** 2;
