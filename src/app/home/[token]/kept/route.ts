import { connection } from '@/data';
import { hasNewest } from '@/features/offline/unless';
import { keptAtHome } from '@/features/offline/make-kept';
import { askingStudent } from '@/features/shared/principal';

/** What a student's device keeps at home to work with no server; nothing where it has the newest. */
export async function GET(request: Request, { params }: RouteContext<'/home/[token]/kept'>) {
  const principal = await askingStudent((await params).token);
  if (!principal) return new Response('Page not found.', { status: 404 });
  if (await hasNewest(request)) return new Response(null, { status: 204 });
  return Response.json(await keptAtHome(await connection(), principal), {
    headers: { 'cache-control': 'no-store' },
  });
}
