import { readFile, rename, writeFile } from 'node:fs/promises';
import { z } from 'zod';
import { planSchema } from '@/core/planning';
import { fromStored, storedTime } from './columns';
import type { Database } from './database';
import { eraseName } from './mentions';
import { scoped, type CoachPrincipal } from './principal';
import { notFound } from './problem';
import { OWN_ONLY } from './raw-file';
import type { Statements } from './statements';

const SESSIONS = '(SELECT id FROM session WHERE studentId = $id)';
const RUNS = `(SELECT id FROM run WHERE sessionId IN ${SESSIONS})`;
const PUTTS = `(SELECT id FROM putt WHERE runId IN ${RUNS})`;
const PROGRAMMES = '(SELECT id FROM programme WHERE studentId = $id)';

/** Every table that holds something of one student, and which of its rows; what stands on others comes before them. */
const HELD = [
  ['instrumentLine', `puttId IN ${PUTTS}`],
  ['puttChange', `puttId IN ${PUTTS}`],
  ['putt', `runId IN ${RUNS}`],
  ['runMark', `runId IN ${RUNS}`],
  ['run', `sessionId IN ${SESSIONS}`],
  ['session', 'studentId = $id'],
  ['programmeChange', `programmeId IN ${PROGRAMMES}`],
  ['appointment', 'studentId = $id'],
  ['programme', 'studentId = $id'],
  ['homeworkWord', 'homeworkId IN (SELECT id FROM homework WHERE studentId = $id)'],
  ['homework', 'studentId = $id'],
  ['homeCarpet', 'studentId = $id'],
  ['share', 'studentId = $id'],
  ['link', 'studentId = $id'],
  ['putter', 'studentId = $id'],
  ['student', 'id = $id'],
] as const;
type HeldTable = (typeof HELD)[number][0];

/** What is written in the history of a student, or by them, or names them. */
const TOLD = `about = $id OR byStudent = $id OR before LIKE $named OR after LIKE $named
  OR about IN ${SESSIONS} OR rowId IN ${SESSIONS} OR rowId IN ${RUNS} OR rowId IN ${PROGRAMMES}`;

type StoredRow = Record<string, string | number | null>;

const bound = (id: string) => ({ $id: id });
const boundTwice = (id: string) => ({ $id: id, $named: `%${id}%` });

/** A student's own rows, as they are stored. */
export interface AllOfStudent {
  tables: Record<HeldTable | 'event', StoredRow[]>;
}

async function checkOwn(
  { models }: Database,
  principal: CoachPrincipal,
  id: string,
): Promise<void> {
  const where = scoped(principal, 'student', { id }, 'own');
  if ((await models.student.count({ where })) === 0) throw notFound('student');
}

/** What must not leave with a person's own file: it opens doors. */
const SECRET = new Set(['hash']);

/**
 * Everything that is kept of a student.
 *
 * @throws Problem for who may not give a student away
 */
export async function allOfStudent(
  database: Database,
  principal: CoachPrincipal,
  id: string,
): Promise<AllOfStudent> {
  await checkOwn(database, principal, id);
  const { read } = database;
  const tables = {} as AllOfStudent['tables'];
  for (const [table, where] of HELD) {
    const rows = await read.all<StoredRow>(`SELECT * FROM "${table}" WHERE ${where}`, bound(id));
    tables[table] = rows.map((row) =>
      Object.fromEntries(Object.entries(row).filter(([column]) => !SECRET.has(column))),
    );
  }
  tables.event = await read.all<StoredRow>(
    `SELECT * FROM event WHERE ${TOLD} ORDER BY at, position`,
    boundTwice(id),
  );
  return { tables };
}

/** A receipt, as it is kept. */
export const erasureSchema = z.object({
  studentId: z.string(),
  at: z.coerce.date(),
  coachId: z.string(),
  sessions: z.number(),
  putts: z.number(),
});

/** That somebody was erased: what stays. */
export type Erasure = z.infer<typeof erasureSchema>;

