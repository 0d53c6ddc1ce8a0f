import 'server-only';
import { z } from 'zod';
import {
  Problem,
  finishRun,
  ownerOf,
  recordEvents,
  type Database,
  type Principal,
  type RunEvent,
} from '@/data';
import { STATUS, messageFor } from '../shared/message';
import { toWire } from './to-wire';
import { runEvent, runEvents, type RefusedEvent, type RunAnswer } from './wire';

/** What was sent: what is recorded in the run, when its session was finished, and what could not be read. */
interface Sorted {
  events: RunEvent[];
  finishedAt: Date | null;
  refused: RefusedEvent[];
}

/** Each event by itself: those that are none are told, and do not hold up the others. */
function sorted(sent: unknown[]): Sorted {
  const events: RunEvent[] = [];
  const refused: RefusedEvent[] = [];
  let finishedAt: Date | null = null;
  for (const one of sent) {
    const parsed = runEvent.safeParse(one);
    if (parsed.success) {
      if (parsed.data.type === 'finish') finishedAt = parsed.data.at;
      else events.push(parsed.data);
      continue;
    }
    const named = z.object({ type: z.string(), id: z.string() }).safeParse(one);
    const { type, id } = named.data ?? { type: '', id: '' };
    refused.push({ type, id, message: z.prettifyError(parsed.error) });
  }
  return { events, finishedAt, refused };
}

/** What is answered, and under which status. */
interface Answer {
  status: number;
  body: RunAnswer;
}

/**
 * Takes what a logging screen sends for a run, and answers with what is new to it once that is on disk.
 *
 * @param sent the body of the request, whatever it is
 * @param runId as the address names it
 * @param open who sends; throws when it is nobody
 */
export async function takeEvents(
  sent: unknown,
  runId: string,
  open: () => Promise<{ database: Database; principal: Principal }>,
): Promise<Answer> {
  const id = z.uuid().safeParse(runId);
  const body = runEvents.safeParse(sent);
  if (!id.success || !body.success) {
    const message = 'The request is not a valid list of putts for this run.';
    return { status: 422, body: { ok: false, code: 'invalid', message } };
  }
  try {
    const { database, principal } = await open();
    const { since, owner } = body.data;
    if (owner !== null && owner !== ownerOf(principal)) {
      const message =
        'This is waiting for the person who logged it. It will be sent when that person signs in on this device.';
      return { status: 403, body: { ok: false, code: 'other', message } };
    }
    const { events, finishedAt, refused } = sorted(body.data.events);
    const now = new Date();
    const record = await recordEvents(database, principal, id.data, events, now, since);
    if (finishedAt) await finishRun(database, principal, id.data, finishedAt, now);
    const { whole, position, late } = record;
    const finished = record.finished || finishedAt !== null;
    return {
      status: 200,
      body: {
        ok: true,
        ...{ finished, whole, position, late },
        refused: [...refused, ...record.refused],
        ...toWire(record),
      },
    };
  } catch (error) {
    const problem = error instanceof Problem ? error : null;
    return {
      status: problem ? STATUS[problem.code] : 500,
      body: { ok: false, code: problem?.code ?? 'server', message: messageFor(error) },
    };
  }
}
