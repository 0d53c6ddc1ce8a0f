import { DEGREE, FOOT, INCH } from '@/core/units';

/** What kind of thing a quantity is; it decides the units that it can be given in. */
export type Dimension = 'angle' | 'length' | 'share' | 'speed' | 'time' | 'ratio';

/** A unit that a value can be given in. */
export interface Unit {
  /** As it is written in files and by instruments: "deg". */
  id: string;
  /** As it is written beside a number, with its space: "°", " mm". */
  symbol: string;
  /** What one of it is in SI. */
  si: number;
  /** Other ways in which spreadsheets write it, in small letters. */
  names: readonly string[];
}

const unit = (id: string, symbol: string, si: number, ...names: string[]): Unit => ({
  id,
  symbol,
  si,
  names: [id.toLowerCase(), ...names],
});

/** Units of each dimension: first the one that files are written in (SI), then the one that is shown, then others. */
export const UNITS: Record<Dimension, readonly [si: Unit, shown: Unit, ...others: Unit[]]> = {
  angle: [
    unit('rad', ' rad', 1, 'radian', 'radians'),
    unit('deg', '°', DEGREE, '°', 'degree', 'degrees'),
  ],
  length: [
    unit('m', ' m', 1, 'metre', 'metres', 'meter', 'meters'),
    unit('mm', ' mm', 0.001, 'millimetre', 'millimetres', 'millimeter', 'millimeters'),
    unit('cm', ' cm', 0.01, 'centimetre', 'centimetres', 'centimeter', 'centimeters'),
    unit('in', ' in', INCH, 'inch', 'inches', '"'),
  ],
  share: [
    unit('1', '', 1, 'share', 'fraction'),
    unit('%', ' %', 0.01, 'percent', 'per cent', 'pct'),
  ],
  speed: [
    unit('m/s', ' m/s', 1, 'mps', 'ms-1'),
    unit('m/s', ' m/s', 1),
    unit('ft/s', ' ft/s', FOOT, 'fps'),
    unit('km/h', ' km/h', 1 / 3.6, 'kmh', 'kph'),
    unit('mph', ' mph', 0.44704, 'mi/h'),
  ],
  time: [
    unit('s', ' s', 1, 'sec', 'second', 'seconds'),
    unit('s', ' s', 1),
    unit('ms', ' ms', 0.001, 'msec', 'millisecond', 'milliseconds'),
  ],
  ratio: [unit('1', '', 1, 'ratio', ':1'), unit('1', '', 1)],
};

/** The unit in which a dimension is kept and written to files. */
export const siUnit = (dimension: Dimension): Unit => UNITS[dimension][0];

/** The unit in which a dimension is shown on screens. */
export const shownUnit = (dimension: Dimension): Unit => UNITS[dimension][1];

/**
 * A unit of a dimension by how it is written; null when it is none of it.
 *
 * @param dimension what is measured
 * @param written as in a file, in any case
 * @example unitNamed('angle', 'Degrees')?.id // "deg"
 */
export function unitNamed(dimension: Dimension, written: string): Unit | null {
  const name = written.trim().toLowerCase();
  return UNITS[dimension].find(({ names }) => names.includes(name)) ?? null;
}
