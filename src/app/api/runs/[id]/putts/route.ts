import { Problem, connection } from '@/data';
import { takeEvents } from '@/features/session/take-events';
import { askingCoach } from '@/features/shared/principal';

/** Takes what a coach's logging screen sends. */
export async function POST(request: Request, { params }: RouteContext<'/api/runs/[id]/putts'>) {
  return takeEvents(request, (await params).id, async () => {
    const principal = await askingCoach();
    if (!principal) throw new Problem('refused', 'You are signed out here. Sign in again.');
    return { database: await connection(), principal };
  });
}
