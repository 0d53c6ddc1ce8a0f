import { randomInt } from 'node:crypto';
import { existsSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { basename } from 'node:path';
import { QueryTypes, type Transaction } from 'sequelize';
import { z } from 'zod';
import { contentsOf, copyRaw } from './copies';
import { storedTime } from './columns';
import { openDatabase, type Database } from './database';
import { Problem } from './problem';
import { COMPANIONS, inspectFile, readRaw } from './raw-file';
import { eraseAgain, erasureSchema, type Erasure } from './rights';
import { swapFiles } from './swap';

/** What opens the records from outside: none that was ended here may open them again. */
const OPENERS = [
  { table: 'link', key: 'hash', alive: 'endedAt IS NULL', end: 'endedAt = :at' },
  { table: 'device', key: 'hash', alive: 'endedAt IS NULL', end: 'endedAt = :at' },
  { table: 'share', key: 'id', alive: 'endedAt IS NULL', end: 'endedAt = :at' },
  { table: 'coach', key: 'id', alive: 'archivedAt IS NULL', end: 'archivedAt = :at' },
] as const;

/** What opens the records now, by table; null where that cannot be read. */
async function openersOf(path: string): Promise<Map<string, Set<string>> | null> {
  try {
    return await readRaw(path, async ({ all }) => {
      const open = new Map<string, Set<string>>();
      for (const { table, key, alive } of OPENERS) {
        const rows = await all(`SELECT ${key} AS k FROM "${table}" WHERE ${alive}`);
        open.set(table, new Set(rows.map(({ k }) => String(k))));
      }
      const passkeys = await all('SELECT id AS k FROM passkey');
      return open.set('passkey', new Set(passkeys.map(({ k }) => String(k))));
    });
  } catch {
    return null;
  }
}

/**
 * Ends in a copy what was ended since it was made: links, devices, shares, coaches who have left. Where that is not known any
 * more, all links and devices.
 */
async function endRevived(
  { sequelize }: Database,
  open: Map<string, Set<string>> | null,
  at: Date,
  transaction: Transaction,
): Promise<void> {
  for (const { table, key, alive, end } of OPENERS) {
    // Who was not there cannot be told from who has left, when nothing can be read: coaches and shares stay.
    if (!open && (table === 'coach' || table === 'share')) continue;
    const rows = await sequelize.query<{ k: string }>(
      `SELECT ${key} AS k FROM "${table}" WHERE ${alive}`,
      { type: QueryTypes.SELECT, transaction },
    );
    const still = open?.get(table) ?? new Set();
    for (const { k } of rows) {
      if (still.has(k)) continue;
      await sequelize.query(`UPDATE "${table}" SET ${end} WHERE ${key} = :k`, {
        replacements: { k, at: storedTime(at) },
        transaction,
      });
    }
  }
  const kept = [...(open?.get('passkey') ?? [])];
  await sequelize.query(
    kept.length > 0 ? 'DELETE FROM passkey WHERE id NOT IN (:kept)' : 'DELETE FROM passkey',
    { replacements: { kept }, transaction },
  );
  await sequelize.query('DELETE FROM ticket', { transaction });
}

/** Who was erased, as the file itself says; nobody where that cannot be read. */
async function erasuresOf(path: string): Promise<Erasure[]> {
  if (!existsSync(path)) return [];
  return readRaw(path, async ({ all }) =>
    z.array(erasureSchema).parse(await all('SELECT * FROM erasure')),
  ).catch(() => []);
}

/** Whether somebody has a database open to write. */
async function isHeld(path: string): Promise<boolean> {
  if (!existsSync(path)) return false;
  return readRaw(path, async ({ all }) => {
    await all('PRAGMA busy_timeout = 0');
    // Whoever has it open holds a lock that this one asks for alone.
    await all('PRAGMA locking_mode = EXCLUSIVE');
    await all('SELECT COUNT(*) FROM sqlite_master');
    return false;
  }).catch((error: unknown) => /SQLITE_BUSY|SQLITE_LOCKED/.test(String(error)));
}

/** What took the place of what. */
export interface Restored {
  /** The file that was there, as it was, under its new name. */
  replaced: string;
}

/**
 * Puts a copy in the place of a database, which is kept under a name of its own. What was ended since the copy was made stays
 * ended, and screens that are open learn that they know nothing of it.
 *
 * @param path the database, closed by whoever had it open
 * @param from the copy, which stays as it is
 * @param at now
 * @throws Problem when the copy is not whole, or the database is in use
 */
export async function restore(path: string, from: string, at: Date): Promise<Restored> {
  await contentsOf(from).catch((error: unknown) => {
    if (error instanceof Problem) throw error;
    throw new Problem('invalid', `${basename(from)} is damaged. Choose another copy.`);
  });
  if (await isHeld(path)) {
    throw new Problem('database', `${path} is in use. Stop Dirigo first.`);
  }
  const incoming = `${path}.incoming`;
  for (const ending of ['', ...COMPANIONS]) await rm(incoming + ending, { force: true });
  await copyRaw(from, incoming);
  const open = existsSync(path) ? await openersOf(path) : new Map<string, Set<string>>();
  const database = await openDatabase(incoming);
  try {
    await database.atomically((transaction) => endRevived(database, open, at, transaction));
    await eraseAgain(database, path, await erasuresOf(path));
    await database.sequelize.query(`PRAGMA user_version = ${randomInt(1, 2 ** 31 - 1)}`);
    await database.sequelize.query('PRAGMA wal_checkpoint(TRUNCATE)');
  } finally {
    await database.close();
  }
  await inspectFile(incoming, 'integrity_check');
  const replaced = `${path}.replaced-${at.toISOString().replaceAll(':', '-')}`;
  await swapFiles(path, { incoming, replaced });
  return { replaced };
}
