import { format } from '@/ui/when';
import { copyDatabase } from '@/data';
import { tooManyFiles } from '@/features/shared/limits';
import { coachRoute } from '@/features/shared/server';

/** A whole copy of the academy's database, as a download: a head coach's to take. */
export const GET = coachRoute('head', async ({ database, principal }) => {
  const refused = await tooManyFiles(principal.coachId);
  if (refused) return refused;
  const file = await copyDatabase(database);
  return new Response(new Uint8Array(file), {
    headers: {
      'content-type': 'application/vnd.sqlite3',
      'content-disposition': `attachment; filename="dirigo-${format(new Date(), 'yyyy-MM-dd')}.db"`,
      'cache-control': 'no-store',
    },
  });
});
