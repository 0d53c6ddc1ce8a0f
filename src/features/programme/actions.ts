'use server';

import { differenceInDays } from 'date-fns';
import { revalidatePath } from 'next/cache';
import { v4 } from 'uuid';
import { z } from 'zod';
import {
  needsOfGroup,
  planFrame,
  planSchema,
  proposeHour,
  type PlanBlock,
  type PlanFrame,
} from '@/core/planning';
import {
  addPlan,
  archivePlan,
  getCoach,
  goToNextBlock,
  lastColdTests,
  savePlan,
  startPlan,
  type Database,
} from '@/data';
import { takeBuiltIn } from '../drills/take';
import { act, archiving } from '../shared/action';
import type { ActionResult } from '../shared/result';
import { keyOfRef, offerOfItem, offersFor } from './offers';
import type { Offer, PlanItem } from './plan-shape';
import { plannedStudent } from './players';

const itemSchema = z.object({
  id: z.uuid(),
  ref: z.string().max(80),
  rungs: z.record(z.uuid(), z.number().int().min(0).max(20).nullable()),
  locked: z.boolean(),
  why: z.string().max(300),
});

/** Days after which a cold test is due again. */
const COLD_AFTER = 21;

async function studentsOf(database: Database, owner: string, { studentIds }: PlanFrame, at: Date) {
  return Promise.all(studentIds.map((id) => plannedStudent(database, owner, id, at)));
}

/** What suits a plan, and the blocks of it. */
export interface Proposal {
  offers: Offer[];
  items: PlanItem[];
}

const asking = z.object({ frame: planFrame, kept: z.array(itemSchema).max(20) });

/**
 * Proposes a plan round the blocks that are kept; all that suits is told too, to choose from.
 */
export async function propose(input: z.input<typeof asking>): Promise<ActionResult<Proposal>> {
  return act(asking, input, async (database, owner, { frame, kept }) => {
    const at = new Date();
    const students = await studentsOf(database, owner, frame, at);
    const { units } = (await getCoach(database, owner)).settings;
    const { candidates, offers } = await offersFor(database, owner, students, frame, units);
    const stays = await Promise.all(
      kept.map(async (item) => ({
        item,
        offer: await offerOfItem(database, owner, students, frame, units, item),
      })),
    );
    const cold = await lastColdTests(database, owner);
    const due = frame.studentIds.some((id) => {
      const last = cold.get(id);
      return !last || differenceInDays(at, last) >= COLD_AFTER;
    });
    const plan = proposeHour(
      {
        minutes: frame.minutes,
        needs: needsOfGroup(students.map(({ needs }) => needs)),
        goals: frame.goals,
        cold: due,
      },
      candidates.filter(({ id }) => !kept.some(({ ref }) => ref === id)),
      stays.flatMap(({ item, offer }) =>
        offer ? [{ ...offer, id: item.id, phase: offer.phase }] : [],
      ),
    );
    const items = plan.map((block): PlanItem => {
      const known = kept.find(({ id }) => id === block.id);
      if (known) return known;
      const found = candidates.find(({ id }) => id === block.id)!;
      return {
        id: v4(),
        ref: block.id,
        rungs: Object.fromEntries(found.players.map(({ rung }, i) => [frame.studentIds[i]!, rung])),
        locked: false,
        why: 'why' in block ? block.why : '',
      };
    });
    return { offers: [...offers, ...stays.flatMap(({ offer }) => offer ?? [])], items };
  });
}

const timing = z.object({ frame: planFrame, item: itemSchema });

/** One block timed anew, on the rungs it is set to. */
export async function timeBlock(
  input: z.input<typeof timing>,
): Promise<ActionResult<Offer | null>> {
  return act(timing, input, async (database, owner, { frame, item }) => {
    const students = await studentsOf(database, owner, frame, new Date());
    const { units } = (await getCoach(database, owner)).settings;
    return offerOfItem(database, owner, students, frame, units, item);
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
