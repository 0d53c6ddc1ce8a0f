import { v4 } from 'uuid';
import { z } from 'zod';
import { nextBlock, planSchema, type PlanBlock, type PlanValues } from '@/core/planning';
import { changeOwn } from './change-own';
import type { Database } from './database';
import type { GreenSpot } from './greens';
import type { PlanRow } from './planning-models';
import { scoped, type CoachPrincipal, type Principal } from './principal';
import { Problem, notFound } from './problem';
import { getGroup, getSession } from './sessions';
import { startGroup, swapDrill } from './starting';

/** A plan of a session, as it is kept. */
export interface Plan extends PlanValues {
  id: string;
  madeAt: Date;
  archivedAt: Date | null;
}

/** A plan as it was kept, whatever names were allowed then. */
const keptPlan = planSchema.extend({ name: z.string() });

const toPlan = ({ id, details, madeAt, archivedAt }: PlanRow): Plan => ({
  ...keptPlan.parse(details),
  id,
  madeAt,
  archivedAt,
});

/** Plans that a principal reaches, newest first; those put away too. */
export async function listPlans({ models }: Database, principal: Principal): Promise<Plan[]> {
  const rows = await models.plan.findAll({
    where: scoped(principal, 'plan'),
    order: [['madeAt', 'DESC']],
  });
  return rows.map(toPlan);
}

export async function getPlan(
  { models }: Database,
  principal: Principal,
  id: string,
): Promise<Plan> {
  const row = await models.plan.findOne({ where: scoped(principal, 'plan', { id }) });
  if (!row) throw notFound('plan');
  return toPlan(row);
}

/** Everything that a plan names must be within the coach's reach. */
async function checkReached(
  { models }: Database,
  principal: Principal,
  { studentIds, blocks }: PlanValues,
): Promise<void> {
  const students = await models.student.count({
    where: scoped(principal, 'student', { id: studentIds }),
  });
  if (students < new Set(studentIds).size) throw notFound('student');
  const drillIds = [...new Set(blocks.map(({ drillId }) => drillId))];
  const drills = await models.drill.count({ where: scoped(principal, 'drill', { id: drillIds }) });
  if (drills < drillIds.length) throw notFound('drill');
}

/** Keeps a new plan. */
export async function addPlan(
  database: Database,
  principal: CoachPrincipal,
  values: PlanValues,
  madeAt: Date,
  id = v4(),
): Promise<string> {
  await checkReached(database, principal, values);
  const row = { id, coachId: principal.coachId, details: values, madeAt };
  await database.change(
    principal,
    'plan created',
    (transaction) => database.models.plan.create(row, { transaction }),
    madeAt,
  );
  return id;
}

export async function savePlan(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  values: PlanValues,
): Promise<void> {
  await checkReached(database, principal, values);
  await database.change(principal, 'plan changed', async (transaction) => {
    const row = await database.models.plan.findOne({
      where: scoped(principal, 'plan', { id }, 'change'),
      transaction,
    });
    if (!row) throw notFound('plan');
    await row.update({ details: values }, { transaction });
  });
}

/** Puts a plan away, or takes one back. */
export async function archivePlan(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  archivedAt: Date | null,
): Promise<void> {
  const what = archivedAt ? 'plan archived' : 'plan restored';
  await changeOwn(database, principal, 'plan', id, what, { archivedAt });
}

const rungOf = ({ rungs }: PlanBlock, studentId: string): number | null => rungs[studentId] ?? null;

/**
 * Starts a session that follows a plan, with its first block.
 *
 * @returns the ids of the sessions, one for each student
 */
export async function startPlan(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  { startedAt, green }: { startedAt: Date; green?: GreenSpot },
): Promise<string[]> {
  const { studentIds, blocks } = await getPlan(database, principal, id);
  const first = blocks[0]!;
  return startGroup(
    database,
    principal,
    studentIds.map((studentId) => {
      const rung = rungOf(first, studentId);
      return { studentId, drillId: first.drillId, ...(rung !== null && { rung }) };
    }),
    { startedAt, plan: { id, block: first.id }, ...(green && { green }) },
  );
}

/**
 * Goes on with the next block of the plan that a session follows, for all of its group.
 *
 * @throws Problem when it follows none, or has come to its end
 */
export async function goToNextBlock(
  database: Database,
  principal: Principal,
  sessionId: string,
): Promise<void> {
  const session = await getSession(database, principal, sessionId);
  if (!session.planId) throw new Problem('invalid', 'This session has no plan.');
  const { blocks } = await getPlan(database, principal, session.planId);
  const group = await getGroup(database, principal, session);
  const played = group.flatMap(({ runs }) => runs.map(({ planBlock }) => planBlock));
  const next = nextBlock(blocks, played);
  if (!next) throw new Problem('invalid', 'The plan is finished.');
  for (const { id, studentId, finishedAt } of group) {
    if (finishedAt) continue;
    await swapDrill(database, principal, id, {
      drillId: next.drillId,
      rung: rungOf(next, studentId),
      planBlock: next.id,
    });
  }
}
