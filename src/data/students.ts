import { v4 } from 'uuid';
import { studentValues, type StudentValues } from '@/core/people';
import type { Database } from './database';
import { notFound } from './problem';
import type { StudentRow, PutterRow } from './models';

export interface Student extends StudentValues {
  id: string;
  archivedAt: Date | null;
}

function toStudent(row: StudentRow, putter: PutterRow): Student {
  const values = studentValues.parse({
    name: row.name,
    hand: row.hand,
    level: row.level,
    seated: row.seated,
    notes: row.notes,
    school: row.school,
    kit: row.kit,
    putter: {
      headLength: putter.headLength,
      headDepth: putter.headDepth,
      lieAngle: putter.lieAngle,
    },
  });
  return { ...values, id: row.id, archivedAt: row.archivedAt };
}

/** All students of a coach, archived ones too, by name. */
export async function listStudents({ models }: Database, owner: string): Promise<Student[]> {
  const rows = await models.student.findAll({
    where: { coachId: owner },
    order: [['name', 'ASC']],
  });
  const putters = await models.putter.findAll({ where: { studentId: rows.map(({ id }) => id) } });
  const byStudent = new Map(putters.map((putter) => [putter.studentId, putter]));
  return rows.flatMap((row) => {
    const putter = byStudent.get(row.id);
    return putter ? [toStudent(row, putter)] : [];
  });
}

export async function getStudent(
  { models }: Database,
  owner: string,
  id: string,
): Promise<Student> {
  const row = await models.student.findOne({ where: { id, coachId: owner } });
  const putter = row && (await models.putter.findOne({ where: { studentId: id } }));
  if (!row || !putter) throw notFound('student');
  return toStudent(row, putter);
}

export async function addStudent(
  { models, atomically }: Database,
  owner: string,
  { putter, ...values }: StudentValues,
  id = v4(),
): Promise<string> {
  await atomically(async (transaction) => {
    await models.student.create({ ...values, id, coachId: owner }, { transaction });
    await models.putter.create({ ...putter, id: v4(), studentId: id }, { transaction });
  });
  return id;
}

export async function saveStudent(
  { models, atomically }: Database,
  owner: string,
  id: string,
  { putter, ...values }: StudentValues,
): Promise<void> {
  await atomically(async (transaction) => {
    const [changed] = await models.student.update(values, {
      where: { id, coachId: owner },
      transaction,
    });
    if (changed === 0) throw notFound('student');
    await models.putter.update(putter, { where: { studentId: id }, transaction });
  });
}

/** Puts a student away, or takes one back; nothing of theirs is lost. */
export async function archiveStudent(
  { models }: Database,
  owner: string,
  id: string,
  archivedAt: Date | null,
): Promise<void> {
  const [changed] = await models.student.update({ archivedAt }, { where: { id, coachId: owner } });
  if (changed === 0) throw notFound('student');
}
