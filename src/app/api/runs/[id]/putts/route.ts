import { connection } from '@/data';
import { takeEvents } from '@/features/session/take-events';

/** Takes what a coach's logging screen sends. */
export async function POST(request: Request, { params }: RouteContext<'/api/runs/[id]/putts'>) {
  return takeEvents(request, (await params).id, connection);
}
