import { TZDate } from '@date-fns/tz';
import ICAL from 'ical.js';
import type { Day } from '@/core/calendar';

/** A date that a calendar's file says. */
export interface CalendarDate {
  summary: string;
  day: Day;
  /** Time of day in the coach's zone; null for a whole day. */
  time: string | null;
  minutes: number;
  note: string;
}

/** Of a date that comes again, no more than these, and no farther off than a year. */
const MOST = { times: 60, days: 366 };
const DAY = 86_400_000;
/** A date of the diary takes so long, minutes. */
const LENGTH = { least: 10, most: 240 };

const two = (number: number): string => String(number).padStart(2, '0');

/**
 * The dates of a calendar's file (RFC 5545), those that come again once for each time.
 *
 * @param text the file
 * @param zone the coach's, in which days and times are told
 * @param now dates that are over are left out
 * @throws RangeError when it is no calendar
 * @example calendarDates(file, 'Europe/Berlin', new Date())[0]?.summary // "Ama Lock, lesson"
 */
export function calendarDates(text: string, zone: string, now: Date): CalendarDate[] {
  let root: ICAL.Component;
  try {
    root = new ICAL.Component(ICAL.parse(text) as unknown[]);
  } catch {
    throw new RangeError('This file looks like a calendar, but it cannot be read as one.');
  }
  for (const zoned of root.getAllSubcomponents('vtimezone')) {
    ICAL.TimezoneService.register(new ICAL.Timezone(zoned));
  }
  return root.getAllSubcomponents('vevent').flatMap((component) => {
    const event = new ICAL.Event(component);
    if (!event.startDate) return [];
    const minutes = Math.round(event.duration.toSeconds() / 60);
    const told = (start: ICAL.Time): CalendarDate[] => {
      const at = start.toJSDate();
      if (at.getTime() < now.getTime() - DAY || at.getTime() > now.getTime() + MOST.days * DAY)
        return [];
      const there = start.isDate
        ? { day: `${start.year}-${two(start.month)}-${two(start.day)}`, time: null }
        : inZone(start.zone?.tzid === 'floating' ? null : at, start, zone);
      return [
        {
          summary: event.summary ?? '',
          ...there,
          minutes: start.isDate ? 60 : Math.min(LENGTH.most, Math.max(LENGTH.least, minutes)),
          note: (event.description ?? '').slice(0, 300),
        },
      ];
    };
    if (!event.isRecurring()) return told(event.startDate);
    const all: CalendarDate[] = [];
    const again = event.iterator();
    for (let time = 0; time < 5000 && all.length < MOST.times; time++) {
      const next = again.next();
      if (!next || next.toJSDate().getTime() > now.getTime() + MOST.days * DAY) break;
      all.push(...told(next));
    }
    return all;
  });
}

/** A moment on the wall clock of a zone; one that belongs to no zone is on every wall the same. */
function inZone(at: Date | null, start: ICAL.Time, zone: string): { day: Day; time: string } {
  const wall = at ? new TZDate(at.getTime(), zone) : null;
  const [year, month, day, hour, minute] = wall
    ? [wall.getFullYear(), wall.getMonth() + 1, wall.getDate(), wall.getHours(), wall.getMinutes()]
    : [start.year, start.month, start.day, start.hour, start.minute];
  return {
    day: `${year}-${two(month)}-${two(day)}`,
    time: `${two(hour)}:${two(minute)}`,
  };
}
