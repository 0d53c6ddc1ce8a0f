import 'server-only';
import { z } from 'zod';
import { Problem, recordEvents, type Database, type Principal } from '@/data';
import { messageFor } from '../shared/action';
import { toWire } from './to-wire';
import { runEvents, type RunAnswer } from './wire';

const STATUS = {
  'not-found': 404,
  finished: 409,
  invalid: 422,
  refused: 401,
  database: 503,
} as const;

const answer = (body: RunAnswer, status = 200) => Response.json(body, { status });

/**
 * Takes what a logging screen sends for a run, and answers with all of the run once it is on disk.
 *
 * @param request its body
 * @param runId as the address names it
 * @param open who sends; throws when it is nobody
 */
export async function takeEvents(
  request: Request,
  runId: string,
  open: () => Promise<{ database: Database; principal: Principal }>,
): Promise<Response> {
  const id = z.uuid().safeParse(runId);
  const body = runEvents.safeParse(await request.json().catch(() => null));
  if (!id.success || !body.success) {
    return answer(
      { ok: false, code: 'invalid', message: 'What was sent is not a list of putts for a run.' },
      422,
    );
  }
  try {
    const { database, principal } = await open();
    const record = await recordEvents(database, principal, id.data, body.data.events, new Date());
    return answer({ ok: true, finished: record.finished, ...toWire(record) });
  } catch (error) {
    const problem = error instanceof Problem ? error : null;
    return answer(
      { ok: false, code: problem?.code ?? 'server', message: messageFor(error) },
      problem ? STATUS[problem.code] : 500,
    );
  }
}
