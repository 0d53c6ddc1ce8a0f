import type { Transaction } from 'sequelize';
import { v4 } from 'uuid';
import { putterValues, type PutterValues } from '@/core/people';
import type { Database } from './database';
import type { PutterRow } from './models';
import { scoped, type CoachPrincipal, type Principal } from './principal';
import { Problem, notFound } from './problem';

export interface Putter extends PutterValues {
  id: string;
  /** The one that layouts are fitted to. */
  inUse: boolean;
}

const toPutter = (row: PutterRow): Putter => ({
  // What is no measure of it is left out by the schema.
  ...putterValues.parse(row.get({ plain: true })),
  id: row.id,
  inUse: row.inUse,
});

/** A student's putters, the one in use first, then by name. */
export async function listPutters(
  { models }: Database,
  principal: Principal,
  studentId: string,
): Promise<Putter[]> {
  const where = scoped(principal, 'student', { id: studentId });
  if ((await models.student.count({ where })) === 0) throw notFound('student');
  const rows = await models.putter.findAll({
    where: { studentId },
    order: [
      ['inUse', 'DESC'],
      ['name', 'ASC'],
    ],
  });
  return rows.map((row) => toPutter(row));
}

/** A student whom a principal may change. */
async function studentToChange(
  { models }: Database,
  principal: CoachPrincipal,
  id: string,
  transaction: Transaction,
) {
  const row = await models.student.findOne({
    where: scoped(principal, 'student', { id }, 'change'),
    transaction,
  });
  if (!row) throw notFound('student');
  return row;
}

async function putterToChange(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  transaction: Transaction,
) {
  const putter = await database.models.putter.findByPk(id, { transaction });
  if (!putter) throw notFound('putter');
  const student = await studentToChange(database, principal, putter.studentId, transaction);
  return { putter, student };
}

/** Adds a putter to those of a student; it is not in use yet. */
export async function addPutter(
  database: Database,
  principal: CoachPrincipal,
  studentId: string,
  values: PutterValues,
  id = v4(),
): Promise<string> {
  await database.change(principal, 'putter added', async (transaction) => {
    await studentToChange(database, principal, studentId, transaction);
    await database.models.putter.create(
      { ...values, id, studentId, inUse: false },
      { transaction },
    );
  });
  return id;
}

/** Saves what was measured of a putter; of the one in use it is the student's too. */
export async function savePutter(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  values: PutterValues,
): Promise<void> {
  await database.change(principal, 'putter changed', async (transaction) => {
    const { putter, student } = await putterToChange(database, principal, id, transaction);
    await putter.update(values, { transaction });
    if (putter.inUse) await student.update({ version: student.version + 1 }, { transaction });
  });
}

/** Takes a putter into use: from now on layouts are fitted to it. */
export async function takePutter(
  database: Database,
  principal: CoachPrincipal,
  id: string,
): Promise<void> {
  await database.change(principal, 'putter in use changed', async (transaction) => {
    const { putter, student } = await putterToChange(database, principal, id, transaction);
    if (putter.inUse) return;
    await database.models.putter.update(
      { inUse: false },
      { where: { studentId: student.id, inUse: true }, transaction },
    );
    await putter.update({ inUse: true }, { transaction });
    await student.update({ version: student.version + 1 }, { transaction });
  });
}

/**
 * Takes a putter out; cards keep its name.
 *
 * @throws Problem where it is the one in use
 */
export async function dropPutter(
  database: Database,
  principal: CoachPrincipal,
  id: string,
): Promise<void> {
  await database.change(principal, 'putter removed', async (transaction) => {
    const { putter } = await putterToChange(database, principal, id, transaction);
    if (putter.inUse)
      throw new Problem('invalid', `${putter.name} is in use. Choose another putter to use first.`);
    await putter.destroy({ transaction });
  });
}
