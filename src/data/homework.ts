import { v4 } from 'uuid';
import { homeworkSchema, type HomeworkValues } from '@/core/planning';
import { homeCarpet } from './carpets';
import type { Database } from './database';
import { getDrill } from './drills';
import type { HomeworkRow } from './planning-models';
import { scoped, type CoachPrincipal, type Principal, type StudentPrincipal } from './principal';
import { Problem, notFound } from './problem';
import { getSession, type Session } from './sessions';
import { startSession } from './starting';
import { getStudent } from './students';

/** A drill that a student is to do at home. */
export interface Homework extends HomeworkValues {
  id: string;
  studentId: string;
  givenAt: Date;
  endedAt: Date | null;
}

const toHomework = (row: HomeworkRow): Homework => {
  const { id, studentId, givenAt, endedAt, drillId, rung, timesAWeek, from, until, note } = row;
  const values = { drillId, rung: rung ?? null, timesAWeek, from, until, note };
  return { ...homeworkSchema.parse(values), id, studentId, givenAt, endedAt };
};

/** What some students, or one, were given to do at home, newest first. */
export async function listHomework(
  { models }: Database,
  principal: Principal,
  studentId?: string,
): Promise<Homework[]> {
  const rows = await models.homework.findAll({
    where: scoped(principal, 'homework', studentId ? { studentId } : {}),
    order: [['givenAt', 'DESC']],
  });
  return rows.map(toHomework);
}

/** Gives a student something to do at home. */
export async function giveHomework(
  database: Database,
  principal: CoachPrincipal,
  studentId: string,
  values: HomeworkValues,
  givenAt: Date,
  id = v4(),
): Promise<string> {
  await getStudent(database, principal, studentId);
  const { name, details } = await getDrill(database, principal, values.drillId);
  if (values.rung !== null && !details.ladder[values.rung]) {
    throw new Problem(
      'invalid',
      `${name} has ${details.ladder.length} rungs: there is no rung ${values.rung + 1}.`,
    );
  }
  const row = { ...values, id, coachId: principal.coachId, studentId, givenAt };
  await database.change(
    principal,
    'homework assigned',
    (transaction) => database.models.homework.create(row, { transaction }),
    givenAt,
  );
  return id;
}

/** Ends a piece of homework before its time; what was putted for it stays. */
export async function endHomework(
  { models, change }: Database,
  principal: CoachPrincipal,
  id: string,
  endedAt: Date,
): Promise<void> {
  await change(principal, 'homework ended', async (transaction) => {
    const row = await models.homework.findOne({
      where: scoped(principal, 'homework', { id, endedAt: null }, 'change'),
      transaction,
    });
    if (!row) throw notFound('homework');
    await row.update({ endedAt }, { transaction });
  });
}

/** Starts a session at home; one that is open for the same homework goes on. */
export async function startHomework(
  database: Database,
  principal: StudentPrincipal,
  homeworkId: string,
  startedAt: Date,
  onCarpet = false,
): Promise<string> {
  const { studentId } = principal;
  const carpet = onCarpet ? await homeCarpet(database, principal, studentId) : null;
  const row = await database.models.homework.findOne({
    where: scoped(principal, 'homework', { id: homeworkId }),
  });
  if (!row) throw notFound('homework');
  const { drillId, rung, endedAt } = toHomework(row);
  if (endedAt) throw new Problem('invalid', 'This homework has ended.');
  return startSession(database, principal, {
    studentId,
    drillId,
    homeworkId,
    startedAt,
    ...(rung !== null && { rung }),
    ...(carpet && { carpet: carpet.greenSpeed }),
  });
}

/** A session that a student logged, or logs, at home: no other is theirs to see. */
export async function homeSession(
  database: Database,
  principal: StudentPrincipal,
  sessionId: string,
): Promise<Session> {
  const session = await getSession(database, principal, sessionId);
  if (!session.homeworkId) throw notFound('session');
  return session;
}
