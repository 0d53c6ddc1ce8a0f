import { connection } from '@/data';
import { CALENDAR_HEADERS, coachCalendar } from '@/features/programme/calendar';

/** The diary as a calendar file. */
export async function GET() {
  const { database, owner } = await connection();
  return new Response(await coachCalendar(database, owner, new Date()), {
    headers: CALENDAR_HEADERS,
  });
}
