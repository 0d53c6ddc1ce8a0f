import { isDeepStrictEqual } from 'node:util';
import { Op, type Model, type ModelStatic, type Transaction } from 'sequelize';
import { v4 } from 'uuid';
import type { Database } from './database';
import type { Models } from './models';
import { Problem, notFound } from './problem';
import { scoped, type CoachPrincipal, type Principal } from './principal';

/** A change as it goes on: who, what, and when. */
interface Change {
  id: string;
  by: Principal;
  what: string;
  at: Date;
  rows: number;
}

type Values = Record<string, unknown>;

interface Tracked {
  /** What a row is about: the id of the student, drill, green, session or plan whose page shows it. */
  about(row: Values): string;
  /** Columns that are not written down: secrets, and what versions keep anyway. */
  omit?: string[];
  /** Columns of which only the fact of a change is written down. */
  redact?: string[];
}

const of =
  (column: string) =>
  (row: Values): string =>
    String(row[column]);

/** The tables whose changes are written down; putts, corrections and marks are events of their own. */
const TRACKED: Partial<Record<keyof Models, Tracked>> = {
  coach: { about: of('id'), redact: ['passphrase'] },
  device: { about: of('coachId'), omit: ['hash', 'seenAt'] },
  passkey: { about: of('coachId'), omit: ['publicKey', 'counter', 'usedAt'] },
  share: { about: of('studentId') },
  student: { about: of('id'), omit: ['version'] },
  putter: { about: of('studentId') },
  drill: { about: of('id') },
  drillVersion: { about: of('drillId'), omit: ['layout', 'details'] },
  green: { about: of('id') },
  spot: { about: of('greenId') },
  reading: { about: of('greenId') },
  session: { about: of('id') },
  run: { about: of('sessionId') },
  plan: { about: of('id') },
  programme: { about: of('id') },
  appointment: { about: of('studentId') },
  homework: { about: of('studentId') },
  link: { about: (row) => String(row.studentId ?? row.coachId), omit: ['hash', 'openedAt'] },
};

/** The same for every part that the program is built of: one may have opened the database that another changes. */
const CHANGE = Symbol.for('dirigo.change');
type Changing = Transaction & { [CHANGE]?: Change };

/** Says who makes the changes of a transaction, before any is made. */
export function beginChange(transaction: Changing, by: Principal, what: string, at: Date): void {
  transaction[CHANGE] = { id: v4(), by, what, at, rows: 0 };
}

/** What the changes of a transaction are told as: to be taken back by it. */
export const changeIdOf = (transaction: Changing): string => transaction[CHANGE]!.id;

const without = (row: Values, columns: readonly string[]): Values =>
  Object.fromEntries(Object.entries(row).filter(([column]) => !columns.includes(column)));

/** Stands in the history for a value that must not be read there. */
const REDACTED = '(changed)';

/**
 * Has every change of a tracked table written down in its own transaction.
 *
 * @throws RangeError, later, when a tracked row is changed outside {@link Database.change}
 */
