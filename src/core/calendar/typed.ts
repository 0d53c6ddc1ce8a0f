import { getDaysInMonth } from 'date-fns';
import { dayAfter, weekdayOf, type Day } from './days';

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
/** Years that are believed. */
const YEARS = { min: 1990, max: 2100 } as const;

const two = (number: number): string => String(number).padStart(2, '0');

/** A day of these numbers; null where there is none. */
function dayOf(year: number, month: number, date: number): Day | null {
  const full = year < 100 ? 2000 + year : year;
  if (full < YEARS.min || full > YEARS.max || month < 1 || month > 12) return null;
  if (date < 1 || date > getDaysInMonth(new Date(full, month - 1))) return null;
  return `${full}-${two(month)}-${two(date)}`;
}

/** The day with this month and date that is nearest to today. */
function nearest(today: Day, month: number, date: number): Day | null {
  const year = Number(today.slice(0, 4));
  // A leap day is never more than two years away.
  const days = [-2, -1, 0, 1, 2].flatMap((away) => dayOf(year + away, month, date) ?? []);
  const away = (day: Day) => Math.abs(Date.parse(day) - Date.parse(today));
  return days.toSorted((a, b) => away(a) - away(b))[0] ?? null;
}

/**
 * A day as it is typed, the date before the month.
 *
 * @param text "27 Nov", "27 November 2026", "27.11.26", "27/11", "2026-11-27", "today", "tomorrow", or "fri" for the next one
 * @param today where a year is left out, the nearest such day is meant
 * @returns null for what is no day
 * @example typedDay('27 Nov', '2026-10-01') // "2026-11-27"
 */
export function typedDay(text: string, today: Day): Day | null {
  const typed = text.trim().toLowerCase();
  if (typed === 'today') return today;
  if (typed === 'tomorrow') return dayAfter(today, 1);
  const whole = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(typed);
  if (whole) return dayOf(Number(whole[1]), Number(whole[2]), Number(whole[3]));
  const numbers = /^(\d{1,2})[./-](\d{1,2})(?:[./-](\d{4}|\d{2}))?\.?$/.exec(typed);
  if (numbers) {
    const [date, month] = [Number(numbers[1]), Number(numbers[2])];
    return numbers[3] ? dayOf(Number(numbers[3]), month, date) : nearest(today, month, date);
  }
  // The day of the week may stand before it, as it is shown.
  const named = /^(?:[a-z]{3,9},? )?(\d{1,2})\.? ([a-z]{3,9})\.?(?:,? (\d{4}|\d{2}))?$/.exec(typed);
  if (named) {
    const month = MONTHS.findIndex((one) => named[2]!.startsWith(one)) + 1;
    const date = Number(named[1]);
    return named[3] ? dayOf(Number(named[3]), month, date) : nearest(today, month, date);
  }
  const weekday = typed.length >= 3 ? WEEKDAYS.findIndex((one) => typed.startsWith(one)) : -1;
  if (weekday === -1 || /\d/.test(typed)) return null;
  const ahead = (weekday - ((weekdayOf(today) + 6) % 7) + 7) % 7;
  return dayAfter(today, ahead === 0 ? 7 : ahead);
}

/**
 * A time of the day as it is typed.
 *
 * @param text "16:30", "16.30", "1630", "16", "4:30 pm", "9am"
 * @returns "16:30"; null for what is none
 * @example typedTime('4:30 pm') // "16:30"
 */
export function typedTime(text: string): string | null {
  const found = /^(\d{1,2})(?:[:.h ]?(\d{2}))? ?([ap])?\.?(?:m\.?)?$/.exec(
    text.trim().toLowerCase(),
  );
  if (!found) return null;
  const [hours, minutes, half] = [Number(found[1]), Number(found[2] ?? 0), found[3]];
  if (half && (hours < 1 || hours > 12)) return null;
  const of24 = half ? (hours % 12) + (half === 'p' ? 12 : 0) : hours;
  return of24 > 23 || minutes > 59 ? null : `${two(of24)}:${two(minutes)}`;
}

/**
 * A day and a time as one moment of the coach's clock: "2026-11-27T16:30".
 *
 * @param day as {@link typedDay} gives it, or as it is being typed
 * @param time as {@link typedTime} gives it, or as it is being typed
 */
export const momentOf = (day: string, time: string): string =>
  // What divides them stands in no time.
  `${day}T${time.replaceAll('T', 't')}`;

/** The parts of such a moment. */
export function partsOfMoment(moment: string): [day: string, time: string] {
  const at = moment.lastIndexOf('T');
  return at === -1 ? [moment, ''] : [moment.slice(0, at), moment.slice(at + 1)];
}
