import { format } from 'date-fns';
import { copyDatabase } from '@/data';
import { coachRoute } from '@/features/shared/server';

/** A whole copy of the academy's database, as a download: a head coach's to take. */
export const GET = coachRoute('head', async ({ database }) => {
  const file = await copyDatabase(database);
  return new Response(new Uint8Array(file), {
    headers: {
      'content-type': 'application/vnd.sqlite3',
      'content-disposition': `attachment; filename="dirigo-${format(new Date(), 'yyyy-MM-dd')}.db"`,
      'cache-control': 'no-store',
    },
  });
});
