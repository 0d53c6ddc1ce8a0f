import { connection } from '@/data';
import { keptAtHome } from '@/features/offline/make-kept';
import { askingStudent } from '@/features/shared/principal';

/** What a student's device keeps at home to work with no server. */
export async function GET(_request: Request, { params }: RouteContext<'/home/[token]/kept'>) {
  const principal = await askingStudent((await params).token);
  if (!principal) return new Response('There is no such page.', { status: 404 });
  return Response.json(await keptAtHome(await connection(), principal), {
    headers: { 'cache-control': 'no-store' },
  });
}
