import { format } from 'date-fns';
import { connection, copyDatabase } from '@/data';

/** A whole copy of the coach's database, as a download. */
export async function GET() {
  const { database } = await connection();
  const file = await copyDatabase(database);
  return new Response(new Uint8Array(file), {
    headers: {
      'content-type': 'application/vnd.sqlite3',
      'content-disposition': `attachment; filename="dirigo-${format(new Date(), 'yyyy-MM-dd')}.db"`,
      'cache-control': 'no-store',
    },
  });
}