export function trackChanges(models: Models): void {
  for (const [name, { about, omit = [], redact = [] }] of Object.entries(TRACKED)) {
    const model = models[name as keyof Models] as unknown as ModelStatic<Model>;
    const each = (_: unknown, options?: { individualHooks?: boolean }) => {
      if (options) options.individualHooks = true;
    };
    model.addHook('beforeBulkCreate', each);
    model.addHook('beforeBulkUpdate', (options) => each(null, options));
    model.addHook('beforeBulkDestroy', (options) => each(null, options));
    const write = async (
      transaction: Transaction | null | undefined,
      row: Values,
      event: { kind: 'made' | 'changed' | 'removed'; before: Values | null; after: Values | null },
    ) => {
      const change = (transaction as Changing | null)?.[CHANGE];
      if (!change) throw new RangeError(`A change to ${name} was made outside a tracked change.`);
      const { id: changeId, by, what, at } = change;
      await models.event.create(
        {
          id: v4(),
          changeId,
          position: change.rows++,
          at,
          what,
          byCoach: by.as === 'student' ? null : by.coachId,
          byStudent: by.as === 'student' ? by.studentId : null,
          deviceId: by.as === 'student' ? null : by.deviceId,
          about: about(row),
          tableName: name,
          rowId: String(row.id),
          ...event,
        },
        { transaction },
      );
    };
    model.addHook('afterCreate', (row, { transaction }) => {
      const values = row.get({ plain: true }) as Values;
      return write(transaction, values, {
        kind: 'made',
        before: null,
        after: without(values, [...omit, ...redact]),
      });
    });
    model.addHook('beforeUpdate', async (row, { transaction }) => {
      const now = row.get({ plain: true }) as Values;
      const [before, after]: [Values, Values] = [{}, {}];
      for (const [column, value] of Object.entries(now)) {
        const was: unknown = row.previous(column as never);
        if (omit.includes(column) || isDeepStrictEqual(was, value)) continue;
        before[column] = redact.includes(column) ? REDACTED : was;
        after[column] = redact.includes(column) ? REDACTED : value;
      }
      if (Object.keys(after).length === 0) return;
      await write(transaction, now, { kind: 'changed', before, after });
    });
    model.addHook('beforeDestroy', (row, { transaction }) => {
      const values = row.get({ plain: true }) as Values;
      return write(transaction, values, {
        kind: 'removed',
        before: without(values, [...omit, ...redact]),
        after: null,
      });
    });
  }
}

/** What a device keeps to work with no server is made of these; of putts it has enough that is a few minutes old. */
const KEPT_TABLES = [
  'coach',
  'student',
  'putter',
  'drill',
  'drillVersion',
  'appointment',
  'homework',
  'share',
];
const NEWEST = `SELECT _rowid_ AS newest FROM event
  WHERE tableName IN (${KEPT_TABLES.map((table) => `'${table}'`).join(', ')}) ORDER BY _rowid_ DESC LIMIT 1`;

/** The number of the last change of students, drills, dates or homework; 0 before any. */
export async function lastBookChange({ read }: Database): Promise<number> {
  const [row] = await read.all<{ newest: number }>(NEWEST);
  return row?.newest ?? 0;
}

/** What one change did to one row. */
export interface Happened {
  id: string;
  kind: 'made' | 'changed' | 'removed';
  table: string;
  rowId: string;
  before: Values | null;
  after: Values | null;
}

/** One change, as it is told. */
export interface ChangeTold {
  id: string;
  at: Date;
  what: string;
  /** The coach or the student by name; empty for one without. */
  by: string;
  device: string | null;
  rows: Happened[];
  undoable: boolean;
  undone: boolean;
}

/** Rows that can be put back as they were: taking back means nothing worse than what the coach did. */
const UNDOABLE = new Set([
  'student',
  'putter',
  'drill',
  'green',
  'spot',
  'reading',
  'session',
  'plan',
  'appointment',
  'homework',
]);

/**
 * What was changed of some things, newest first. Whoever may see the thing may see who changed it.
 *
 * @param about ids of the students, drills, greens, sessions or plans
 * @param limit how many changes at most
 */
export async function listChanges(
  { models }: Database,
  about: string[],
  limit = 30,
): Promise<ChangeTold[]> {
  const newest = await models.event.findAll({
    where: { about },
    order: [
      ['at', 'DESC'],
      ['changeId', 'ASC'],
      ['position', 'ASC'],
    ],
    limit: 20 * limit,
  });
  const ids = [...new Set(newest.map(({ changeId }) => changeId))].slice(0, limit);
  const coaches = await models.coach.findAll();
  const students = await models.student.findAll({
    where: { id: newest.flatMap(({ byStudent }) => byStudent ?? []) },
  });
  const devices = await models.device.findAll({
    where: { id: newest.flatMap(({ deviceId }) => deviceId ?? []) },
  });
  const nameOf = (rows: { id: string; name: string }[], id: string | null) =>
    rows.find((row) => row.id === id)?.name ?? '';
  return ids.map((id) => {
    const rows = newest.filter(({ changeId }) => changeId === id);
    const { at, what, byCoach, byStudent, deviceId } = rows[0]!;
    return {
      id,
      at,
      what,
      by: byStudent ? nameOf(students, byStudent) : nameOf(coaches, byCoach),
      device: nameOf(devices, deviceId) || null,
      rows: rows.map((row) => ({
        id: row.id,
        kind: row.kind,
        table: row.tableName,
        rowId: row.rowId,
        before: row.before,
        after: row.after,
      })),
      undoable: rows.every(
        ({ kind, tableName, undoneBy }) =>
          UNDOABLE.has(tableName) && kind !== 'made' && undoneBy === null,
      ),
      undone: rows.some(({ undoneBy }) => undoneBy !== null),
    };
  });
}

