'use server';

import { z } from 'zod';
import { planFrame, planSchema, type PlanBlock } from '@/core/planning';
import { addPlan, archivePlan, goToNextBlock, savePlan, startPlan } from '@/data';
import { takeBuiltIn } from '../drills/take';
import { reckon } from '../reckoning/pool';
import { archivingSchema, coachAction } from '../shared/action';
import { keyOfRef } from './library-ref';

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
    const key = keyOfRef(ref);
    const drillId = key ? await takeBuiltIn(database, principal, key) : ref;
    blocks.push({ ...item, drillId });
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
