import { v4 } from 'uuid';
import type { Transaction } from 'sequelize';
import type { Database } from './database';
import type { StudentRow } from './models';
import { scoped, type CoachPrincipal } from './principal';
import { Problem, notFound } from './problem';

/** A student shared with a coach, and who agreed to it. */
export interface Share {
  id: string;
  coachId: string;
  consent: string;
  madeAt: Date;
}

/** The student, when it is the asking coach's to give away, and the other coach, who is there. */
async function between(
  { models }: Database,
  principal: CoachPrincipal,
  studentId: string,
  coachId: string,
  transaction: Transaction,
): Promise<StudentRow> {
  const student = await models.student.findOne({
    where: scoped(principal, 'student', { id: studentId }, 'own'),
    transaction,
  });
  if (!student) throw notFound('student');
  const coach = await models.coach.findOne({
    where: { id: coachId, archivedAt: null },
    transaction,
  });
  if (!coach) throw notFound('coach');
  if (coach.id === student.coachId) {
    throw new Problem('invalid', `${student.name} is already ${coach.name}’s student.`);
  }
  return student;
}

/** With whom a student is shared now. */
export async function listShares(
  { models }: Database,
  principal: CoachPrincipal,
  studentId: string,
): Promise<Share[]> {
  const student = await models.student.findOne({
    where: scoped(principal, 'student', { id: studentId }),
  });
  if (!student) throw notFound('student');
  const rows = await models.share.findAll({
    where: { studentId, endedAt: null },
    order: [['madeAt', 'ASC']],
  });
  return rows.map(({ id, coachId, consent, madeAt }) => ({ id, coachId, consent, madeAt }));
}

/** How many students are shared with each coach now. */
export async function sharesByCoach({ models }: Database): Promise<Map<string, number>> {
  const rows = await models.share.findAll({ where: { endedAt: null } });
  const counts = new Map<string, number>();
  for (const { coachId } of rows) counts.set(coachId, (counts.get(coachId) ?? 0) + 1);
  return counts;
}

/**
 * Shares a student with another coach, who sees and logs what the first does.
 *
 * @param consent who agreed to it, and how
 */
export async function shareStudent(
  database: Database,
  principal: CoachPrincipal,
  { studentId, coachId, consent }: { studentId: string; coachId: string; consent: string },
  at: Date,
): Promise<void> {
  const { models } = database;
  await database.change(principal, 'student shared', async (transaction) => {
    await between(database, principal, studentId, coachId, transaction);
    const known = await models.share.count({
      where: { studentId, coachId, endedAt: null },
      transaction,
    });
    if (known > 0) throw new Problem('invalid', 'This student is already shared with that coach.');
    await models.share.create(
      { id: v4(), studentId, coachId, consent, madeAt: at },
      { transaction },
    );
  });
}

/** Ends the sharing of a student. */
export async function endShare(
  { models, change }: Database,
  principal: CoachPrincipal,
  id: string,
  at: Date,
): Promise<void> {
  await change(principal, 'student sharing stopped', async (transaction) => {
    const share = await models.share.findOne({ where: { id, endedAt: null }, transaction });
    const student =
      share &&
      (await models.student.findOne({
        where: scoped(principal, 'student', { id: share.studentId }, 'own'),
        transaction,
      }));
    if (!share || !student) throw notFound('share');
    await share.update({ endedAt: at }, { transaction });
  });
}

/** What was arranged with a student and is still to come goes along: programmes that go on, and dates that are open. */
async function moveDiary(
  { models }: Database,
  studentId: string,
  { from, to }: { from: string; to: string },
  transaction: Transaction,
): Promise<void> {
  const theirs = { studentId, coachId: from };
  const moved = { coachId: to };
  // A plan of an hour stays with who made it.
  const without = { ...moved, planId: null };
  await models.programme.update(moved, { where: { ...theirs, endedAt: null }, transaction });
  await models.appointment.update(without, { where: { ...theirs, state: 'planned' }, transaction });
}

/**
 * Hands a student over to another coach, with all that was putted and the dates to come; who had the student keeps
 * nothing, unless it is shared.
 *
 * @param consent who agreed to it, and how
 */
export async function handOver(
  database: Database,
  principal: CoachPrincipal,
  { studentId, coachId, consent }: { studentId: string; coachId: string; consent: string },
  at: Date,
): Promise<void> {
  const { models } = database;
  await database.change(principal, `student handed over: ${consent}`, async (transaction) => {
    const student = await between(database, principal, studentId, coachId, transaction);
    const from = student.coachId;
    await student.update({ coachId, version: student.version + 1 }, { transaction });
    await moveDiary(database, studentId, { from, to: coachId }, transaction);
    await models.share.update(
      { endedAt: at },
      { where: { studentId, coachId, endedAt: null }, transaction },
    );
  });
}
