import { z } from 'zod';
import { PLACES, skillsSchema } from '@/core/drill';
import { kitSchema, nameSchema } from '@/core/people';

/** One drill of a plan, in its place. */
const blockSchema = z.object({
  id: z.uuid(),
  drillId: z.uuid(),
  /** The rung of each student, from 0; null as it is drawn. */
  rungs: z.record(z.uuid(), z.number().int().min(0).max(20).nullable()),
  /** Stays when the rest is proposed anew. */
  locked: z.boolean(),
  why: z.string().max(300).default(''),
});

export type PlanBlock = z.infer<typeof blockSchema>;

const PLAN_MINUTES = { min: 10, max: 180 } as const;

/** Who, where, how long, with what and what for. */
export const planFrame = z.object({
  name: nameSchema(),
  minutes: z
    .number({ error: 'Enter the minutes: 10 to 180.' })
    .int('Enter a whole number of minutes.')
    .min(PLAN_MINUTES.min, 'Too short: use 10 to 180 minutes.')
    .max(PLAN_MINUTES.max, 'Too long: use 10 to 180 minutes.'),
  place: z.enum(PLACES),
  kit: kitSchema,
  goals: skillsSchema,
  studentIds: z
    .array(z.uuid())
    .min(1, 'Choose at least one student.')
    .max(8, 'Too many students: up to 8 can putt in one rotation.'),
});

export type PlanFrame = z.infer<typeof planFrame>;

/** A plan of a session, as it is kept. */
export const planSchema = planFrame.extend({
  blocks: z.array(blockSchema).min(1, 'Add at least one drill.').max(20),
});

export type PlanValues = z.infer<typeof planSchema>;

/**
 * The block that comes next in a session that follows a plan.
 *
 * @param blocks of the plan in order
 * @param played ids of the blocks that were begun
 * @returns null when the last was begun, or when nothing of the plan was
 */
export function nextBlock<B extends { id: string }>(
  blocks: readonly B[],
  played: readonly (string | null)[],
): B | null {
  const last = blocks.findLastIndex(({ id }) => played.includes(id));
  return last === -1 ? null : (blocks[last + 1] ?? null);
}
