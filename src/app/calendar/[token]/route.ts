import { connection, ownView } from '@/data';
import { CALENDAR_HEADERS, coachCalendar } from '@/features/programme/calendar';
import { openedBy } from '@/features/shared/principal';

/** The diary for another calendar to follow, behind a link that nobody guesses. */
export async function GET(_request: Request, { params }: RouteContext<'/calendar/[token]'>) {
  const opened = await openedBy((await params).token);
  if (!opened || opened.as === 'student') {
    return new Response('Calendar not found.', { status: 404 });
  }
  return new Response(await coachCalendar(await connection(), ownView(opened), new Date()), {
    headers: CALENDAR_HEADERS,
  });
}
