'use server';

import { v4 } from 'uuid';
import { z } from 'zod';
import {
  coldTestDue,
  needsOfGroup,
  planFrame,
  planSchema,
  proposeHour,
  type PlanBlock,
} from '@/core/planning';
import { addPlan, archivePlan, goToNextBlock, lastColdTests, savePlan, startPlan } from '@/data';
import { takeBuiltIn } from '../drills/take';
import { archivingSchema, coachAction } from '../shared/action';
import { keyOfRef, planner } from './offers';
import type { Offer, PlanItem } from './plan-shape';

const itemSchema = z.object({
  id: z.uuid(),
  ref: z.string().max(80),
  rungs: z.record(z.uuid(), z.number().int().min(0).max(20).nullable()),
  locked: z.boolean(),
  why: z.string().max(300),
});

/** What suits a plan, the blocks of it, and how those that were kept run as they are set. */
export interface Proposal {
  offers: Offer[];
  items: PlanItem[];
  own: Record<string, Offer>;
  /** What the minutes rest on, in words. */
  reckoned: string;
}

const rungsOf = (players: Offer['players']): PlanItem['rungs'] =>
  Object.fromEntries(players.map(({ studentId, rung }) => [studentId, rung]));

const asking = z.object({ frame: planFrame, kept: z.array(itemSchema).max(20) });

/**
 * Proposes a plan round the blocks that are kept; all that suits is told too, to choose from.
 */
export const propose = coachAction(
  asking,
  async (database, principal, { frame, kept }) => {
    const at = new Date();
    const { students, suiting, asSet, reckoned } = await planner(database, principal, frame, at);
    const { candidates, offers } = suiting();
    // A drill that was put away since is kept no more.
    const stays = kept.flatMap((item) => {
      const offer = asSet(item);
      return offer ? [{ item: { ...item, rungs: rungsOf(offer.players) }, offer }] : [];
    });
    const cold = await lastColdTests(database, principal);
    const plan = proposeHour(
      {
        minutes: frame.minutes,
        needs: needsOfGroup(students.map(({ needs }) => needs)),
        goals: frame.goals,
        cold: frame.studentIds.some((id) => coldTestDue(cold.get(id), at)),
      },
      candidates.filter(({ id }) => !kept.some(({ ref }) => ref === id)),
      stays.map(({ item, offer }) => ({ ...offer, id: item.id })),
    );
    const items = plan.map((block): PlanItem => {
      const known = stays.find(({ item }) => item.id === block.id);
      if (known) return known.item;
      const { players } = offers.find(({ ref }) => ref === block.id)!;
      const why = 'why' in block ? block.why : '';
      return { id: v4(), ref: block.id, rungs: rungsOf(players), locked: false, why };
    });
    const own = Object.fromEntries(stays.map(({ item, offer }) => [item.id, offer]));
    return { offers, items, own, reckoned };
  },
  { reads: true },
);

const timing = z.object({ frame: planFrame, item: itemSchema });

/** One block timed anew, on the rungs it is set to. */
export const timeBlock = coachAction(
  timing,
  async (database, principal, { frame, item }) => {
    const { asSet } = await planner(database, principal, frame, new Date());
    return asSet(item);
  },
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
