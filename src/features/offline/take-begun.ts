import type { Translate } from '@/words/translate';
import 'server-only';
import { addDays, addMinutes } from 'date-fns';
import {
  Problem,
  finishSession,
  getSession,
  keepBegun,
  ownerOf,
  type Begun,
  type Database,
  type Principal,
} from '@/data';
import { takeBuiltIn } from '../drills/take';
import { keyOfRef } from '../programme/library-ref';
import { STATUS, messageFor } from '../shared/message';
import { begunSent, type BegunAnswer, type BegunRun } from './wire';

const answer = (body: BegunAnswer, status = 200) => Response.json(body, { status });

/** A run as it is kept; a built-in drill is taken into the coach's own for it. */
async function toRun(
  t: Translate,
  database: Database,
  principal: Principal,
  { ref, versionId, ...run }: BegunRun,
): Promise<Begun['runs'][number]> {
  const key = keyOfRef(ref);
  if (!key) return { ...run, drillId: ref, ...(versionId && { versionId }) };
  if (principal.as === 'student') {
    throw new Problem('not-found', t('offline.takeBegun.thisDrillIsNotOn'));
  }
  return { ...run, drillId: await takeBuiltIn(database, principal, key) };
}

/**
 * Takes a session that was begun on a device with no server, and finishes it once its putts have come.
 *
 * @param request its body
 * @param open who sends; throws when it is nobody
 */
export async function takeBegun(
  t: Translate,
  request: Request,
  open: () => Promise<{ database: Database; principal: Principal }>,
): Promise<Response> {
  const sent = begunSent.safeParse(await request.json().catch(() => null));
  if (!sent.success) {
    const message = t('offline.takeBegun.theDataSentIsNot');
    return answer({ ok: false, code: 'invalid', message }, 422);
  }
  try {
    const { database, principal } = await open();
    const { session, finish, owner } = sent.data;
    if (owner !== null && owner !== ownerOf(principal)) {
      const message = t('offline.takeBegun.thisSessionIsWaitingFor');
      return answer({ ok: false, code: 'other', message }, 403);
    }
    const now = new Date();
    const runs: Begun['runs'] = [];
    for (const run of session.runs) runs.push(await toRun(t, database, principal, run));
    const begun = { ...session, startedAt: new Date(session.startedAt), runs };
    const kept = await keepBegun(database, principal, begun, now);
    if (finish && session.finishedAt) {
      const { startedAt } = await getSession(database, principal, session.id);
      const told = new Date(session.finishedAt);
      const sane = told >= startedAt && told <= addMinutes(now, 1) && told < addDays(startedAt, 2);
      await finishSession(database, principal, session.id, sane ? told : now);
    }
    return answer({ ok: true, ...kept });
  } catch (error) {
    const problem = error instanceof Problem ? error : null;
    return answer(
      { ok: false, code: problem?.code ?? 'server', message: messageFor(error) },
      problem ? STATUS[problem.code] : 500,
    );
  }
}
