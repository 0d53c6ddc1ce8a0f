import { v4 } from 'uuid';
import { homeworkSchema, type HomeworkValues } from '@/core/planning';
import type { Database } from './database';
import { getDrill } from './drills';
import type { HomeworkRow } from './planning-models';
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
  owner: string,
  studentId?: string,
): Promise<Homework[]> {
  const rows = await models.homework.findAll({
    where: { coachId: owner, ...(studentId && { studentId }) },
    order: [['givenAt', 'DESC']],
  });
  return rows.map(toHomework);
}

/** Gives a student something to do at home. */
export async function giveHomework(
  database: Database,
  owner: string,
  studentId: string,
  values: HomeworkValues,
  givenAt: Date,
  id = v4(),
): Promise<string> {
  await getStudent(database, owner, studentId);
  const { name, details } = await getDrill(database, owner, values.drillId);
  if (values.rung !== null && !details.ladder[values.rung]) {
    throw new Problem(
      'invalid',
      `${name} has ${details.ladder.length} rungs: there is no rung ${values.rung + 1}.`,
    );
  }
  await database.models.homework.create({ ...values, id, coachId: owner, studentId, givenAt });
  return id;
}

/** Ends a piece of homework before its time; what was putted for it stays. */
export async function endHomework(
  { models }: Database,
  owner: string,
  id: string,
  endedAt: Date,
): Promise<void> {
  const [changed] = await models.homework.update(
    { endedAt },
    { where: { id, coachId: owner, endedAt: null } },
  );
  if (changed === 0) throw notFound('homework');
}

/** Starts a session at home; one that is open for the same homework goes on. */
export async function startHomework(
  database: Database,
  owner: string,
  studentId: string,
  homeworkId: string,
  startedAt: Date,
): Promise<string> {
  const row = await database.models.homework.findOne({
    where: { id: homeworkId, coachId: owner, studentId },
  });
  if (!row) throw notFound('homework');
  const { drillId, rung, endedAt } = toHomework(row);
  if (endedAt) throw new Problem('invalid', 'This is no longer asked of you.');
  const open = await database.models.session.findOne({
    where: { coachId: owner, studentId, homeworkId, finishedAt: null },
  });
  if (open) return open.id;
  return startSession(database, owner, {
    studentId,
    drillId,
    homeworkId,
    startedAt,
    ...(rung !== null && { rung }),
  });
}

/** A session that a student logged, or logs, at home: no other is theirs to see. */
export async function homeSession(
  database: Database,
  owner: string,
  studentId: string,
  sessionId: string,
): Promise<Session> {
  const session = await getSession(database, owner, sessionId);
  if (session.studentId !== studentId || !session.homeworkId) throw notFound('session');
  return session;
}

/** The session at home that a run is of. */
export async function homeSessionOfRun(
  database: Database,
  owner: string,
  studentId: string,
  runId: string,
): Promise<Session> {
  const run = await database.models.run.findByPk(runId);
  if (!run) throw notFound('run');
  return homeSession(database, owner, studentId, run.sessionId);
}