/**
 * Takes a change back: what was removed stands again, what was changed is as it was before. A change itself, written down
 * like any other.
 *
 * @throws Problem when it cannot be taken back, or something was changed again since
 */
export async function undoChange(
  database: Database,
  principal: CoachPrincipal,
  changeId: string,
): Promise<void> {
  const { models } = database;
  const mayChange = mayChangeRow(database, principal);
  await database.change(principal, 'change undone', async (transaction) => {
    const events = await models.event.findAll({
      where: { changeId },
      order: [['position', 'DESC']],
      transaction,
    });
    if (events.length === 0) throw notFound('change');
    for (const { kind, tableName, rowId, before, after, undoneBy } of events) {
      if (undoneBy) throw new Problem('invalid', 'This change has already been undone.');
      if (!UNDOABLE.has(tableName) || kind === 'made') {
        throw new Problem('invalid', 'This change cannot be undone.');
      }
      const model = models[tableName as keyof Models] as unknown as ModelStatic<Model>;
      const row = await model.findByPk(rowId, { transaction });
      const values = (row?.get({ plain: true }) ?? before ?? {}) as Values;
      if (!(await mayChange(tableName, values, transaction))) throw notFound('change');
      if (kind === 'removed') {
        await model.create({ ...before, ...datesOf(model, before ?? {}) }, { transaction });
        continue;
      }
      if (!row) throw new Problem('invalid', 'The item that was changed no longer exists.');
      const asLeft = Object.entries(after ?? {}).every(([column, value]) =>
        isDeepStrictEqual(plain(values[column]), plain(value)),
      );
      if (!asLeft) {
        throw new Problem(
          'invalid',
          'It has been changed again since then. Change it by hand instead.',
        );
      }
      const bumped = typeof values.version === 'number' ? { version: values.version + 1 } : {};
      await row.update({ ...before, ...datesOf(model, before ?? {}), ...bumped }, { transaction });
    }
    await models.event.update(
      { undoneBy: changeIdOf(transaction) },
      { where: { changeId, undoneBy: { [Op.is]: null as never } }, transaction },
    );
  });
}

/** As it stands in stored JSON. */
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value ?? null));

/** The dates among some values, as dates again: an event keeps them as text. */
const datesOf = (model: ModelStatic<Model>, values: Values): Values =>
  Object.fromEntries(
    Object.entries(values).flatMap(([column, value]) =>
      String(model.getAttributes()[column]?.type) === 'DATETIME' && typeof value === 'string'
        ? [[column, new Date(value)]]
        : [],
    ),
  );

/** Whether a principal may change a row: its own table's reach, or that of the thing it is a part of. */
const mayChangeRow =
  ({ models }: Database, principal: CoachPrincipal) =>
  async (table: string, row: Values, transaction: Transaction): Promise<boolean> => {
    const counted = async (
      which: 'student' | 'drill' | 'green' | 'plan' | 'session',
      id: unknown,
      purpose: 'see' | 'change' | 'own',
    ) => {
      const model = models[which] as unknown as ModelStatic<Model>;
      const where = scoped(principal, which, { id: String(id) }, purpose);
      return (await model.count({ where, transaction })) > 0;
    };
    switch (table) {
      case 'student':
        return counted('student', row.id, 'own');
      case 'putter':
      case 'appointment':
      case 'homework':
        return counted('student', row.studentId, 'change');
      case 'drill':
      case 'plan':
      case 'green':
        return counted(table, row.id, 'own');
      case 'spot':
        return counted('green', row.greenId, 'change');
      case 'reading':
        return counted('green', row.greenId, 'see');
      case 'session':
        return counted('session', row.id, 'change');
      default:
        return false;
    }
  };
