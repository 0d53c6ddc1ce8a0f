import { DEGREE } from './constants';

/** Radians to degrees. */
export const toDegrees = (radians: number): number => radians / DEGREE;

/** Degrees to radians. */
export const toRadians = (degrees: number): number => degrees * DEGREE;

/**
 * Prints an angle in degrees.
 *
 * @param radians the angle
 * @param digits decimals, 2 unless told
 * @example showDegrees(0.0189) // "1.08°"
 */
export function showDegrees(radians: number, digits = 2): string {
  const text = toDegrees(Math.abs(radians)).toFixed(digits);
  return `${radians < 0 && Number(text) !== 0 ? '−' : ''}${text}°`;
}
