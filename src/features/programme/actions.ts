'use server';

import { z } from 'zod';
import { v4 } from 'uuid';
import { COLD_TEST } from '@/core/drill';
import { planFrame, planSchema, type PlanBlock } from '@/core/planning';
import { addPlan, archivePlan, goToNextBlock, savePlan, startPlan } from '@/data';
import { ownDrillOf, takeBuiltIn } from '../drills/take';
import { reckon } from '../reckoning/pool';
import { archivingSchema, coachAction } from '../shared/action';

const itemSchema = z.object({
  id: z.uuid(),
  ref: z.string().max(80),
  rungs: z.record(z.uuid(), z.number().int().min(0).max(20).nullable()),
  locked: z.boolean(),
  why: z.string().max(300),
});

const asking = z.object({ frame: planFrame, kept: z.array(itemSchema).max(20) });

/**
 * Proposes a plan round the blocks that are kept; all that suits is told too, to choose from.
 */
export const propose = coachAction(
  asking,
  (_database, principal, asked) => reckon('hour', principal, asked),
  { reads: true },
);

const timing = z.object({ frame: planFrame, item: itemSchema });

/** One block timed anew, on the rungs it is set to. */
export const timeBlock = coachAction(
  timing,
  (_database, principal, asked) => reckon('block', principal, asked),
  { reads: true },
);

const keeping = z.object({
  id: z.uuid().nullable(),
  frame: planFrame,
  items: z.array(itemSchema).min(1, 'A plan needs at least one drill.').max(20),
});

/** Keeps a plan, and takes the built-in drills it holds into the coach's own; answers with its id. */
export const keepPlan = coachAction(keeping, async (database, principal, { id, frame, items }) => {
  const blocks: PlanBlock[] = [];
  for (const { ref, ...item } of items) {
    blocks.push({ ...item, drillId: await ownDrillOf(database, principal, ref) });
  }
  const values = planSchema.parse({ ...frame, blocks });
  if (id === null) return addPlan(database, principal, values, new Date());
  await savePlan(database, principal, id, values);
  return id;
});

/** Starts a session that follows a plan; answers with the session of its first student. */
export const runPlan = coachAction(z.uuid(), async (database, principal, plan) => {
  const [first] = await startPlan(database, principal, plan, { startedAt: new Date() });
  return first!;
});

/** What the parts of a cold test take together, minutes. */
const COLD_MINUTES = 20;

/**
 * Starts the whole cold test for a student: the same five parts for everyone, one after the other; answers with the session. The
 * plan that it follows is put away at once: it is no hour that somebody made.
 */
export const startColdTest = coachAction(z.uuid(), async (database, principal, studentId) => {
  const blocks: PlanBlock[] = [];
  for (const key of COLD_TEST) {
    const drillId = await takeBuiltIn(database, principal, key);
    blocks.push({ id: v4(), drillId, rungs: {}, locked: true, why: '' });
  }
  const at = new Date();
  const values = planSchema.parse({
    name: 'Cold test',
    minutes: COLD_MINUTES,
    place: 'green',
    kit: [],
    goals: [],
    studentIds: [studentId],
    blocks,
  });
  const plan = await addPlan(database, principal, values, at);
  const [session] = await startPlan(database, principal, plan, { startedAt: at });
  await archivePlan(database, principal, plan, at);
  return session!;
});

/** Goes on with the next block of the plan that a session follows. */
export const nextInPlan = coachAction(z.uuid(), async (database, principal, id) => {
  await goToNextBlock(database, principal, id);
  return null;
});

/** Puts a plan away, or takes one back. */
export const setPlanArchived = coachAction(
  archivingSchema,
  async (database, principal, { id, archived }) => {
    await archivePlan(database, principal, id, archived ? new Date() : null);
    return null;
  },
);
