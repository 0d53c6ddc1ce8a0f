'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { finishSession, keepBuilt, moveRung, reopenSession, startSession } from '@/data';
import { greenOf } from '../greens/value';
import { act } from '../shared/action';
import type { ActionResult } from '../shared/result';

const starting = z.object({
  studentId: z.uuid('Choose a student.'),
  drillId: z.uuid('Choose a drill.'),
  /** A green, or one of its spots, as it stands in the list. */
  green: z.string().max(80).nullable(),
  /** Rung of the drill's ladder, from 0; null as the drill is drawn. */
  rung: z.number().int().min(0).max(20).nullable(),
});

/** Starts a session; answers with its id. */
export async function begin(input: z.input<typeof starting>): Promise<ActionResult<string>> {
  const result = await act(starting, input, (database, owner, { green, rung, ...values }) =>
    startSession(database, owner, {
      ...values,
      startedAt: new Date(),
      ...(green && { green: greenOf(green) }),
      ...(rung !== null && { rung }),
    }),
  );
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

const moving = z.object({ sessionId: z.uuid(), rung: z.number().int().min(0).max(20) });

/** Goes on with a session on another rung of its drill. */
export async function move(input: z.input<typeof moving>): Promise<ActionResult<null>> {
  const result = await act(moving, input, async (database, owner, { sessionId, rung }) => {
    await moveRung(database, owner, sessionId, rung);
    return null;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

const measuring = z.object({
  runId: z.uuid(),
  element: z.string().max(40),
  measured: z.record(z.string().max(20), z.number().min(0).max(40)),
});

/** Keeps what was measured of an element once it stood; an empty record goes back to the plan. */
export async function built(input: z.input<typeof measuring>): Promise<ActionResult<null>> {
  const result = await act(measuring, input, async (database, owner, values) => {
    await keepBuilt(database, owner, values.runId, values.element, values.measured);
    return null;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Finishes a session; says whether there was anything to keep. */
export async function finish(id: string): Promise<ActionResult<'kept' | 'empty'>> {
  const result = await act(z.uuid(), id, (database, owner, session) =>
    finishSession(database, owner, session, new Date()),
  );
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Opens a finished session again. */
export async function reopen(id: string): Promise<ActionResult<null>> {
  const result = await act(z.uuid(), id, async (database, owner, session) => {
    await reopenSession(database, owner, session);
    return null;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}