/** Takes a student out of plans that were made for several, and away with those that were made for them alone. */
async function eraseFromPlans(write: Statements, id: string): Promise<void> {
  const plans = await write.all<{ id: string; details: string }>(
    'SELECT id, details FROM plan WHERE details LIKE $named',
    { $named: `%${id}%` },
  );
  const [student] = await write.all<{ name: string }>('SELECT name FROM student WHERE id = $id', {
    $id: id,
  });
  for (const plan of plans) {
    const details = planSchema.parse(fromStored(plan.details));
    const studentIds = details.studentIds.filter((one) => one !== id);
    if (studentIds.length === 0) {
      await write.all('DELETE FROM plan WHERE id = $id', { $id: plan.id });
      continue;
    }
    const blocks = details.blocks.map((block) => ({
      ...block,
      rungs: Object.fromEntries(Object.entries(block.rungs).filter(([who]) => who !== id)),
    }));
    const given = student?.name.split(' ')[0] ?? '';
    const name = given && details.name.includes(given) ? 'Plan' : details.name;
    await write.all('UPDATE plan SET details = $details WHERE id = $id', {
      $details: JSON.stringify({ ...details, name, studentIds, blocks }),
      $id: plan.id,
    });
  }
}

/** Takes all of a student out, inside of a transaction; what was there is overwritten, not only let go. */
async function eraseRows(write: Statements, id: string): Promise<void> {
  await write.all('PRAGMA secure_delete = ON');
  await eraseFromPlans(write, id);
  await eraseName(write, id);
  await write.all(`DELETE FROM event WHERE ${TOLD}`, boundTwice(id));
  for (const [table, where] of HELD) {
    await write.all(`DELETE FROM "${table}" WHERE ${where}`, bound(id));
  }
}

const keepReceipt = (write: Statements, { studentId, at, coachId, sessions, putts }: Erasure) =>
  write.all(
    `INSERT OR IGNORE INTO erasure (studentId, at, coachId, sessions, putts)
     VALUES ($studentId, $at, $coachId, $sessions, $putts)`,
    {
      ...{ $studentId: studentId, $at: storedTime(at), $coachId: coachId },
      ...{ $sessions: sessions, $putts: putts },
    },
  );

const toErasure = ({ at, ...row }: Omit<Erasure, 'at'> & { at: string }): Erasure => ({
  ...row,
  at: new Date(at),
});

/** Who was erased, newest first: when, by whom, and how much; nothing of who it was. */
export const listErasures = async ({ read }: Database): Promise<Erasure[]> =>
  (
    await read.all<Omit<Erasure, 'at'> & { at: string }>('SELECT * FROM erasure ORDER BY at DESC')
  ).map(toErasure);

const listFile = (path: string): string => `${path}.erased.json`;

/** Who was erased from a database, as it is kept beside it: a copy of before does not know. */
async function erasedBeside(path: string): Promise<Erasure[]> {
  const text = await readFile(listFile(path), 'utf8').catch(() => '[]');
  try {
    return z.array(erasureSchema).parse(JSON.parse(text));
  } catch {
    return [];
  }
}

async function keepBeside(database: Database): Promise<void> {
  const file = listFile(database.path);
  const all = new Map(
    [...(await erasedBeside(database.path)), ...(await listErasures(database))].map((one) => [
      one.studentId,
      one,
    ]),
  );
  await writeFile(`${file}.part`, JSON.stringify([...all.values()]), { mode: OWN_ONLY });
  await rename(`${file}.part`, file);
}

/**
 * Erases all of a student, for good: their sessions and putts, their dates, programmes and homework, their links, and what the
 * history says of them. A receipt stays, which does not say who it was.
 *
 * @throws Problem for who may not give a student away
 */
export async function eraseStudent(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  at: Date,
): Promise<Erasure> {
  await checkOwn(database, principal, id);
  const { write } = database;
  const receipt = await database.directly(async () => {
    const [counts] = await write.all<{ sessions: number; putts: number }>(
      `SELECT (SELECT count(*) FROM session WHERE studentId = $id) AS sessions,
              (SELECT count(*) FROM putt WHERE runId IN ${RUNS}) AS putts`,
      bound(id),
    );
    const erasure = { studentId: id, at, coachId: principal.coachId, ...counts! };
    await eraseRows(write, id);
    await keepReceipt(write, erasure);
    return erasure;
  });
  await keepBeside(database);
  // What the second file still holds is put away with it.
  await write.all('PRAGMA wal_checkpoint(TRUNCATE)');
  return receipt;
}

/**
 * Erases again, in a copy that is about to take a database's place, who was erased since it was made.
 *
 * @param incoming the copy, opened
 * @param path the database whose place it takes
 * @param known receipts of the database itself, as far as they can be read
 */
export async function eraseAgain(
  incoming: Database,
  path: string,
  known: Erasure[],
): Promise<void> {
  for (const one of [...(await erasedBeside(path)), ...known]) {
    await incoming.directly(async () => {
      await eraseRows(incoming.write, one.studentId);
      await keepReceipt(incoming.write, one);
    });
  }
}
