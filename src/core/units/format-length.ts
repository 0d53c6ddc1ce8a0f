import { FOOT, INCH } from './constants';
import type { TapeUnit } from './parse-length';

/** Prints a whole number of sixteenths the way a tape is read: 17 15/16. */
function sixteenths(count: number): string {
  const whole = Math.floor(count / 16);
  let over = count % 16;
  if (over === 0) return String(whole);
  let under = 16;
  while (over % 2 === 0) {
    over /= 2;
    under /= 2;
  }
  return whole === 0 ? `${over}/${under}` : `${whole} ${over}/${under}`;
}

const trim = (value: number, digits: number): string => String(Number(value.toFixed(digits)));

/**
 * Prints a length in one unit, to what a tape can be read to: 1/16 in, 1 mm, 1 mm in cm and 1 cm in m.
 * Feet are printed with their inches ("6 ft 6 in").
 *
 * @param metres length in metres, 0 or more
 * @param unit the unit to print
 * @example formatLength(1.9812, 'ft') // "6 ft 6 in"
 */
export function formatLength(metres: number, unit: TapeUnit): string {
  switch (unit) {
    case 'ft': {
      const count = Math.round((metres / INCH) * 16);
      const feet = Math.floor(count / 192);
      const left = count - feet * 192;
      if (left === 0) return `${feet} ft`;
      return feet === 0 ? `${sixteenths(left)} in` : `${feet} ft ${sixteenths(left)} in`;
    }
    case 'in':
      return `${sixteenths(Math.round((metres / INCH) * 16))} in`;
    case 'm':
      return `${trim(metres, 2)} m`;
    case 'cm':
      return `${trim(metres * 100, 1)} cm`;
    case 'mm':
      return `${trim(metres * 1000, 0)} mm`;
  }
}

/** The shortest length that is told in feet rather than in inches. */
export const FEET_FROM = 3 * FOOT;
