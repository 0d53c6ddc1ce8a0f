import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { z } from 'zod';
import { checkHead, checkRow, isHead, type StoredRow } from './book-rows';
import { openDatabase, type Database } from './database';
import { MIGRATIONS } from './migrations';
import { Problem } from './problem';
import type { Statements } from './statements';

/** What leads to somebody: a book that comes in opens none of them. */
const DOORS = ['link', 'instrumentLine', 'instrument'];
/** What somebody who is signed in stands on. */
const SIGNED_IN = ['device', 'ticket', 'passkey'];
/** What opens doors, and what belongs to this machine, does not leave it. */
const LEFT_OUT = new Set([...SIGNED_IN, ...DOORS, 'migration']);
/** The newest migration: a book of today has seen it. */
const NEWEST = MIGRATIONS.at(-1)!.name;
/** Columns that stay empty in a book that is taken elsewhere. */
const SECRET = new Set(['passphrase']);
/** Rows that are read and written at once. */
const BATCH = 500;

const named = (table: string): string => `"${table.replaceAll('"', '""')}"`;

/** The tables of a book, those first on which others stand. */
async function tablesOf({ read }: Database): Promise<string[]> {
  const rows = await read.all<{ name: string }>(
    `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY rootpage, name`,
  );
  const left = new Map<string, string[]>();
  for (const { name } of rows) {
    if (LEFT_OUT.has(name)) continue;
    const keys = await read.all<{ table: string }>(`PRAGMA foreign_key_list(${named(name)})`);
    left.set(
      name,
      keys.map((key) => key.table).filter((table) => table !== name && !LEFT_OUT.has(table)),
    );
  }
  const order: string[] = [];
  while (left.size > 0) {
    const free = [...left].filter(([, on]) => on.every((table) => !left.has(table)));
    // Two that stand on each other come as they may: keys are looked at when all is there.
    const next = free.length > 0 ? free.map(([name]) => name) : [...left.keys()];
    order.push(...next);
    next.forEach((name) => left.delete(name));
  }
  return order;
}

/** What is kept in a book, table by table, so many rows at once. */
async function* stored(database: Database): AsyncGenerator<{ table: string; row: StoredRow }[]> {
  for (const table of await tablesOf(database)) {
    for (let after = 0; ;) {
      const rows = await database.read.all<StoredRow & { rowid_: number }>(
        `SELECT rowid AS rowid_, * FROM ${named(table)} WHERE rowid > $after ORDER BY rowid LIMIT ${BATCH}`,
        { $after: after },
      );
      if (rows.length === 0) break;
      after = rows.at(-1)!.rowid_;
      yield rows.map(({ rowid_: _rowid, ...row }) => {
        for (const column of SECRET) if (column in row) row[column] = null;
        return { table, row };
      });
    }
  }
}

/**
 * A whole book as lines of JSON: first which migrations it has seen, then a line a row, `{ table, row }`. No secrets, no
 * devices.
 */
export async function* bookLines(database: Database): AsyncGenerator<string> {
  const [last] = await database.read.all<{ name: string }>(
    'SELECT max(name) AS name FROM migration',
  );
  yield `${JSON.stringify({ book: 1, migration: last!.name })}\n`;
  for await (const rows of stored(database)) {
    yield rows.map((one) => `${JSON.stringify(one)}\n`).join('');
  }
}

/** Whether nothing has been written into a book yet but its own head coach. */
async function isEmpty({ read }: Database): Promise<boolean> {
  const [{ count }] = (await read.all<{ count: number }>(
    `SELECT (SELECT count(*) FROM student) + (SELECT count(*) FROM session) + (SELECT count(*) FROM drill)
          + (SELECT count(*) FROM green) AS count`,
  )) as [{ count: number }];
  return count === 0;
}

/** @throws Problem when something has been written into a book. */
async function refuseUnlessEmpty(database: Database): Promise<void> {
  if (await isEmpty(database)) return;
  throw new Problem(
    'invalid',
    'There are already students, drills or greens here. A full export can only be imported into an empty Dirigo.',
  );
}

/** What is in a whole book that was taken out. */
export interface InBook {
  students: number;
  sessions: number;
  putts: number;
  /** When the last session of it was begun; null where there is none. */
  newest: Date | null;
  /** Whether it is of an earlier version, and is brought up to this one as it comes in. */
  earlier: boolean;
  /** Whether this book is empty, so that it can come in. */
  room: boolean;
}

type Rows = AsyncIterable<{ table: string; row: StoredRow }>;

