import { mkdir, readdir, rm, stat, writeFile } from 'node:fs/promises';
import { basename, dirname, isAbsolute, join } from 'node:path';
import { backupFolder, noteBackup, saveBackupState } from './backup-state';
import { Problem } from './problem';

/** How many backups stay: the newest of each of so many hours, days and weeks that have one. */
export const STAYING = { hour: 24, day: 14, week: 8 } as const;

const LENGTHS = { hour: 3_600_000, day: 86_400_000, week: 604_800_000 } as const;

/** A backup is due when the one before is this old, ms, and something was written since. */
export const BACKUP_EVERY = LENGTHS.hour;

/** Only whoever runs Dirigo may look into the folder. */
export const OWN_FOLDER = 0o700;

/** A file that a database can be restored from. */
export interface Backup {
  file: string;
  madeAt: Date;
  bytes: number;
  /** Made on schedule or on demand; before a migration; what a restore replaced. */
  kind: 'backup' | 'before' | 'replaced';
  encrypted: boolean;
}

/**
 * Returns the times of backups that stay.
 *
 * @param times when each was made, ms
 * @returns those that are the newest of an hour, a day or a week, for as many hours, days and weeks as are kept
 * @example
 * staying([0, 1]) // Set { 1 }: both lie in the same hour, day and week
 */
export function staying(times: readonly number[]): Set<number> {
  const newestFirst = [...times].sort((a, b) => b - a);
  const stay = new Set<number>();
  for (const [period, count] of Object.entries(STAYING) as [keyof typeof STAYING, number][]) {
    const seen = new Set<number>();
    for (const time of newestFirst) {
      const slot = Math.floor(time / LENGTHS[period]);
      if (seen.has(slot)) continue;
      if (seen.size === count) break;
      seen.add(slot);
      stay.add(time);
    }
  }
  return stay;
}

/**
 * Sets where backups are put; those that exist stay where they are.
 *
 * @param folder an absolute path; null for the folder beside the database
 * @throws Problem when nothing can be written there
 */
export async function setBackupFolder(path: string, folder: string | null): Promise<void> {
  if (folder !== null) {
    if (!isAbsolute(folder)) {
      throw new Problem('invalid', `"${folder}" is not an absolute path: start it with a /.`);
    }
    const probe = join(folder, `.dirigo-${process.pid}`);
    try {
      await mkdir(folder, { recursive: true, mode: OWN_FOLDER });
      await writeFile(probe, '');
      await rm(probe);
    } catch {
      throw new Problem('invalid', `Dirigo cannot write to ${folder}.`);
    }
  }
  await saveBackupState(path, { folder });
  await noteBackup(path, null);
}

const stem = (path: string): string => basename(path).replace(/\.db$/, '');
const stamp = (at: Date): string => at.toISOString().replaceAll(':', '-');
const STAMP = /(\d{4}-\d\d-\d\dT\d\d)-(\d\d)-(\d\d\.\d{3}Z)/;

/** Ends the name of an encrypted backup. */
export const ENCRYPTED = '.age';

/** The name of a backup of a database, made at a time. */
export const backupName = (path: string, at: Date, encrypted: boolean): string =>
  `${stem(path)}-${stamp(at)}.db${encrypted ? ENCRYPTED : ''}`;

function timeIn(name: string): Date | null {
  const found = STAMP.exec(name);
  return found ? new Date(`${found[1]}:${found[2]}:${found[3]}`) : null;
}

const filesIn = (folder: string): Promise<string[]> => readdir(folder).catch(() => []);

/** Lists the backups of a database, newest first: those in its folder, and those that lie beside it. */
export async function listBackups(path: string): Promise<Backup[]> {
  const backups: Backup[] = [];
  const add = async (file: string, kind: Backup['kind']) => {
    const known = await stat(file).catch(() => null);
    if (!known) return;
    backups.push({
      file,
      kind,
      madeAt: timeIn(basename(file)) ?? known.mtime,
      bytes: known.size,
      encrypted: file.endsWith(ENCRYPTED),
    });
  };
  const folder = await backupFolder(path);
  const own = `${stem(path)}-`;
  for (const name of await filesIn(folder)) {
    if (name.startsWith(own) && /\.db(\.age)?$/.test(name) && timeIn(name)) {
      await add(join(folder, name), 'backup');
    }
  }
  const beside = basename(path);
  for (const name of await filesIn(dirname(path))) {
    if (/-(wal|shm)$|\.part$/.test(name)) continue;
    const file = join(dirname(path), name);
    if (name.startsWith(`${beside}.before-`)) await add(file, 'before');
    if (name.startsWith(`${beside}.replaced-`)) await add(file, 'replaced');
  }
  return backups.sort((a, b) => b.madeAt.getTime() - a.madeAt.getTime());
}

/**
 * Returns the newest of a list that was made on schedule or on demand; null without one. Those from the future do not count: the
 * clock was wrong when they were made.
 *
 * @param backups newest first
 * @param at now
 */
export const newestBackup = (backups: readonly Backup[], at: Date): Backup | null =>
  backups.find(({ kind, madeAt }) => kind === 'backup' && madeAt <= at) ?? null;

/**
 * Deletes backups that no longer need to stay. One from the future, made while the clock was wrong, is left alone until its time
 * comes: it must not take the place of real ones.
 *
 * @param at now; a backup made at that time always stays
 */
export async function pruneBackups(path: string, at: Date): Promise<void> {
  const past = (await listBackups(path)).filter(
    ({ kind, madeAt }) => kind === 'backup' && madeAt <= at,
  );
  const stay = staying(past.map(({ madeAt }) => madeAt.getTime()));
  for (const { file, madeAt } of past) {
    if (!stay.has(madeAt.getTime())) await rm(file, { force: true });
  }
}
