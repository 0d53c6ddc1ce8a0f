import 'server-only';
import { dayAfter, dayIn } from '@/core/calendar';
import { calendarFile, type Dated } from '@/core/planning';
import {
  getCoach,
  listAppointments,
  listStudents,
  type Database,
  type CoachPrincipal,
} from '@/data';
import { KINDS, forWhat } from './date-words';

/** Days back and ahead that a calendar tells of. */
const BACK = 60;
const AHEAD = 400;

/** A coach's dates as a calendar file. */
export async function coachCalendar(
  database: Database,
  principal: CoachPrincipal,
  at: Date,
): Promise<string> {
  const { name, settings } = await getCoach(database, principal);
  const today = dayIn(at, settings.zone);
  const dates = await listAppointments(database, principal, {
    from: dayAfter(today, -BACK),
    until: dayAfter(today, AHEAD),
    own: true,
  });
  const students = new Map(
    (await listStudents(database, principal)).map((student) => [student.id, student.name]),
  );
  return calendarFile(
    name ? `Putting, ${name}` : 'Putting',
    dates.map((date): Dated => {
      const { id, day, time, zone, minutes, kind, note } = date;
      const words = forWhat(date);
      return {
        id,
        day,
        time,
        zone,
        minutes,
        title: `${students.get(date.studentId) ?? ''}: ${KINDS[kind].name}${words ? `, ${words}` : ''}`,
        about: note,
      };
    }),
    at,
  );
}

export const CALENDAR_HEADERS = {
  'content-type': 'text/calendar; charset=utf-8',
  'content-disposition': 'attachment; filename="dirigo.ics"',
  'cache-control': 'no-store',
};
