import { z } from 'zod';
import {
  UNITS,
  isQuantity,
  quantities,
  quantityOf,
  shownUnit,
  unitNamed,
  type Dimension,
} from '@/core/quantity';
import { guessDecimal, readNumber, type Decimal } from './number';
import { plusOptions, usualPlus } from './plus';
import { DATE_ORDERS, guessOrder, readWhen } from './when';

/** What a column can say beside a measured quantity. */
export const TEXT_TARGETS = {
  ignore: { name: 'ignore this column', columns: [] },
  student: {
    name: 'student’s name',
    columns: ['student', 'player', 'name', 'golfer', 'pupil', 'athlete', 'user'],
  },
  when: {
    name: 'date, or date and time',
    columns: ['date', 'when', 'at', 'timestamp', 'date time', 'datetime', 'day', 'started at'],
  },
  time: { name: 'time of day', columns: ['time', 'time of day', 'clock'] },
  id: { name: 'putt number or ID', columns: ['id', 'putt', 'putt id', 'shot', 'shot id', 'uuid'] },
  result: { name: 'result', columns: ['result', 'outcome', 'made', 'holed'] },
  note: { name: 'note', columns: ['note', 'notes', 'comment', 'remark', 'remarks'] },
} as const;
export type TextTarget = keyof typeof TEXT_TARGETS;

const target = z
  .string()
  .refine((id) => id in TEXT_TARGETS || isQuantity(id), 'A column cannot hold this.');

/** What each column of a file is taken for. */
export const mappingSchema = z.object({
  columns: z
    .array(
      z.object({
        target,
        unit: z.string().max(20).nullable(),
        /** Which way it counts up. */
        plus: z.string().max(40).default('right'),
      }),
    )
    .min(1, 'The file has no columns.')
    .max(200, 'The file has too many columns: use at most 200.'),
  decimal: z.enum(['.', ',']),
  order: z.enum(DATE_ORDERS),
  /** Rows before the first putt: headings, and units where they have a row of their own. */
  skip: z.number().int().min(0).max(20),
  /** Of all rows, where no column says it. */
  studentId: z.uuid().nullable(),
  day: z.iso.date().nullable(),
  /** The drill that was putted; null for putts of which nothing but the readings is known. */
  drillId: z.uuid().nullable(),
  /** Players whose names are not here yet are added, right-handed until somebody says otherwise. */
  addStudents: z.boolean(),
});
export type Mapping = z.infer<typeof mappingSchema>;

/** What a file looks like, as far as its first rows tell. */
export interface Guess {
  mapping: Mapping;
  /** What could not be told for sure, in words. */
  doubts: string[];
}

/** A heading as words, and the unit that stands in it. */
function partsOf(heading: string): { words: string; unit: string | null } {
  const bracket = /[([{]([^)\]}]*)[)\]}]/.exec(heading);
  const words = heading
    .replace(/[([{][^)\]}]*[)\]}]/g, ' ')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replace(/[_\-/.:]+/g, ' ')
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ');
  return { words, unit: bracket?.[1]?.trim() ?? null };
}

/** How well words name something: the longest of its names that they hold; 0 for none. */
function fit(words: string, names: readonly string[]): number {
  let best = 0;
  for (const name of names) {
    if (words === name) best = Math.max(best, 100 + name.length);
    else if (` ${words} `.includes(` ${name} `)) best = Math.max(best, name.length);
  }
  return best;
}

/** The last word of a heading as a unit of a quantity: "face deg", "head speed m s". */
function unitBehind(words: string, id: string): string | null {
  const { dimension } = quantityOf(id);
  const spelled: Record<string, string> = {
    'm s': 'm/s',
    'ft s': 'ft/s',
    percent: '%',
    share: '1',
  };
  for (const [written, unit] of Object.entries(spelled)) {
    if (words.endsWith(` ${written}`) && unitNamed(dimension, unit)) return unit;
  }
  return unitNamed(dimension, words.split(' ').at(-1)!)?.id ?? null;
}

const ALL_UNITS = Object.keys(UNITS) as Dimension[];

/** The unit that values have, where nothing says it: by their size, against what a putt can be. */
function unitBySize(id: string, values: readonly number[]): string {
  const { dimension, prior, middle } = quantityOf(id);
  const shown = shownUnit(dimension);
  if (values.length === 0 || !prior) return shown.id;
  const sizes = values.map(Math.abs).sort((a, b) => a - b);
  const large = sizes[Math.floor(0.9 * (sizes.length - 1))]!;
  const usual = 2 * (prior.biasSpread + prior.middleSpread) + (middle ? 0.6 * prior.slip : 0);
  const off = (unit: { si: number }) =>
    Math.abs(Math.log((Math.max(large, 1e-6) * unit.si) / usual));
  const ranked = UNITS[dimension].toSorted((a, b) => off(a) - off(b));
  return off(shown) < off(ranked[0]!) + 1.5 ? shown.id : ranked[0]!.id;
}

