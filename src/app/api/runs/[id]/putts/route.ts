import { z } from 'zod';
import { Problem, connection, recordEvents } from '@/data';
import { messageFor } from '@/features/shared/action';
import { toWire } from '@/features/session/to-wire';
import { runEvents, type RunAnswer } from '@/features/session/wire';

const STATUS = { 'not-found': 404, finished: 409, invalid: 422, database: 503 } as const;

const answer = (body: RunAnswer, status = 200) => Response.json(body, { status });

/** Takes what a logging screen sends for a run, and answers with all of the run once it is on disk. */
export async function POST(request: Request, { params }: RouteContext<'/api/runs/[id]/putts'>) {
  const id = z.uuid().safeParse((await params).id);
  const body = runEvents.safeParse(await request.json().catch(() => null));
  if (!id.success || !body.success) {
    return answer(
      { ok: false, code: 'invalid', message: 'What was sent is not a list of putts for a run.' },
      422,
    );
  }
  try {
    const { database, owner } = await connection();
    const record = await recordEvents(database, owner, id.data, body.data.events, new Date());
    return answer({ ok: true, finished: record.finished, ...toWire(record) });
  } catch (error) {
    const problem = error instanceof Problem ? error : null;
    return answer(
      { ok: false, code: problem?.code ?? 'server', message: messageFor(error) },
      problem ? STATUS[problem.code] : 500,
    );
  }
}
