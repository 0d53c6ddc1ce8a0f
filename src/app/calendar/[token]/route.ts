import { connection, openLink, ownView } from '@/data';
import { CALENDAR_HEADERS, coachCalendar } from '@/features/programme/calendar';

/** The diary for another calendar to follow, behind a link that nobody guesses. */
export async function GET(_request: Request, { params }: RouteContext<'/calendar/[token]'>) {
  const database = await connection();
  const at = new Date();
  const opened = await openLink(database, (await params).token, at).catch(() => null);
  if (!opened || opened.as === 'student') {
    return new Response('There is no such calendar.', { status: 404 });
  }
  return new Response(await coachCalendar(database, ownView(opened), at), {
    headers: CALENDAR_HEADERS,
  });
}
