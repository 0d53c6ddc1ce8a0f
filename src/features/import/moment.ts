import { TZDate } from '@date-fns/tz';
import { dayIn } from '@/core/calendar';
import type { ReadWhen } from '@/core/table';

/** The earliest year that is taken for a date of putting. */
export const FIRST_YEAR = 1900;

const two = (value: number): string => String(value).padStart(2, '0');

/** A day as a file writes it: "2025-10-03". */
const dayOf = ({ year, month, day }: ReadWhen): string =>
  `${String(year).padStart(4, '0')}-${two(month)}-${two(day)}`;

/** A time of day on a zone's clock, as a moment. */
function onClock(day: string, seconds: number, zone: string): Date {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const whole = Math.floor(seconds);
  const local = new TZDate(
    year,
    month - 1,
    date,
    Math.floor(whole / 3600),
    Math.floor((whole % 3600) / 60),
    whole % 60,
    Math.round(1000 * (seconds - whole)),
    zone,
  );
  return new Date(local.getTime());
}

/**
 * Returns the day and the moment of a putt of a file.
 *
 * @param when as the file says it; null where it says nothing
 * @param usual the day of putts of which the file says none, and the seconds of the day of those of which it says no time
 * @param zone the coach's, by whose clock times without an offset are read
 * @returns the day on the coach's calendar, the moment, and the day as the file writes it; null where no day is known
 */
export function momentOf(
  when: ReadWhen | null,
  usual: { day: string | null; seconds: number },
  zone: string,
): { day: string; at: Date; written: string } | null {
  if (when?.offset !== undefined && when.seconds !== null) {
    const { year, month, day, seconds, offset } = when;
    const midnight = Date.UTC(year, month - 1, day);
    const at = new Date(midnight + Math.round(1000 * seconds) - 60_000 * offset);
    return { day: dayIn(at, zone), at, written: dayOf(when) };
  }
  const day = when ? dayOf(when) : usual.day;
  if (!day) return null;
  return { day, at: onClock(day, when?.seconds ?? usual.seconds, zone), written: day };
}
