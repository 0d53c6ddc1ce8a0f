import { QueryTypes } from 'sequelize';
import type { Database } from './database';
import { MIGRATIONS } from './migrations';
import { Problem } from './problem';

/** What opens doors, and what belongs to this machine, does not leave it. */
const LEFT_OUT = new Set([
  'device',
  'ticket',
  'passkey',
  'link',
  'instrument',
  'instrumentLine',
  'migration',
]);
/** Columns that stay empty in a book that is taken elsewhere. */
const SECRET = new Set(['passphrase']);
/** Rows that are read and written at once. */
const BATCH = 500;

type StoredRow = Record<string, string | number | null>;

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

/**
 * A whole book as lines of JSON: first which migrations it has seen, then a line a row, `{ table, row }`. No secrets, no
 * devices.
 */
export async function* bookLines(database: Database): AsyncGenerator<string> {
  yield `${JSON.stringify({ book: 1, migration: MIGRATIONS.at(-1)!.name })}\n`;
  for (const table of await tablesOf(database)) {
    for (let after = 0; ;) {
      const rows = await database.read.all<StoredRow & { rowid_: number }>(
        `SELECT rowid AS rowid_, * FROM ${named(table)} WHERE rowid > $after ORDER BY rowid LIMIT ${BATCH}`,
        { $after: after },
      );
      if (rows.length === 0) break;
      after = rows.at(-1)!.rowid_;
      yield rows
        .map(({ rowid_: _rowid, ...row }) => {
          for (const column of SECRET) if (column in row) row[column] = null;
          return `${JSON.stringify({ table, row })}\n`;
        })
        .join('');
    }
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

/**
 * Takes a whole book into an empty one, all or nothing.
 *
 * @param lines as {@link bookLines} wrote them
 * @throws Problem when this book is not empty, or the lines are not a book of this version
 */
export async function takeBook(
  database: Database,
  lines: AsyncIterable<string>,
): Promise<{ rows: number }> {
  if (!(await isEmpty(database))) {
    throw new Problem(
      'invalid',
      'There are students, drills or greens here already: a whole book goes into an empty one only.',
    );
  }
  const known = await tablesOf(database);
  let rows = 0;
  await database.atomically(async (transaction) => {
    const run = (sql: string, values: unknown[] = []) =>
      database.sequelize.query(sql, { transaction, replacements: values, type: QueryTypes.RAW });
    await run('PRAGMA defer_foreign_keys = ON');
    let first = true;
    for await (const line of lines) {
      if (line.trim() === '') continue;
      const told = parsed(line);
      if (first) {
        const newest = MIGRATIONS.at(-1)!.name;
        if (told.book !== 1 || told.migration !== newest) {
          throw new Problem(
            'invalid',
            `This is no book of this version: it begins with ${line.slice(0, 60)}, and ${newest} is expected.`,
          );
        }
        for (const table of [...known].reverse()) await run(`DELETE FROM ${named(table)}`);
        first = false;
        continue;
      }
      const { table, row } = told;
      if (!table || !row || !known.includes(table)) {
        throw new Problem(
          'invalid',
          `Line ${rows + 2} names no table of a book: ${line.slice(0, 60)}`,
        );
      }
      const columns = Object.keys(row);
      await run(
        `INSERT INTO ${named(table)} (${columns.map(named).join(', ')}) VALUES (${columns.map(() => '?').join(', ')})`,
        Object.values(row),
      );
      rows += 1;
    }
    if (first) throw new Problem('invalid', 'The file is empty.');
    // Whoever is signed in here goes on as the head coach of the book; what opened other doors opens none of its.
    for (const table of ['link', 'instrumentLine', 'instrument']) {
      await run(`DELETE FROM ${named(table)}`);
    }
    for (const table of ['device', 'ticket', 'passkey']) {
      await run(
        `UPDATE ${named(table)} SET coachId = (SELECT id FROM coach WHERE role = 'head' LIMIT 1)`,
      );
    }
  });
  return { rows };
}

interface BookLine {
  book?: number;
  migration?: string;
  table?: string;
  row?: StoredRow;
}

function parsed(line: string): BookLine {
  try {
    return JSON.parse(line) as BookLine;
  } catch {
    throw new Problem('invalid', `A line of the book is no JSON: ${line.slice(0, 60)}`);
  }
}
