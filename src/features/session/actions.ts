'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import {
  finishSession,
  getGroup,
  getSession,
  keepBuilt,
  moveRung,
  noteSession,
  reopenSession,
  rotateStations,
  startGroup,
  swapDrill,
} from '@/data';
import { greenOf } from '../greens/value';
import { act } from '../shared/action';
import type { ActionResult } from '../shared/result';

const rungSchema = z.number().int().min(0).max(20).nullable();

const starting = z.object({
  players: z
    .array(
      z.object({
        studentId: z.uuid('Choose a student.'),
        drillId: z.uuid('Choose a drill.'),
        /** Rung of the drill's ladder, from 0; null as the drill is drawn. */
        rung: rungSchema,
      }),
    )
    .min(1)
    .max(8, 'At most 8 putt in one rotation.'),
  /** A green, or one of its spots, as it stands in the list. */
  green: z.string().max(80).nullable(),
  /** Ten putts, each once, before any warm-up. */
  cold: z.boolean(),
});

/** Starts a session for each player; answers with the id of the first. */
export async function begin(input: z.input<typeof starting>): Promise<ActionResult<string>> {
  const result = await act(starting, input, async (database, owner, { players, green, cold }) => {
    const [id] = await startGroup(
      database,
      owner,
      players.map(({ rung, ...player }) => ({ ...player, ...(rung !== null && { rung }) })),
      { startedAt: new Date(), cold, ...(green && { green: greenOf(green) }) },
    );
    return id!;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

const swapping = z.object({
  sessionId: z.uuid(),
  drillId: z.uuid('Choose a drill.'),
  rung: rungSchema,
});

/** Goes on with a session on another drill, or anew on the same. */
export async function swap(input: z.input<typeof swapping>): Promise<ActionResult<null>> {
  const result = await act(swapping, input, async (database, owner, { sessionId, ...to }) => {
    await swapDrill(database, owner, sessionId, to);
    return null;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Moves a group on by one station. */
export async function rotate(id: string): Promise<ActionResult<null>> {
  const result = await act(z.uuid(), id, async (database, owner, session) => {
    await rotateStations(database, owner, session);
    return null;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

const noting = z.object({
  sessionId: z.uuid(),
  note: z.string().trim().max(2000, 'A note may have at most 2,000 letters.'),
});

/** Keeps what the coach notes of a session. */
export async function keepNote(input: z.input<typeof noting>): Promise<ActionResult<null>> {
  const result = await act(noting, input, async (database, owner, { sessionId, note }) => {
    await noteSession(database, owner, sessionId, note);
    return null;
  });
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

/** Finishes a session, and those of its group; answers with the ids of those that had anything to keep. */
export async function finish(id: string): Promise<ActionResult<string[]>> {
  const result = await act(z.uuid(), id, async (database, owner, session) => {
    const group = await getGroup(database, owner, await getSession(database, owner, session));
    const now = new Date();
    const kept: string[] = [];
    for (const one of group) {
      if ((await finishSession(database, owner, one.id, now)) === 'kept') kept.push(one.id);
    }
    return kept;
  });
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