/** Of which version a book is, by its first line, and the lines after that. */
async function begun(
  lines: AsyncIterable<string>,
): Promise<{ migration: string; rest: AsyncIterable<string> }> {
  const rest = written(lines);
  const { value: first, done } = await rest.next();
  if (done) throw new Problem('invalid', 'The file is empty.');
  const { book, migration } = parsed(first);
  if (book !== 1 || migration === undefined || !MIGRATIONS.some(({ name }) => name === migration)) {
    throw new Problem(
      'invalid',
      `This full export is not from this version of Dirigo or an earlier one. It starts with ${first.slice(0, 60)}, and the newest version known here is ${NEWEST}.`,
    );
  }
  return { migration, rest };
}

async function* written(lines: AsyncIterable<string>): AsyncGenerator<string, void> {
  for await (const line of lines) if (line.trim() !== '') yield line;
}

/**
 * The rows of a book by the tables they are of.
 *
 * @param lines after the first
 * @param known tables; not looked at when left out
 */
async function* rowsOf(lines: AsyncIterable<string>, known?: readonly string[]): Rows {
  let number = 1;
  for await (const line of lines) {
    number += 1;
    const { table, row } = parsed(line);
    if (!table || !row || !(known?.includes(table) ?? true)) {
      throw new Problem(
        'invalid',
        `Line ${number} does not name a table of this export: ${line.slice(0, 60)}`,
      );
    }
    yield { table, row };
  }
}

/**
 * What is in a whole book, before it is taken in.
 *
 * @param lines as {@link bookLines} wrote them, in this version or an earlier one
 * @throws Problem when the lines are not a book of such a version
 */
export async function lookInBook(
  database: Database,
  lines: AsyncIterable<string>,
): Promise<InBook> {
  const counted: Record<string, number> = { student: 0, session: 0, putt: 0 };
  let newest: Date | null = null;
  const { migration, rest } = await begun(lines);
  const earlier = migration !== NEWEST;
  let [line, heads] = [1, 0];
  for await (const { table, row } of rowsOf(rest, earlier ? undefined : await tablesOf(database))) {
    line += 1;
    // Rows of an earlier version are checked once they were brought up to this one.
    if (!earlier) checkRow(table, row, line);
    if (isHead(table, row)) heads += 1;
    if (table in counted) counted[table]! += 1;
    if (table !== 'session') continue;
    const at = new Date(String(row.startedAt));
    if (newest === null || at > newest) newest = at;
  }
  // Before roles there was one coach, who ran everything.
  if (!earlier) checkHead(heads);
  const { student, session, putt } = counted;
  return {
    ...{ students: student!, sessions: session!, putts: putt!, newest },
    earlier,
    room: await isEmpty(database),
  };
}

/** What came in. */
interface TakenBook {
  rows: number;
  putts: number;
  sessions: number;
}

/**
 * Takes a whole book into an empty one, all or nothing. One of an earlier version goes into a file of that version first, which
 * is brought up as any other is.
 *
 * @param lines as {@link bookLines} wrote them, in this version or an earlier one
 * @param far is told how many putts are in; what it throws ends it, and nothing came in
 * @throws Problem when this book is not empty, or the lines are not a book of such a version
 */
export async function takeBook(
  database: Database,
  lines: AsyncIterable<string>,
  far: (putts: number) => void = () => undefined,
): Promise<TakenBook> {
  await refuseUnlessEmpty(database);
  const { migration, rest } = await begun(lines);
  if (migration === NEWEST) {
    return takeRows(database, rowsOf(rest, await tablesOf(database)), far);
  }
  const folder = await mkdtemp(join(tmpdir(), 'dirigo-book-'));
  const file = join(folder, 'earlier.db');
  try {
    const earlier = await openDatabase(file, migration);
    // Nothing is in yet; asked on the way is whether it is to stop.
    await wholly(earlier, async () =>
      putIn(earlier, rowsOf(rest, await tablesOf(earlier)), () => far(0)),
    ).finally(() => earlier.close());
    const today = await openDatabase(file);
    return await takeRows(database, flat(stored(today)), far).finally(() => today.close());
  } finally {
    await rm(folder, { recursive: true });
  }
}

async function* flat<One>(batches: AsyncIterable<One[]>): AsyncGenerator<One> {
  for await (const batch of batches) yield* batch;
}

/** Devices, tickets and passkeys, with what tells whose they are. */
interface SignIns {
  rows: { table: string; row: StoredRow }[];
  coaches: { id: string; name: string; role: string; passphrase: string | null }[];
}

/** Reads who is signed in, before the rows that they stand on are replaced. */
async function signIns({ write }: Database): Promise<SignIns> {
  const rows: SignIns['rows'] = [];
  for (const table of SIGNED_IN) {
    for (const row of await write.all<StoredRow>(`SELECT * FROM ${named(table)}`)) {
      rows.push({ table, row });
    }
  }
  return { rows, coaches: await write.all('SELECT id, name, role, passphrase FROM coach') };
}

