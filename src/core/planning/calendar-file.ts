import { TZDate } from '@date-fns/tz';
import { createEvents, type DateArray, type EventAttributes } from 'ics';
import { dayAfter, type Day } from '@/core/calendar';

/** Something with a day, and perhaps a time of day in a zone. */
export interface Dated {
  id: string;
  day: Day;
  /** Null for the whole day. */
  time: string | null;
  zone: string;
  minutes: number;
  title: string;
  about: string;
}

/**
 * When a thing begins. A time that the clocks pass over in spring is the same so long after midnight.
 *
 * @param day of the calendar
 * @param time of day there
 * @param zone where
 */
export function instantOf(day: Day, time: string, zone: string): Date {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number];
  const [hours, minutes] = time.split(':').map(Number) as [number, number];
  return new Date(new TZDate(year, month - 1, date, hours, minutes, zone).getTime());
}

const dateOf = (day: Day): DateArray => day.split('-').map(Number) as [number, number, number];

const momentOf = (at: Date): DateArray => [
  at.getUTCFullYear(),
  at.getUTCMonth() + 1,
  at.getUTCDate(),
  at.getUTCHours(),
  at.getUTCMinutes(),
];

/**
 * A calendar as a file (RFC 5545). Times are in UTC, reckoned from the wall clock of their zone, so that a lesson at five
 * stays at five when the clocks change.
 *
 * @param name of the calendar
 * @param entries in any order
 * @param at when it is made
 * @throws Error when the calendar cannot be written
 */
export function calendarFile(name: string, entries: readonly Dated[], at: Date): string {
  const { error, value } = createEvents(
    entries.map(({ id, day, time, zone, minutes, title, about }): EventAttributes => {
      const rest = {
        uid: `${id}@dirigo`,
        productId: '-//Dirigo//Dirigo//EN',
        calName: name,
        title,
        timestamp: at.getTime(),
        ...(about && { description: about }),
      };
      return time === null
        ? { ...rest, start: dateOf(day), end: dateOf(dayAfter(day, 1)) }
        : {
            ...rest,
            start: momentOf(instantOf(day, time, zone)),
            startInputType: 'utc',
            startOutputType: 'utc',
            duration: { hours: Math.floor(minutes / 60), minutes: minutes % 60 },
          };
    }),
    { calName: name, productId: '-//Dirigo//Dirigo//EN' },
  );
  if (error || !value) throw error ?? new Error('The calendar file could not be created.');
  return foldedByOctets(value);
}

/** Octets of a line, its end not counted. */
const LINE = 75;

/** Folds lines by octets, as the standard asks; the writer counts letters. */
function foldedByOctets(text: string): string {
  return text
    .replaceAll(/\r\n[ \t]/g, '')
    .split('\r\n')
    .map((line) => {
      let [folded, octets] = ['', 0];
      for (const letter of line) {
        const more = new TextEncoder().encode(letter).length;
        if (octets + more > LINE) {
          folded += '\r\n ';
          octets = 1;
        }
        folded += letter;
        octets += more;
      }
      return folded;
    })
    .join('\r\n');
}
