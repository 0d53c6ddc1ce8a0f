import { v4 } from 'uuid';
import { nextBlock, planSchema, type PlanBlock, type PlanValues } from '@/core/planning';
import type { Database } from './database';
import type { GreenSpot } from './greens';
import type { PlanRow } from './planning-models';
import { Problem, notFound } from './problem';
import { getGroup, getSession } from './sessions';
import { startGroup, swapDrill } from './starting';

/** A plan of a session, as it is kept. */
export interface Plan extends PlanValues {
  id: string;
  madeAt: Date;
  archivedAt: Date | null;
}

const toPlan = ({ id, details, madeAt, archivedAt }: PlanRow): Plan => ({
  ...planSchema.parse(details),
  id,
  madeAt,
  archivedAt,
});

/** Plans of a coach, newest first; those put away too. */
export async function listPlans({ models }: Database, owner: string): Promise<Plan[]> {
  const rows = await models.plan.findAll({
    where: { coachId: owner },
    order: [['madeAt', 'DESC']],
  });
  return rows.map(toPlan);
}

export async function getPlan({ models }: Database, owner: string, id: string): Promise<Plan> {
  const row = await models.plan.findOne({ where: { id, coachId: owner } });
  if (!row) throw notFound('plan');
  return toPlan(row);
}

/** Everything that a plan names must be the coach's own. */
async function checkOwned(
  { models }: Database,
  owner: string,
  { studentIds, blocks }: PlanValues,
): Promise<void> {
  const students = await models.student.count({ where: { id: studentIds, coachId: owner } });
  if (students < new Set(studentIds).size) throw notFound('student');
  const drillIds = [...new Set(blocks.map(({ drillId }) => drillId))];
  const drills = await models.drill.count({ where: { id: drillIds, coachId: owner } });
  if (drills < drillIds.length) throw notFound('drill');
}

/** Keeps a new plan. */
export async function addPlan(
  database: Database,
  owner: string,
  values: PlanValues,
  madeAt: Date,
  id = v4(),
): Promise<string> {
  await checkOwned(database, owner, values);
  await database.models.plan.create({ id, coachId: owner, details: values, madeAt });
  return id;
}

export async function savePlan(
  database: Database,
  owner: string,
  id: string,
  values: PlanValues,
): Promise<void> {
  await checkOwned(database, owner, values);
  const [changed] = await database.models.plan.update(
    { details: values },
    { where: { id, coachId: owner } },
  );
  if (changed === 0) throw notFound('plan');
}

/** Puts a plan away, or takes one back. */
export async function archivePlan(
  { models }: Database,
  owner: string,
  id: string,
  archivedAt: Date | null,
): Promise<void> {
  const [changed] = await models.plan.update({ archivedAt }, { where: { id, coachId: owner } });
  if (changed === 0) throw notFound('plan');
}

const rungOf = ({ rungs }: PlanBlock, studentId: string): number | null => rungs[studentId] ?? null;

/**
 * Starts a session that follows a plan, with its first block.
 *
 * @returns the ids of the sessions, one for each student
 */
export async function startPlan(
  database: Database,
  owner: string,
  id: string,
  { startedAt, green }: { startedAt: Date; green?: GreenSpot },
): Promise<string[]> {
  const { studentIds, blocks } = await getPlan(database, owner, id);
  const first = blocks[0]!;
  return startGroup(
    database,
    owner,
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
  owner: string,
  sessionId: string,
): Promise<void> {
  const session = await getSession(database, owner, sessionId);
  if (!session.planId) throw new Problem('invalid', 'This session follows no plan.');
  const { blocks } = await getPlan(database, owner, session.planId);
  const group = await getGroup(database, owner, session);
  const played = group.flatMap(({ runs }) => runs.map(({ planBlock }) => planBlock));
  const next = nextBlock(blocks, played);
  if (!next) throw new Problem('invalid', 'The plan has come to its end.');
  for (const { id, studentId, finishedAt } of group) {
    if (finishedAt) continue;
    await swapDrill(database, owner, id, {
      drillId: next.drillId,
      rung: rungOf(next, studentId),
      planBlock: next.id,
    });
  }
}
