import { randomInt } from 'node:crypto';
import { existsSync } from 'node:fs';
import { basename } from 'node:path';
import { z } from 'zod';
import { ENCRYPTED } from './backup-files';
import { contentsOf, withPlainBackup, type Contents } from './backups';
import { applyCredentials, readCredentials } from './credentials';
import { openDatabase } from './database';
import { Problem } from './problem';
import { copyWhole, inspectFile, readRaw, toSingleFile } from './raw-file';
import { eraseAgain, erasureSchema, type Erasure } from './rights';
import { differences, rowCounts, type RowCounts } from './row-counts';
import { swapFiles } from './swap';

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

/** What a restore did. */
export interface Restored {
  /** The file that was there, as it was, under its new name. */
  replaced: string;
  /** What the database holds now. */
  contents: Contents;
  /** The database that was there could not be read, so all devices, links and passphrases were ended. */
  signInsEnded: boolean;
}

/**
 * Checks that every row of a file came along.
 *
 * @param left what became of the database that was there, in a sentence
 */
function expectSame(is: RowCounts, mustBe: RowCounts, left: string): void {
  const lost = differences(is, mustBe);
  if (lost.length > 0) {
    throw new Problem(
      'database',
      `The restore failed, because rows were missing: ${lost.join(', ')}. ${left}`,
    );
  }
}

/**
 * Restores a database from a backup. The database that was there is kept under a name of its own. What was ended since the backup
 * was made stays ended, and screens that are open learn that what they knew is out of date.
 *
 * @param path the database, closed by whoever had it open
 * @param from the backup, which stays as it is; encrypted ones end in .age
 * @param at now
 * @param passphrase of an encrypted backup
 * @throws Problem when the backup is not whole, the passphrase is wrong, rows would be missing, or the database is in use
 */
export async function restore(
  path: string,
  from: string,
  at: Date,
  passphrase: string | null = null,
): Promise<Restored> {
  if (from.endsWith(ENCRYPTED) && passphrase === null) {
    throw new Problem('invalid', 'This backup is encrypted. Enter its passphrase.');
  }
  return withPlainBackup(path, from, passphrase, async (plain) => {
    await contentsOf(plain).catch((error: unknown) => {
      if (error instanceof Problem) throw error;
      throw new Problem('invalid', `${basename(from)} is damaged. Choose another backup.`);
    });
    return restorePlain(path, plain, at);
  });
}

async function restorePlain(path: string, from: string, at: Date): Promise<Restored> {
  if (await isHeld(path)) {
    throw new Problem('database', `${path} is in use. Stop Dirigo first.`);
  }
  // Its newest rows may still lie in the second file: one file holds all of it before it is moved away.
  await toSingleFile(path);
  const incoming = `${path}.incoming`;
  await copyWhole(from, incoming);
  expectSame(await rowCounts(incoming), await rowCounts(from), 'The database was not changed.');
  const credentials = await readCredentials(path);
  const database = await openDatabase(incoming);
  try {
    await applyCredentials(database, credentials, at);
    await eraseAgain(database, path, await erasuresOf(path));
    await database.sequelize.query(`PRAGMA user_version = ${randomInt(1, 2 ** 31 - 1)}`);
  } finally {
    await database.close();
  }
  await toSingleFile(incoming);
  await inspectFile(incoming, 'integrity_check');
  const promised = await rowCounts(incoming);
  const replaced = `${path}.replaced-${at.toISOString().replaceAll(':', '-')}`;
  await swapFiles(path, { incoming, replaced });
  expectSame(
    await rowCounts(path),
    promised,
    `The database that was there is kept as ${replaced}.`,
  );
  return { replaced, contents: await contentsOf(path), signInsEnded: credentials === null };
}
