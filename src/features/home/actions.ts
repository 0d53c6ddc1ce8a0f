'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import {
  Problem,
  finishSession,
  homeSession,
  moveRung,
  openLink,
  reopenSession,
  startHomework,
  type Database,
} from '@/data';
import { act } from '../shared/action';
import type { ActionResult } from '../shared/result';

const tokenSchema = z.string().max(80);

/** Opens a student's link, and does something with what is theirs; the coach's own pages are not asked. */
async function asStudent<Input, T>(
  schema: z.ZodType<Input>,
  token: string,
  input: unknown,
  work: (database: Database, owner: string, studentId: string, values: Input) => Promise<T>,
): Promise<ActionResult<T>> {
  const result = await act(
    z.object({ token: tokenSchema, values: schema }),
    { token, values: input },
    async (database, _coach, asked) => {
      const { owner, studentId } = await openLink(database, asked.token);
      if (!studentId) throw new Problem('not-found', 'There is no such page.');
      return work(database, owner, studentId, asked.values);
    },
  );
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Starts, or goes on with, a session at home; answers with its id. */
export async function startAtHome(
  token: string,
  homeworkId: string,
): Promise<ActionResult<string>> {
  return asStudent(z.uuid(), token, homeworkId, (database, owner, studentId, id) =>
    startHomework(database, owner, studentId, id, new Date()),
  );
}

/** Finishes a session at home; answers with its id, or with nothing when nothing was logged. */
export async function finishAtHome(token: string, id: string): Promise<ActionResult<string[]>> {
  return asStudent(z.uuid(), token, id, async (database, owner, studentId, sessionId) => {
    await homeSession(database, owner, studentId, sessionId);
    const kept = await finishSession(database, owner, sessionId, new Date());
    return kept === 'kept' ? [sessionId] : [];
  });
}

/** Opens a finished session at home again. */
export async function reopenAtHome(token: string, id: string): Promise<ActionResult<null>> {
  return asStudent(z.uuid(), token, id, async (database, owner, studentId, sessionId) => {
    await homeSession(database, owner, studentId, sessionId);
    await reopenSession(database, owner, sessionId);
    return null;
  });
}

const moving = z.object({ sessionId: z.uuid(), rung: z.number().int().min(0).max(20) });

/** Goes on at home on another rung. */
export async function moveAtHome(
  token: string,
  to: z.input<typeof moving>,
): Promise<ActionResult<null>> {
  return asStudent(moving, token, to, async (database, owner, studentId, { sessionId, rung }) => {
    await homeSession(database, owner, studentId, sessionId);
    await moveRung(database, owner, sessionId, rung);
    return null;
  });
}
