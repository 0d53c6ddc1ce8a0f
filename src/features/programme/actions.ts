'use server';

import { revalidatePath } from 'next/cache';
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
import { act, archiving } from '../shared/action';
import type { ActionResult } from '../shared/result';
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
interface Proposal {
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
export async function propose(input: z.input<typeof asking>): Promise<ActionResult<Proposal>> {
  return act(asking, input, async (database, owner, { frame, kept }) => {
    const at = new Date();
    const { students, suiting, asSet, reckoned } = await planner(database, owner, frame, at);
    const { candidates, offers } = suiting();
    // A drill that was put away since is kept no more.
    const stays = kept.flatMap((item) => {
      const offer = asSet(item);
      return offer ? [{ item: { ...item, rungs: rungsOf(offer.players) }, offer }] : [];
    });
    const cold = await lastColdTests(database, owner);
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
  });
}

const timing = z.object({ frame: planFrame, item: itemSchema });

/** One block timed anew, on the rungs it is set to. */
export async function timeBlock(
  input: z.input<typeof timing>,
): Promise<ActionResult<Offer | null>> {
  return act(timing, input, async (database, owner, { frame, item }) => {
    const { asSet } = await planner(database, owner, frame, new Date());
    return asSet(item);
  });
}

const keeping = z.object({
  id: z.uuid().nullable(),
  frame: planFrame,
  items: z.array(itemSchema).min(1, 'A plan needs at least one drill.').max(20),
});

/** Keeps a plan, and takes the built-in drills it holds into the coach's own; answers with its id. */
export async function keepPlan(input: z.input<typeof keeping>): Promise<ActionResult<string>> {
  const result = await act(keeping, input, async (database, owner, { id, frame, items }) => {
    const blocks: PlanBlock[] = [];
    for (const { ref, ...item } of items) {
      const key = keyOfRef(ref);
      const drillId = key ? await takeBuiltIn(database, owner, key) : ref;
      blocks.push({ ...item, drillId });
    }
    const values = planSchema.parse({ ...frame, blocks });
    if (id === null) return addPlan(database, owner, values, new Date());
    await savePlan(database, owner, id, values);
    return id;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Starts a session that follows a plan; answers with the session of its first student. */
export async function runPlan(id: string): Promise<ActionResult<string>> {
  const result = await act(z.uuid(), id, async (database, owner, plan) => {
    const [first] = await startPlan(database, owner, plan, { startedAt: new Date() });
    return first!;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Goes on with the next block of the plan that a session follows. */
export async function nextInPlan(sessionId: string): Promise<ActionResult<null>> {
  const result = await act(z.uuid(), sessionId, async (database, owner, id) => {
    await goToNextBlock(database, owner, id);
    return null;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Puts a plan away, or takes one back. */
export async function setPlanArchived(id: string, archived: boolean): Promise<ActionResult<null>> {
  return archiving(id, archived, archivePlan);
}
