import { connection, homeSessionOfRun, notFound, openLink } from '@/data';
import { takeEvents } from '@/features/session/take-events';

/** Takes what a student's logging screen sends from home: for that student's own sessions there, and no others. */
export async function POST(request: Request, { params }: RouteContext<'/home/[token]/runs/[id]'>) {
  const { token, id } = await params;
  return takeEvents(request, id, async (runId) => {
    const { database } = await connection();
    const { owner, studentId } = await openLink(database, token);
    if (!studentId) throw notFound('page');
    await homeSessionOfRun(database, owner, studentId, runId);
    return { database, owner };
  });
}
