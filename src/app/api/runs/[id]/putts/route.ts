import { z } from 'zod';
import { Problem, connection, recordPutts, runFinished } from '@/data';
import { messageFor } from '@/features/shared/action';
import { puttEvents, type PuttsAnswer } from '@/features/session/wire';

const STATUS = { 'not-found': 404, finished: 409, invalid: 422, database: 503 } as const;

const answer = (body: PuttsAnswer, status = 200) => Response.json(body, { status });

/** Takes what a logging screen sends for a run, and answers with all putts of the run once they are on disk. */
export async function POST(request: Request, { params }: RouteContext<'/api/runs/[id]/putts'>) {
  const id = z.uuid().safeParse((await params).id);
  const body = puttEvents.safeParse(await request.json().catch(() => null));
  if (!id.success || !body.success) {
    return answer(
      { ok: false, code: 'invalid', message: 'What was sent is not a list of putts for a run.' },
      422,
    );
  }
  try {
    const { database, owner } = await connection();
    const putts = await recordPutts(database, owner, id.data, body.data.events, new Date());
    return answer({
      ok: true,
      finished: await runFinished(database, owner, id.data),
      putts: putts.map((putt) => ({
        id: putt.id,
        outcomes: putt.outcomes,
        at: putt.at.toISOString(),
        undone: putt.undoneAt !== null,
      })),
    });
  } catch (error) {
    const problem = error instanceof Problem ? error : null;
    return answer(
      { ok: false, code: problem?.code ?? 'server', message: messageFor(error) },
      problem ? STATUS[problem.code] : 500,
    );
  }
}
