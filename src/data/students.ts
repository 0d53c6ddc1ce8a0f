import { v4 } from 'uuid';
import { z } from 'zod';
import { studentValues, type StudentValues } from '@/core/people';
import type { Database } from './database';
import { scoped, seesNotes, type CoachPrincipal, type Principal } from './principal';
import { notFound } from './problem';
import type { StudentRow, PutterRow } from './models';

export interface Student extends StudentValues {
  id: string;
  /** Whose student it is. */
  coachId: string;
  archivedAt: Date | null;
  /** One more with every change. */
  version: number;
}

const { shape } = studentValues;

/**
 * A student as one is read: what the border refuses today may have been kept before, and one odd row must not keep all others from
 * being seen or exported.
 */
const storedStudent = studentValues.extend({
  name: z.string(),
  notes: z.string(),
  groups: z.string().catch(''),
  level: shape.level.catch('steady'),
  hand: shape.hand.catch('right'),
  school: shape.school.catch('arc'),
  kit: shape.kit.catch([]),
  putter: z.object({ headLength: z.number(), headDepth: z.number(), lieAngle: z.number() }),
});

function toStudent(principal: Principal, row: StudentRow, putter: PutterRow): Student {
  const values = storedStudent.parse({
    name: row.name,
    hand: row.hand,
    level: row.level,
    seated: row.seated,
    notes: seesNotes(principal) ? row.notes : '',
    school: row.school,
    kit: row.kit,
    groups: row.groups,
    putter: {
      headLength: putter.headLength,
      headDepth: putter.headDepth,
      lieAngle: putter.lieAngle,
    },
  });
  const { id, coachId, archivedAt, version } = row;
  return { ...values, id, coachId, archivedAt, version };
}

/** All students that a principal reaches, archived ones too, by name. */
export async function listStudents({ models }: Database, principal: Principal): Promise<Student[]> {
  const rows = await models.student.findAll({
    where: scoped(principal, 'student'),
    order: [['name', 'ASC']],
  });
  const putters = await models.putter.findAll({
    where: { studentId: rows.map(({ id }) => id), inUse: true },
  });
  const byStudent = new Map(putters.map((putter) => [putter.studentId, putter]));
  return rows.flatMap((row) => {
    const putter = byStudent.get(row.id);
    return putter ? [toStudent(principal, row, putter)] : [];
  });
}

export async function getStudent(
  { models }: Database,
  principal: Principal,
  id: string,
): Promise<Student> {
  const row = await models.student.findOne({
    where: scoped(principal, 'student', { id }),
  });
  const putter = row && (await models.putter.findOne({ where: { studentId: id, inUse: true } }));
  if (!row || !putter) throw notFound('student');
  return toStudent(principal, row, putter);
}

export async function addStudent(
  { models, change }: Database,
  principal: CoachPrincipal,
  { putter, ...values }: StudentValues,
  id = v4(),
): Promise<string> {
  const { coachId } = principal;
  await change(principal, 'student added', async (transaction) => {
    await models.student.create({ ...values, id, coachId }, { transaction });
    await models.putter.create({ ...putter, id: v4(), studentId: id }, { transaction });
  });
  return id;
}

/** Adds several students at once: all of them, or none; one change, to be taken back as one. */
export async function addStudents(
  { models, change }: Database,
  principal: CoachPrincipal,
  all: readonly StudentValues[],
): Promise<void> {
  const { coachId } = principal;
  await change(principal, 'students added', async (transaction) => {
    for (const { putter, ...values } of all) {
      const id = v4();
      await models.student.create({ ...values, id, coachId }, { transaction });
      await models.putter.create({ ...putter, id: v4(), studentId: id }, { transaction });
    }
  });
}

/** What another has changed since a form was opened: the values as they are now, and who made them so. */
export interface Meanwhile {
  version: number;
  values: StudentValues;
  by: string;
  at: Date;
}

/**
 * Saves a student.
 *
 * @param version of the student when the form was opened
 * @returns null once it is saved; what another has changed since, when the version is no longer the newest: nothing is saved
 */
export async function saveStudent(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  { putter, ...values }: StudentValues,
  version: number,
): Promise<Meanwhile | null> {
  const { models, change } = database;
  return change(principal, 'student changed', async (transaction) => {
    const row = await models.student.findOne({
      where: scoped(principal, 'student', { id }, 'change'),
      transaction,
    });
    const kept =
      row && (await models.putter.findOne({ where: { studentId: id, inUse: true }, transaction }));
    if (!row || !kept) throw notFound('student');
    if (row.version !== version) {
      const { coachId: _c, archivedAt: _a, id: _i, ...now } = toStudent(principal, row, kept);
      const [last] = await models.event.findAll({
        where: { about: id },
        order: [['at', 'DESC']],
        limit: 1,
        transaction,
      });
      const by = last?.byCoach ? await models.coach.findByPk(last.byCoach, { transaction }) : null;
      return {
        version: row.version,
        values: studentValues.parse(now),
        by: by?.name ?? '',
        at: last?.at ?? new Date(),
      };
    }
    await row.update({ ...values, version: version + 1 }, { transaction });
    await kept.update(putter, { transaction });
    return null;
  });
}

/** Puts a student away, or takes one back; nothing of theirs is lost. Links of one who is away open nothing. */
export async function archiveStudent(
  { models, change }: Database,
  principal: CoachPrincipal,
  id: string,
  archivedAt: Date | null,
): Promise<void> {
  const what = archivedAt ? 'student archived' : 'student restored';
  await change(principal, what, async (transaction) => {
    const row = await models.student.findOne({
      where: scoped(principal, 'student', { id }, 'own'),
      transaction,
    });
    if (!row) throw notFound('student');
    await row.update({ archivedAt, version: row.version + 1 }, { transaction });
  });
}
