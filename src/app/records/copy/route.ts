import { format } from 'date-fns';
import { copyDatabase } from '@/data';
import { countTry, waitOf } from '@/features/shared/limits';
import { coachRoute } from '@/features/shared/server';

/** A whole copy of the academy's database, as a download: a head coach's to take. */
export const GET = coachRoute('head', async ({ database, principal }) => {
  const wait = await waitOf('copies', principal.coachId);
  if (wait > 0) {
    return new Response('Six copies a minute are enough. Wait a little.', {
      status: 429,
      headers: { 'retry-after': String(wait) },
    });
  }
  await countTry('copies', principal.coachId);
  const file = await copyDatabase(database);
  return new Response(new Uint8Array(file), {
    headers: {
      'content-type': 'application/vnd.sqlite3',
      'content-disposition': `attachment; filename="dirigo-${format(new Date(), 'yyyy-MM-dd')}.db"`,
      'cache-control': 'no-store',
    },
  });
});
