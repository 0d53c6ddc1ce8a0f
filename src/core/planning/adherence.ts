import { dayAfter, daysBetween, type Day } from '@/core/calendar';
import type { HomeworkValues } from './dates';

/** One week of homework. */
export interface HomeworkWeek {
  from: Day;
  asked: number;
  /** Days on which it was done; never told as more than asked. */
  done: number;
  /** It is going on. */
  now: boolean;
}

/** How homework was done. */
export interface Adherence {
  weeks: HomeworkWeek[];
  /** Over the weeks that are over. */
  asked: number;
  done: number;
}

/**
 * How much of some homework was done, week by week from its first day.
 *
 * @param homework how often it is asked, from when until when
 * @param days on which it was done, each once or more
 * @param today the week that it is in is told, but not counted
 */
export function adherenceOf(
  { from, until, timesAWeek }: Pick<HomeworkValues, 'from' | 'until' | 'timesAWeek'>,
  days: readonly Day[],
  today: Day,
): Adherence {
  const last = until < today ? until : today;
  const count = daysBetween(from, last) < 0 ? 0 : Math.floor(daysBetween(from, last) / 7) + 1;
  const weeks = Array.from({ length: count }, (_, i): HomeworkWeek => {
    const start = dayAfter(from, 7 * i);
    const end = dayAfter(start, 6);
    // A last week that is cut short asks for its share.
    const length = Math.min(7, daysBetween(start, until) + 1);
    const asked = Math.max(1, Math.round((timesAWeek * length) / 7));
    const on = new Set(days.filter((day) => day >= start && day <= end && day <= until));
    const now = today >= start && today <= end && today <= until;
    return { from: start, asked, done: Math.min(asked, on.size), now };
  });
  const over = weeks.filter(({ now }) => !now);
  return {
    weeks,
    asked: over.reduce((sum, { asked }) => sum + asked, 0),
    done: over.reduce((sum, { done }) => sum + done, 0),
  };
}
