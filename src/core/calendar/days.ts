import { z } from 'zod';

const DAY_MS = 86_400_000;
/** More days than that in a row are no time off. */
const MOST_OFF = 120;

/** A day of the calendar, as "2026-04-09": the same everywhere, whatever the time zone. */
export const daySchema = z.iso.date('Enter a date, such as 9 Apr 2026.');
export type Day = string;

/** A time of day, as "17:30". */
export const timeSchema = z
  .string()
  .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Enter a time, such as 17:30.');

const numberOf = (day: Day): number => Date.parse(`${day}T00:00:00Z`) / DAY_MS;

/** The day so many days later; earlier when negative. */
export const dayAfter = (day: Day, days: number): Day =>
  new Date((numberOf(day) + days) * DAY_MS).toISOString().slice(0, 10);

/** Days from one to another; negative when the other is earlier. */
export const daysBetween = (from: Day, to: Day): number => numberOf(to) - numberOf(from);

/** 1 Monday to 7 Sunday. */
export const weekdayOf = (day: Day): number => ((numberOf(day) + 3) % 7) + 1;

/** The Monday of a day's week. */
export const mondayOf = (day: Day): Day => dayAfter(day, 1 - weekdayOf(day));

const SHORT = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  timeZone: 'UTC',
});

const saidBy =
  (format: Intl.DateTimeFormat) =>
  (day: Day): string =>
    format.format(new Date(`${day}T00:00:00Z`)).replace(',', '');

/** A day as one says it: "Tue 3 Mar". */
export const dayWords = saidBy(SHORT);

const FULL = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
});

/** A day with its year: "Tue 3 Mar 2026". */
export const fullDayWords = saidBy(FULL);

/** The day that it is somewhere. */
export const dayIn = (at: Date, zone: string): Day =>
  // The Swedes write days as we keep them.
  new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short' }).format(at);

/** Days on which nobody comes: the first and the last of them, and what for. */
export const daysOffSchema = z
  .object({
    from: daySchema,
    until: daySchema,
    why: z.string().trim().max(60, 'The reason is too long: use at most 60 characters.'),
  })
  .refine(({ from, until }) => until >= from, {
    path: ['until'],
    error: ({ input }) => {
      const { from, until } = input as { from: string; until: string };
      return `The last day, ${dayWords(until)}, is before the first day, ${dayWords(from)}. Choose the first day or a later one.`;
    },
  })
  .refine(({ from, until }) => !(daysBetween(from, until) >= MOST_OFF), {
    path: ['until'],
    error: `The time off is too long: use at most ${MOST_OFF} days in a row.`,
  });

export type DaysOff = z.infer<typeof daysOffSchema>;

/** Several such times. */
export const allDaysOffSchema = z
  .array(daysOffSchema)
  .max(30, 'There are too many entries: use at most 30 periods of time off.');

/**
 * The time off that a day falls in.
 *
 * @param day of the calendar
 * @param off times off, first and last days included
 * @returns the first of them that holds it; undefined where it is none's
 */
export const offOn = (day: Day, off: readonly DaysOff[]): DaysOff | undefined =>
  off.find(({ from, until }) => from <= day && day <= until);

/** A time off in words: "Fri 25 Dec, holiday", "Thu 24 Dec to Sat 2 Jan". */
export const offWords = ({ from, until, why }: DaysOff): string =>
  `${dayWords(from)}${until === from ? '' : ` to ${dayWords(until)}`}${why && `, ${why}`}`;
