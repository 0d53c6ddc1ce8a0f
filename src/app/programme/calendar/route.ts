import { ownView } from '@/data';
import { CALENDAR_HEADERS, coachCalendar } from '@/features/programme/calendar';
import { coachRoute } from '@/features/shared/server';

/** The diary as a calendar file. */
export const GET = coachRoute('assistant', async ({ database, principal }) => {
  const file = await coachCalendar(database, ownView(principal), new Date());
  return new Response(file, { headers: CALENDAR_HEADERS });
});
