/** In which order a file writes day, month and year. */
export const DATE_ORDERS = ['ymd', 'dmy', 'mdy'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

/** A time as a file writes it, in the coach's own time. */
export interface ReadWhen {
  year: number;
  month: number;
  day: number;
  /** Seconds of the day; null where only the day is said. */
  seconds: number | null;
  /** How far the file's clock is ahead of UTC, min, where it says so ("Z", "+02:00"); else it is the coach's own clock. */
  offset?: number;
}

const DATE = /^(\d{1,4})[-/. ](\d{1,2})[-/. ](\d{1,4})/;
const TIME = /(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?\s*([ap]\.?m\.?)?/i;

/**
 * Reads a date, and the time after it if there is one.
 *
 * @param text the cell: "2025-10-03 14:05", "3/10/2025", "03.10.2025 2:05 pm"
 * @param order of day, month and year, where the year does not stand first
 * @returns null for what is no date
 */
export function readWhen(text: string, order: DateOrder): ReadWhen | null {
  const found = DATE.exec(text.trim());
  if (!found) return null;
  const [first, second, third] = found.slice(1, 4).map(Number) as [number, number, number];
  const yearFirst = found[1]!.length === 4 || order === 'ymd';
  const [year, month, day] = yearFirst
    ? [first, second, third]
    : order === 'mdy'
      ? [third, first, second]
      : [third, second, first];
  const full = year < 100 ? 2000 + year : year;
  const there = new Date(Date.UTC(full, month - 1, day));
  if (there.getUTCMonth() !== month - 1 || there.getUTCDate() !== day || full > 2200) return null;
  const rest = text.slice(found[0].length);
  const offset = readOffset(rest);
  return { year: full, month, day, seconds: readTime(rest), ...(offset !== null && { offset }) };
}

const OFFSET = /:\d{2}(?:[.,]\d+)?\s*(?:(Z)|([+-])(\d{2}):?(\d{2}))\s*$/i;

/** How far a written time is ahead of UTC, min; null where it does not say. */
function readOffset(text: string): number | null {
  const found = OFFSET.exec(text);
  if (!found) return null;
  const [, utc, sign, hours, minutes] = found;
  if (utc) return 0;
  return (sign === '-' ? -1 : 1) * (60 * Number(hours) + Number(minutes));
}

/** Seconds of the day that a time says; null for none. */
export function readTime(text: string): number | null {
  const found = TIME.exec(text);
  if (!found) return null;
  const [, hours, minutes, seconds = '0', half] = found;
  let hour = Number(hours);
  if (half) hour = (hour % 12) + (/^p/i.test(half) ? 12 : 0);
  const all = 3600 * hour + 60 * Number(minutes) + Number(seconds.replace(',', '.'));
  return hour < 24 && Number(minutes) < 60 && Number(seconds.replace(',', '.')) < 60 ? all : null;
}

/**
 * The order in which a file writes its dates, and whether that can be told.
 *
 * @param cells of the column
 */
export function guessOrder(cells: readonly string[]): { order: DateOrder; sure: boolean } {
  let [first, second] = [false, false];
  for (const cell of cells) {
    const found = DATE.exec(cell.trim());
    if (!found) continue;
    if (found[1]!.length === 4) return { order: 'ymd', sure: true };
    if (Number(found[1]) > 12) first = true;
    if (Number(found[2]) > 12) second = true;
  }
  return { order: second && !first ? 'mdy' : 'dmy', sure: first !== second };
}
