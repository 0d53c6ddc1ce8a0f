import { connection, openLink } from '@/data';
import { CALENDAR_HEADERS, coachCalendar } from '@/features/programme/calendar';

/** The diary for another calendar to follow, behind a link that nobody guesses. */
export async function GET(_request: Request, { params }: RouteContext<'/calendar/[token]'>) {
  const { database } = await connection();
  const opened = await openLink(database, (await params).token).catch(() => null);
  if (!opened || opened.studentId !== null) {
    return new Response('There is no such calendar.', { status: 404 });
  }
  return new Response(await coachCalendar(database, opened.owner, new Date()), {
    headers: CALENDAR_HEADERS,
  });
}