/**
 * Keeps people signed in who are here and in the full export: by id, else by name; whoever ran this empty academy goes on as its head
 * coach. Sign-ins of anybody else end.
 */
async function keepSignIns({ write }: Database, { rows, coaches }: SignIns): Promise<void> {
  const now = await write.all<SignIns['coaches'][number]>(
    `SELECT id, name, role, passphrase FROM coach WHERE archivedAt IS NULL ORDER BY rowid`,
  );
  const becomes = (id: unknown): string | undefined => {
    const was = coaches.find((coach) => coach.id === id);
    const same = (name: string) => name !== '' && name.toLowerCase() === was?.name.toLowerCase();
    return (
      now.find((coach) => coach.id === id) ??
      now.find((coach) => same(coach.name)) ??
      (was?.role === 'head' ? now.find((coach) => coach.role === 'head') : undefined)
    )?.id;
  };
  for (const { id, passphrase } of coaches) {
    const coachId = passphrase === null ? undefined : becomes(id);
    if (coachId !== undefined) {
      await write.all('UPDATE coach SET passphrase = $passphrase WHERE id = $id', {
        $id: coachId,
        $passphrase: passphrase,
      });
    }
  }
  for (const { table, row } of rows) {
    const coachId = becomes(row.coachId);
    if (coachId !== undefined) await insertRow(write, table, { ...row, coachId });
  }
}

/** Takes the rows of a book of this version into an empty one. */
const takeRows = (
  database: Database,
  rows: Rows,
  far: (putts: number) => void,
): Promise<TakenBook> =>
  wholly(database, async () => {
    // Asked again: while a book was read somebody may have begun.
    await refuseUnlessEmpty(database);
    const before = await signIns(database);
    const taken = await putIn(database, rows, far, checkRow);
    checkHead(taken.heads);
    // What opened other doors here opens none of the book's.
    for (const table of DOORS) await database.write.all(`DELETE FROM ${named(table)}`);
    await keepSignIns(database, before);
    return taken;
  });

/** Writes all or nothing; keys are looked at when all is there. */
const wholly = <T>(database: Database, work: () => Promise<T>): Promise<T> =>
  database
    .directly(async () => {
      await database.write.all('PRAGMA defer_foreign_keys = ON');
      return work();
    })
    .catch((error: unknown) => {
      throw unfit(error, 'A row');
    });

/** Writes a row as it is. */
async function insertRow(write: Statements, table: string, row: StoredRow): Promise<void> {
  const columns = Object.keys(row);
  const insert = `INSERT INTO ${named(table)} (${columns.map(named).join(', ')}) VALUES (${columns.map((_, at) => `$${at}`).join(', ')})`;
  const bound = Object.fromEntries(Object.values(row).map((value, at) => [`$${at}`, value]));
  await write.all(insert, bound);
}

/** Puts the rows of a book in the place of all that is in a file of the same version. */
async function putIn(
  database: Database,
  from: Rows,
  far: (putts: number) => void,
  check: (table: string, row: StoredRow, line: number) => void = () => undefined,
): Promise<TakenBook & { heads: number }> {
  const { write } = database;
  const taken: Record<string, number> = { session: 0, putt: 0 };
  let [rows, heads] = [0, 0];
  for await (const { table, row } of from) {
    check(table, row, rows + 2);
    if (isHead(table, row)) heads += 1;
    if (rows === 0) {
      for (const one of (await tablesOf(database)).reverse())
        await write.all(`DELETE FROM ${named(one)}`);
    }
    await insertRow(write, table, row).catch((error: unknown) => {
      throw unfit(error, `Line ${rows + 2}`);
    });
    rows += 1;
    taken[table] = (taken[table] ?? 0) + 1;
    if (rows % BATCH === 0) far(taken.putt!);
  }
  return { rows, putts: taken.putt!, sessions: taken.session!, heads };
}

/** The first line of a book, or one of its rows. */
const bookLine = z.object({
  book: z.number().optional(),
  migration: z.string().optional(),
  table: z.string().optional(),
  row: z.record(z.string(), z.union([z.string(), z.number(), z.null()])).optional(),
});

function parsed(line: string): z.infer<typeof bookLine> {
  try {
    return bookLine.parse(JSON.parse(line));
  } catch {
    throw new Problem(
      'invalid',
      `A line of this export is not a row in JSON: ${line.slice(0, 60)}`,
    );
  }
}

/** What SQLite says of a row that cannot be, as it can be told; anything else, and what can be told already, as it is. */
const unfit = (error: unknown, which: string): unknown =>
  !(error instanceof Problem) && /SQLITE_(CONSTRAINT|ERROR|MISMATCH)/.test(String(error))
    ? new Problem('invalid', `${which} of this export does not fit the others: ${String(error)}`)
    : error;
