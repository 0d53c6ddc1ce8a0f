import { DROP_SPEED, HOLE_RADIUS } from './constants';

/**
 * Fastest speed that still drops when the ball passes the hole's centre at some offset.
 *
 * @param offset closest approach to the centre, m
 * @returns m/s, 0 at and beyond the rim: `1.63 (1 - (δ/R)²)` (Holmes 1991, as fitted by Penner 2002)
 */
export function captureSpeed(offset: number): number {
  return Math.max(0, DROP_SPEED * (1 - (offset / HOLE_RADIUS) ** 2));
}

/**
 * Half of the hole that a ball arriving at some speed can use.
 *
 * @param speed arrival speed, m/s, 0 or more
 * @returns m from the centre, 0 when the ball is too fast for any of it: `R √(1 - v/1.63)`
 */
export function captureHalfWidth(speed: number): number {
  return HOLE_RADIUS * Math.sqrt(Math.max(0, 1 - speed / DROP_SPEED));
}
