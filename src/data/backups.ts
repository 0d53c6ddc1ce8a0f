import { existsSync } from 'node:fs';
import { chmod, link, mkdir, mkdtemp, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { basename, dirname, join } from 'node:path';
import {
  BACKUP_EVERY,
  ENCRYPTED,
  OWN_FOLDER,
  backupName,
  listBackups,
  newestBackup,
  pruneBackups,
  type Backup,
} from './backup-files';
import { encryptFile, openEncrypted, writeKeyFile } from './backup-key';
import {
  backupFolder,
  backupState,
  noteBackup,
  ownBackupFolder,
  type BackupKey,
} from './backup-state';
import { Problem } from './problem';
import { copyWhole, inspectFile, readRaw } from './raw-file';

/** What is in a database, in a few numbers. */
export interface Contents {
  students: number;
  sessions: number;
  putts: number;
  /** When the newest session started; null without one. */
  newest: Date | null;
}

/**
 * Returns what is in a database file, once all of it has been checked.
 *
 * @throws Problem for a file that is not Dirigo's; Damage for one that is not whole
 */
export async function contentsOf(file: string): Promise<Contents> {
  if (!existsSync(file)) throw new Problem('not-found', `${file} does not exist.`);
  const applied = await inspectFile(file, 'integrity_check').catch((error: unknown) => {
    if (/SQLITE_NOTADB/.test(String(error))) {
      throw new Problem('invalid', `${basename(file)} is not a Dirigo database.`);
    }
    throw error;
  });
  if (applied.length === 0) throw new Problem('invalid', `${basename(file)} is empty.`);
  return readRaw(file, async ({ all }) => {
    const [row] = await all(
      `SELECT (SELECT COUNT(*) FROM student) AS students, (SELECT COUNT(*) FROM session) AS sessions,
              (SELECT COUNT(*) FROM putt) AS putts, (SELECT MAX(startedAt) FROM session) AS newest`,
    );
    return {
      students: Number(row!.students),
      sessions: Number(row!.sessions),
      putts: Number(row!.putts),
      newest: row!.newest ? new Date(String(row!.newest)) : null,
    };
  });
}

/**
 * Does some work with a backup as a plain database file: an encrypted one is decrypted for as long as that takes.
 *
 * @param path the database whose backup it is
 * @param passphrase of an encrypted backup; null to use the key that this machine keeps
 * @throws Problem when the passphrase does not open it
 */
export async function withPlainBackup<T>(
  path: string,
  file: string,
  passphrase: string | null,
  work: (plain: string) => Promise<T>,
): Promise<T> {
  if (!file.endsWith(ENCRYPTED)) return work(file);
  if (!existsSync(file)) throw new Problem('not-found', `${file} is not there.`);
  const folder = await mkdtemp(join(tmpdir(), 'dirigo-backup-'));
  try {
    const plain = join(folder, basename(file).slice(0, -ENCRYPTED.length));
    await openEncrypted(path, file, plain, passphrase);
    return await work(plain);
  } finally {
    await rm(folder, { recursive: true });
  }
}

/** What a backup holds; null for one that is damaged or cannot be opened here. */
const contentsOrNull = (path: string, file: string): Promise<Contents | null> =>
  withPlainBackup(path, file, null, contentsOf).catch(() => null);

const holdsMore = (a: Contents, b: Contents): boolean =>
  a.putts !== b.putts ? a.putts > b.putts : a.sessions > b.sessions;

/**
 * Returns the newest backup that is whole; null when there is none. One from the future was made while the clock was wrong: it is
 * taken only where it holds more than the newest of the others. A file that a restore replaced was left on purpose and is none.
 *
 * @param at now
 */
export async function newestGoodBackup(path: string, at: Date): Promise<Backup | null> {
  const all = (await listBackups(path)).filter(({ kind }) => kind !== 'replaced');
  let best: { backup: Backup; contents: Contents } | null = null;
  for (const backup of all.filter(({ madeAt }) => madeAt <= at)) {
    const contents = await contentsOrNull(path, backup.file);
    if (!contents) continue;
    best = { backup, contents };
    break;
  }
  for (const backup of all.filter(({ madeAt }) => madeAt > at)) {
    const contents = await contentsOrNull(path, backup.file);
    if (contents && (!best || holdsMore(contents, best.contents))) best = { backup, contents };
  }
  return best?.backup ?? null;
}

/** Writes a whole backup of a database that is in use; it gets its name only once it was checked and is on disk. */
export async function writeBackup(
  path: string,
  file: string,
  key: BackupKey | null = null,
): Promise<void> {
  const part = `${file}.part`;
  const sealed = `${file}.sealed.part`;
  await mkdir(dirname(file), { recursive: true });
  try {
    await copyWhole(path, part);
    await contentsOf(part);
    if (key) {
      await encryptFile(part, sealed, key);
      await writeKeyFile(dirname(file), key);
    }
    // Not by renaming: a backup that has this name already is never overwritten.
    await link(key ? sealed : part, file);
  } finally {
    await rm(part, { force: true });
    await rm(sealed, { force: true });
  }
}

/**
 * Makes a backup, checks it, and only then deletes old ones.
 *
 * @param at now
 * @throws Problem when it cannot be made; the reason is kept, and shown on Today
 */
export async function makeBackup(path: string, at: Date): Promise<Backup> {
  const { key } = await backupState(path);
  const to = await backupFolder(path);
  const file = join(to, backupName(path, at, key !== null));
  try {
    await mkdir(to, { recursive: true, mode: OWN_FOLDER });
    // A folder that the coach chose may be others' too; our own of an earlier version was open to read.
    if (to === ownBackupFolder(path)) await chmod(to, OWN_FOLDER);
    await writeBackup(path, file, key);
  } catch (error) {
    const message = backupProblem(error, to);
    await noteBackup(path, { at, message });
    throw new Problem('database', message);
  }
  await noteBackup(path, null);
  await pruneBackups(path, at);
  const { size } = await stat(file);
  return { file, madeAt: at, bytes: size, kind: 'backup', encrypted: key !== null };
}

function backupProblem(error: unknown, folder: string): string {
  const text = String(error);
  if (/ENOSPC|SQLITE_FULL/.test(text)) return `The backup failed: the disk of ${folder} is full.`;
  if (/EACCES|EROFS|EPERM|SQLITE_CANTOPEN|SQLITE_READONLY|ENOENT|ENOTDIR|EEXIST/.test(text)) {
    return `The backup failed: Dirigo cannot write to ${folder}.`;
  }
  if (/Damage|SQLITE_CORRUPT|malformed/.test(text)) {
    return 'The backup failed: the database is damaged. Restore the newest good backup.';
  }
  return `The backup to ${folder} failed.`;
}

/** A number that changes with everything that is written to a database; "none" for a file that cannot be read. */
const contentMark = (file: string): Promise<string> =>
  readRaw(file, async ({ all }) => {
    const [row] = await all(
      `SELECT (SELECT COUNT(*) FROM putt) AS putts, (SELECT COUNT(*) FROM event) AS events,
              (SELECT COALESCE(SUM(revision), 0) FROM run) AS revisions`,
    );
    return JSON.stringify(row);
  }).catch(() => 'none');

/** A backup is made at least this often, ms, whether something was written or not: one older than a day is reported as a fault. */
const BACKUP_AT_LEAST_EVERY = 20 * 3_600_000;

/**
 * Makes a backup when the newest is an hour old and something was written since, or when it is nearly a day old; null when none is
 * due. Backups from the future do not count: the clock was wrong when they were made.
 */
export async function backupWhenDue(path: string, at: Date): Promise<Backup | null> {
  const newest = newestBackup(await listBackups(path), at);
  if (!newest) return makeBackup(path, at);
  const age = at.getTime() - newest.madeAt.getTime();
  if (age < BACKUP_EVERY) return null;
  if (age >= BACKUP_AT_LEAST_EVERY) return makeBackup(path, at);
  if ((await writtenAt(path)) > newest.madeAt.getTime()) return makeBackup(path, at);
  // The file's own times lie as well where the clock was wrong: what is in it does not.
  const there = await withPlainBackup(path, newest.file, null, contentMark).catch(() => 'none');
  return there === (await contentMark(path)) ? null : makeBackup(path, at);
}

/** When something was last written to a database, ms. */
async function writtenAt(path: string): Promise<number> {
  const times = await Promise.all(
    [path, `${path}-wal`].map(async (file) => (await stat(file).catch(() => null))?.mtimeMs ?? 0),
  );
  return Math.max(...times);
}

/**
 * Keeps a database as it is before a migration: a backup of its own, which none overwrites.
 *
 * @param path the database
 * @param before the migration that comes next
 */
export async function backupBefore(path: string, before: string): Promise<void> {
  const base = `${path}.before-${before}`;
  let file = base;
  for (let number = 2; existsSync(file); number++) file = `${base}-${number}`;
  await writeBackup(path, file);
}
