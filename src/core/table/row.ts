import type { Hand } from '@/core/people';
import {
  isQuantity,
  measuredProblem,
  quantityOf,
  unitNamed,
  type MeasuredValues,
} from '@/core/quantity';
import type { Mapping } from './mapping';
import { readNumber } from './number';
import { signOf } from './plus';
import { readTime, readWhen, type ReadWhen } from './when';

/** A row as a putt. */
export interface ReadRow {
  student: string | null;
  when: ReadWhen | null;
  id: string | null;
  result: string | null;
  note: string;
  values: MeasuredValues;
}

/**
 * Reads a row of a file.
 *
 * @param cells of the row
 * @param mapping what each column is
 * @param by the file, as its readings are said to be from
 * @param handOf whose hand the words of a side are of; right where it is left out
 * @returns the putt, or why it cannot be taken
 */
export function readRow(
  cells: readonly string[],
  mapping: Mapping,
  by: string,
  handOf: (student: string | null) => Hand = () => 'right',
): { ok: true; row: ReadRow } | { ok: false; reason: string } {
  const no = (reason: string) => ({ ok: false as const, reason });
  const row: ReadRow = { student: null, when: null, id: null, result: null, note: '', values: {} };
  let time: number | null = null;
  if (cells.length > mapping.columns.length) {
    return no(
      `The row has ${cells.length} cells, but there are ${mapping.columns.length} columns.`,
    );
  }
  const named = mapping.columns.findIndex((one) => one.target === 'student');
  const hand = handOf(cells[named]?.trim() || null);
  for (const [column, { target, unit, plus }] of mapping.columns.entries()) {
    const cell = (cells[column] ?? '').trim();
    if (cell === '' || target === 'ignore') continue;
    if (isQuantity(target)) {
      const { name, dimension } = quantityOf(target);
      const read = readNumber(cell, mapping.decimal, dimension);
      if (!read)
        return no(`${name}: “${cell.slice(0, 40)}” is not a number, or its unit does not fit.`);
      const si = (read.unit ?? unitNamed(dimension, unit ?? ''))?.si;
      if (si === undefined) return no(`${name}: no unit is given.`);
      row.values[target] = { value: signOf(target, plus, hand) * read.value * si, by };
      continue;
    }
    switch (target) {
      case 'student':
        row.student = cell;
        break;
      case 'when':
        row.when = readWhen(cell, mapping.order);
        if (!row.when) return no(`“${cell.slice(0, 40)}” is not a date.`);
        break;
      case 'time':
        time = readTime(cell);
        if (time === null) return no(`“${cell.slice(0, 40)}” is not a time of day.`);
        break;
      case 'id':
        row.id = cell.slice(0, 80);
        break;
      case 'result':
        row.result = cell;
        break;
      case 'note':
        row.note = cell.slice(0, 300);
        break;
    }
  }
  if (row.when && time !== null) row.when = { ...row.when, seconds: time };
  if (Object.keys(row.values).length === 0 && row.result === null) {
    return no('The row has no measurement and no result.');
  }
  const wrong = measuredProblem(row.values);
  return wrong ? no(wrong) : { ok: true, row };
}
