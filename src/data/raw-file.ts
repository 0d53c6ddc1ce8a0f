import { existsSync, statSync } from 'node:fs';
import { chmod, copyFile, mkdtemp, open, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { APPLICATION_ID } from './application';
import { MIGRATIONS } from './migrations';
import { Problem } from './problem';

/** What belongs to a database file while it is in use. */
export const COMPANIONS = ['-wal', '-shm', '-journal'] as const;

/** Only who runs Dirigo may read what it writes. */
export const OWN_ONLY = 0o600;

type Row = Record<string, unknown>;

/** A file read as it lies there, without a change to it. */
export interface RawFile {
  all(sql: string): Promise<Row[]>;
}

/**
 * Opens a database file to read only, does some work, and closes it.
 *
 * @throws what SQLite says of a file that is none
 */
export async function readRaw<T>(path: string, work: (file: RawFile) => Promise<T>): Promise<T> {
  try {
    return await readAs(path, sqlite3.OPEN_READONLY, work);
  } catch (error) {
    const unreadable = /SQLITE_READONLY|SQLITE_CANTOPEN/.test(String(error));
    if (!unreadable || !existsSync(path)) throw error;
  }
  // A program was ended while it wrote: what it left half done can only be taken back by writing, so that a copy is read.
  const folder = await mkdtemp(join(tmpdir(), 'dirigo-read-'));
  try {
    const copy = join(folder, 'copy.db');
    for (const ending of ['', ...COMPANIONS]) {
      if (existsSync(path + ending)) await copyFile(path + ending, copy + ending);
    }
    return await readAs(copy, sqlite3.OPEN_READWRITE, work);
  } finally {
    await rm(folder, { recursive: true });
  }
}

async function readAs<T>(
  path: string,
  mode: number,
  work: (file: RawFile) => Promise<T>,
): Promise<T> {
  const database = await new Promise<sqlite3.Database>((resolve, reject) => {
    const opened: sqlite3.Database = new sqlite3.Database(path, mode, (error) =>
      error ? reject(error) : resolve(opened),
    );
  });
  database.configure('busyTimeout', 5000);
  try {
    return await work({
      all: (sql) =>
        new Promise((resolve, reject) => {
          database.all<Row>(sql, (error, rows) => (error ? reject(error) : resolve(rows)));
        }),
    });
  } finally {
    await new Promise<void>((resolve) => database.close(() => resolve()));
  }
}

/**
 * Makes a closed database one file: everything that lies in its second file is moved into it, and reading it makes no other. A file
 * that is damaged, or none of SQLite's, stays as it is.
 */
export async function toSingleFile(path: string): Promise<void> {
  if (!existsSync(path)) return;
  await readAs(path, sqlite3.OPEN_READWRITE, async ({ all }) => {
    await all('PRAGMA wal_checkpoint(TRUNCATE)');
    await all('PRAGMA journal_mode = DELETE');
  }).catch(() => undefined);
}

/** Copies a database, in use or not, with all that still lies in its second file, into one file that is on disk. */
export async function copyWhole(from: string, to: string): Promise<void> {
  for (const ending of ['', ...COMPANIONS]) await rm(to + ending, { force: true });
  await readRaw(from, ({ all }) => all(`VACUUM INTO '${to.replaceAll("'", "''")}'`));
  await chmod(to, OWN_ONLY);
  await toDisk(to);
}

/** Names of the migrations that a file has had; none for a file that is new. */
async function appliedIn(file: RawFile, path: string): Promise<string[]> {
  const tables = (
    await file.all(
      `SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'`,
    )
  ).map(({ name }) => String(name));
  const [header] = await file.all('PRAGMA application_id');
  const id = Number(header?.application_id);
  const applied = tables.includes('migration')
    ? (await file.all('SELECT name FROM migration ORDER BY name')).map(({ name }) => String(name))
    : [];
  const isNew = id === 0 && tables.every((name) => name === 'migration') && applied.length === 0;
  // Until its eighth migration a Dirigo file said nothing of itself.
  const isOld = id === 0 && applied[0] === MIGRATIONS[0]!.name && tables.includes('coach');
  if (!isNew && !isOld && id !== APPLICATION_ID) {
    throw new Problem(
      'database',
      `${path} is a database of another program. It was left unchanged. Name another file in DIRIGO_DB, or move this one away.`,
    );
  }
  return applied;
}

/** What of a file is damaged, in SQLite's words; null when nothing is. */
async function damageIn(file: RawFile, check: 'quick_check' | 'integrity_check') {
  const told = (await file.all(`PRAGMA ${check}(20)`)).map((row) => String(Object.values(row)[0]));
  return told.length === 1 && told[0] === 'ok' ? null : told;
}

/** A file that holds Dirigo's records and is damaged. */
export class Damage extends Error {
  constructor(readonly what: string[]) {
    super(what.join('; '));
    this.name = 'Damage';
  }
}

/**
 * Looks at a file before it is opened to be written: whose it is, whether this program knows it, and whether it is whole.
 * Nothing of it is changed.
 *
 * @returns the migrations that it has had
 * @throws Problem for a file of another program, or of a newer version of this one
 * @throws Damage for one that is not whole
 */
export async function inspectFile(
  path: string,
  check: 'quick_check' | 'integrity_check' = 'quick_check',
): Promise<string[]> {
  if (!existsSync(path)) return [];
  if (!statSync(path).isFile()) throw new Error('EISDIR');
  if (statSync(path).size === 0) return [];
  return readRaw(path, async (file) => {
    const applied = await appliedIn(file, path);
    const known = new Set(MIGRATIONS.map(({ name }) => name));
    const newer = applied.filter((name) => !known.has(name));
    if (newer.length > 0) {
      throw new Problem(
        'database',
        `${path} was written by a newer version of Dirigo. It contains ${newer.join(', ')}, which this version does not know. It was left unchanged. Start the newer version.`,
      );
    }
    const damage = await damageIn(file, check);
    if (damage) throw new Damage(damage);
    return applied;
  });
}

/** Makes a file, and what belongs to it, readable to nobody else; a new one is made so. */
export async function ownOnly(path: string): Promise<void> {
  if (!existsSync(path)) await (await open(path, 'a', OWN_ONLY)).close();
  for (const file of [path, ...COMPANIONS.map((ending) => path + ending)]) {
    if (existsSync(file)) await chmod(file, OWN_ONLY);
  }
}

/** Waits until a file, or the names in a folder, lie on their disk. */
export async function toDisk(path: string): Promise<void> {
  const handle = await open(path, 'r');
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
}
