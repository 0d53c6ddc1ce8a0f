import { connection, notFound } from '@/data';
import { takeEvents } from '@/features/session/take-events';
import { askingStudent } from '@/features/shared/principal';

/** Takes what a student's logging screen sends from home: for that student's own sessions there, and no others. */
export async function POST(request: Request, { params }: RouteContext<'/home/[token]/runs/[id]'>) {
  const { token, id } = await params;
  return takeEvents(request, id, async () => {
    const principal = await askingStudent(token);
    if (!principal) throw notFound('page');
    return { database: await connection(), principal };
  });
}