/** A unit as it is spoken of: a bare share has no name of its own. */
const nameOfUnit = (id: string, unit: string): string =>
  unit === '1' && quantityOf(id).dimension === 'share' ? 'fractions of 1' : unit;

/**
 * Guesses what the columns of a file are, from their headings and first rows.
 *
 * @param rows the first rows as they stand, headings among them
 * @example guess([['Player', 'Face (deg)'], ['Ama', '0.4']]).mapping.columns[1] // { target: 'face', unit: 'deg' }
 */
export function guessMapping(rows: readonly (readonly string[])[]): Guess {
  const width = Math.max(0, ...rows.map((row) => row.length));
  const headings = rows[0] ?? [];
  const doubted: { column: number; words: string }[] = [];
  const isUnits = (row: readonly string[] | undefined) =>
    !!row &&
    row.every((cell) => !/\d/.test(cell)) &&
    row.some((cell) => cell.trim() !== '') &&
    row.some((cell) => ALL_UNITS.some((unit) => unitNamed(unit, cell)));
  const second = isUnits(rows[1]) ? rows[1]! : null;
  const body = rows.slice(second ? 2 : 1);
  const cellsOf = (column: number) =>
    body.map((row) => row[column] ?? '').filter((cell) => cell.trim());
  const decimal: Decimal = guessDecimal(body.flat());
  const taken = new Set<string>();
  const sided: number[] = [];
  const candidates = Array.from({ length: width }, (_, column) => {
    const heading = headings[column] ?? '';
    const { words, unit } = partsOf(heading);
    const texts = (Object.keys(TEXT_TARGETS) as TextTarget[]).map((id) => ({
      id: id as string,
      fit: fit(words, TEXT_TARGETS[id].columns),
    }));
    const measured = quantities().map((one) => {
      const own = [
        one.id.toLowerCase(),
        partsOf(one.id).words,
        one.name.toLowerCase(),
        ...one.columns,
      ];
      return { id: one.id, fit: fit(words, own) };
    });
    const best = [...texts, ...measured].sort((a, b) => b.fit - a.fit)[0]!;
    return { column, words, unit, best };
  });
  const columns = Array.from({ length: width }, () => ({
    target: 'ignore' as string,
    unit: null as string | null,
    plus: 'right',
  }));
  for (const { column, words, unit, best } of candidates.sort((a, b) => b.best.fit - a.best.fit)) {
    if (best.fit === 0 || taken.has(best.id) || / error( |$)/.test(words)) continue;
    if (!isQuantity(best.id)) {
      taken.add(best.id);
      columns[column] = { target: best.id, unit: null, plus: 'right' };
      continue;
    }
    const { dimension } = quantityOf(best.id);
    const said =
      (unit && unitNamed(dimension, unit)?.id) ??
      (second && unitNamed(dimension, second[column] ?? '')?.id) ??
      unitBehind(words, best.id);
    const numbers = cellsOf(column).flatMap((cell) => {
      const read = readNumber(cell, decimal, dimension);
      return read ? [read] : [];
    });
    // A column of words is no measured quantity, whatever it is called.
    const cells = cellsOf(column).length;
    if (numbers.length < cells / 2 || (cells > 0 && numbers.length === 0)) continue;
    taken.add(best.id);
    const bySize = unitBySize(
      best.id,
      numbers.map(({ value }) => value),
    );
    const inCells = numbers.length > 0 && numbers.every((one) => one.unit);
    const first = inCells ? numbers[0]!.unit!.id : null;
    const own = (headings[column] ?? '').startsWith(`${best.id}_`);
    columns[column] = {
      target: best.id,
      unit: said ?? first ?? bySize,
      plus: usualPlus(best.id, own),
    };
    if (!own && plusOptions(best.id).length > 2) sided.push(column);
    if (!said && !inCells && UNITS[dimension][0].id !== UNITS[dimension][1].id) {
      const words = `No unit is given for “${(headings[column] ?? '').trim()}”. Is it ${nameOfUnit(best.id, bySize)}?`;
      doubted.push({ column, words });
    }
  }
  const doubts = doubted.sort((a, b) => a.column - b.column).map((one) => one.words);
  if (sided.length > 0) {
    const names = sided
      .sort((a, b) => a - b)
      .map((column) => `“${(headings[column] ?? '').trim()}”`);
    doubts.push(
      `It is not clear which side is positive in ${names.join(', ')}. Check the first rows below.`,
    );
  }
  const dates = columns.findIndex((one) => one.target === 'when');
  const { order, sure } = guessOrder(dates < 0 ? [] : cellsOf(dates));
  if (dates >= 0 && !sure) {
    const [cell] = cellsOf(dates);
    const when = cell && readWhen(cell, order);
    if (when) doubts.push(`Is “${cell}” day ${when.day} of month ${when.month}?`);
  }
  return {
    mapping: {
      columns,
      decimal,
      order,
      skip: second ? 2 : 1,
      studentId: null,
      day: null,
      drillId: null,
      addStudents: false,
    },
    doubts,
  };
}
