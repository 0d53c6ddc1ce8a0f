'use server';

import { z } from 'zod';
import {
  keepBuilt,
  moveRung,
  noteSession,
  reopenSession,
  rotateStations,
  startGroup,
  swapDrill,
} from '@/data';
import { ownDrillOf } from '../drills/take';
import { greenOf } from '../greens/value';
import { keyOfRef } from '../programme/library-ref';
import { coachAction } from '../shared/action';

/** An assistant logs too. */
const LOGGING = { least: 'assistant' } as const;

const rungSchema = z.number().int().min(0).max(20).nullable();

/** One of the coach's own drills by its id, or a built-in one by its reference. */
const drillRef = z
  .string()
  .max(80)
  .refine((ref) => z.uuid().safeParse(ref).success || keyOfRef(ref) !== null, 'Choose a drill.');

const starting = z.object({
  players: z
    .array(
      z.object({
        studentId: z.uuid('Choose a student.'),
        drillId: drillRef,
        /** Rung of the drill's ladder, from 0; null as the drill is drawn. */
        rung: rungSchema,
      }),
    )
    .min(1)
    .max(8, 'Too many students: up to 8 can putt in one rotation.'),
  /** A green, or one of its spots, as it stands in the list. */
  green: z.string().max(80).nullable(),
  /** Ten putts, each once, before any warm-up. */
  cold: z.boolean(),
});

/** Starts a session for each player; answers with the id of the first. */
export const begin = coachAction(
  starting,
  async (database, principal, { players, green, cold }) => {
    const chosen = [];
    for (const { rung, drillId, ...player } of players) {
      const own = await ownDrillOf(database, principal, drillId);
      chosen.push({ ...player, drillId: own, ...(rung !== null && { rung }) });
    }
    const [id] = await startGroup(database, principal, chosen, {
      startedAt: new Date(),
      cold,
      ...(green && { green: greenOf(green) }),
    });
    return id!;
  },
  LOGGING,
);

const swapping = z.object({
  sessionId: z.uuid(),
  drillId: drillRef,
  rung: rungSchema,
});

/** Goes on with a session on another drill, or anew on the same. */
export const swap = coachAction(
  swapping,
  async (database, principal, { sessionId, drillId, rung }) => {
    const own = await ownDrillOf(database, principal, drillId);
    await swapDrill(database, principal, sessionId, { drillId: own, rung });
    return null;
  },
  LOGGING,
);

/** Moves a group on by one station. */
export const rotate = coachAction(
  z.uuid(),
  async (database, principal, session) => {
    await rotateStations(database, principal, session);
    return null;
  },
  LOGGING,
);

const noting = z.object({
  sessionId: z.uuid(),
  note: z.string().trim().max(2000, 'The note is too long: use at most 2,000 characters.'),
});

/** Keeps what the coach notes of a session. */
export const keepNote = coachAction(noting, async (database, principal, { sessionId, note }) => {
  await noteSession(database, principal, sessionId, note);
  return null;
});

const moving = z.object({ sessionId: z.uuid(), rung: z.number().int().min(0).max(20) });

/** Goes on with a session on another rung of its drill. */
export const move = coachAction(
  moving,
  async (database, principal, { sessionId, rung }) => {
    await moveRung(database, principal, sessionId, rung);
    return null;
  },
  LOGGING,
);

const measuring = z.object({
  runId: z.uuid(),
  element: z.string().max(40),
  measured: z.record(z.string().max(20), z.number().min(0).max(40)),
  off: z.record(z.string().max(20), z.number().positive().max(0.1)).default({}),
});

/** Keeps what was measured of an element once it stood; an empty record goes back to the plan. */
export const built = coachAction(
  measuring,
  async (database, principal, values) => {
    const { runId, element, measured, off } = values;
    await keepBuilt(database, principal, runId, element, measured, off);
    return null;
  },
  LOGGING,
);

/** Opens a finished session again. */
export const reopen = coachAction(
  z.uuid(),
  async (database, principal, session) => {
    await reopenSession(database, principal, session);
    return null;
  },
  LOGGING,
);
