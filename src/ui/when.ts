import { tz } from '@date-fns/tz';
import { format as formatIn } from 'date-fns';

/** A day at noon where this device is, for what shows months by the device's clock: only its numbers count. */
export const deviceNoon = (day: string): Date => new Date(`${day}T12:00:00`);

/** The day that such a moment is of. */
export const deviceDay = (date: Date, pattern = 'yyyy-MM-dd'): string => formatIn(date, pattern);

/** Where `src/data/clock.ts` keeps the zone of the book, for all that is rendered on the server. */
const ZONE = Symbol.for('dirigo.zone');
type WithZone = typeof globalThis & { [ZONE]?: string };

/**
 * The zone that all times are told in: the coach's. On the server it is what the data was opened with; in a browser what
 * the page says, whatever the zone of the device is.
 */
export function zoneNow(): string {
  const told =
    typeof document === 'undefined'
      ? (globalThis as WithZone)[ZONE]
      : document.documentElement.dataset.zone;
  return told ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
}

/**
 * A moment on the coach's clock.
 *
 * @param at a date, or a moment in ISO 8601
 * @param pattern as date-fns has it
 * @example format(at, 'd MMM, HH:mm') // '3 May, 16:16'
 */
export const format = (at: Date | string | number, pattern: string): string =>
  formatIn(at, pattern, { in: tz(zoneNow()) });
