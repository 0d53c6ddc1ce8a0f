import { unitNamed, type Dimension, type Unit } from '@/core/quantity';

/** How a file writes the part of a number that is below one. */
export type Decimal = '.' | ',';

/** A number, and its unit where the cell says it. */
export interface ReadNumber {
  value: number;
  unit: Unit | null;
}

const SHAPE = {
  '.': /^([+−-]?(?:\d{1,3}(?:[ ']\d{3})+|\d+)?(?:\.\d+)?(?:e[+-]?\d+)?)\s*(\D.*)?$/i,
  ',': /^([+−-]?(?:\d{1,3}(?:[ '.]\d{3})+|\d+)?(?:,\d+)?(?:e[+-]?\d+)?)\s*(\D.*)?$/i,
} as const;

/**
 * Reads a number from a cell, with its unit if it stands there.
 *
 * @param text the cell
 * @param decimal how the file writes decimals
 * @param dimension whose units may stand behind it
 * @returns null for what is no number, or has a unit of something else
 * @example readNumber('0,4 deg', ',', 'angle')?.value // 0.4
 */
export function readNumber(
  text: string,
  decimal: Decimal,
  dimension: Dimension,
): ReadNumber | null {
  const found = SHAPE[decimal].exec(text.trim());
  const digits = found?.[1];
  if (!digits || !/\d/.test(digits)) return null;
  const plain = digits
    .replace('−', '-')
    .replaceAll(decimal === ',' ? /[ '.]/g : /[ ']/g, '')
    .replace(',', '.');
  const value = Number(plain);
  if (!Number.isFinite(value)) return null;
  const written = found[2];
  if (!written) return { value, unit: null };
  const unit = unitNamed(dimension, written);
  return unit && { value, unit };
}

/**
 * The decimal sign of a file, by what its cells look like.
 *
 * @param cells some of it
 */
export function guessDecimal(cells: readonly string[]): Decimal {
  const count = (shape: RegExp) => cells.filter((cell) => shape.test(cell.trim())).length;
  return count(/^[+−-]?\d*,\d+(\s*\D*)$/) > count(/^[+−-]?\d*\.\d+(\s*\D*)$/) ? ',' : '.';
}
