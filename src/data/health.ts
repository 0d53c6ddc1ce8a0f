import { access, constants, statfs } from 'node:fs/promises';
import { dirname } from 'node:path';
import { listBackups, newestBackup } from './backup-files';
import { backupFault, backupState } from './backup-state';
import type { Database } from './database';

/** A backup older than this is a fault, ms. */
const TOO_OLD = 24 * 3_600_000;
/** Less room than this on the database's disk is a fault, bytes. */
const LEAST_ROOM = 16 * 1024 * 1024;

/** How a database and its backups are. */
export interface Health {
  ok: boolean;
  database: { readable: boolean; writable: boolean; freeBytes: number };
  backup: {
    /** Age of the newest good backup, s; null without one. */
    ageSeconds: number | null;
    /** Why the last backup or its rehearsal failed; null when it did not. */
    problem: string | null;
    /** When a restore was last rehearsed; null when never. */
    rehearsedAt: string | null;
  };
}

/** Whether a transaction can be started, and there is room for what it writes. Nothing is written. */
async function isWritable(database: Database, freeBytes: number): Promise<boolean> {
  if (freeBytes < LEAST_ROOM) return false;
  try {
    await access(dirname(database.path), constants.W_OK);
    await database.directly(() => database.write.all('SELECT 1'));
    return true;
  } catch {
    return false;
  }
}

/**
 * Checks a database and its backups. A backup counts as good when it was checked as it was made; one from the future does not count.
 *
 * @param database open; null when it cannot be opened
 * @param path of the file
 * @param at now
 */
export async function checkHealth(
  database: Database | null,
  path: string,
  at: Date,
): Promise<Health> {
  const { bavail, bsize } = await statfs(dirname(path)).catch(() => ({ bavail: 0, bsize: 0 }));
  const freeBytes = bavail * bsize;
  const readable =
    database !== null &&
    database.damage() === null &&
    (await database.read.all('SELECT count(*) FROM coach').then(
      () => true,
      () => false,
    ));
  const writable = database !== null && readable && (await isWritable(database, freeBytes));
  const newest = newestBackup(await listBackups(path), at);
  const age = newest ? at.getTime() - newest.madeAt.getTime() : null;
  const state = await backupState(path);
  const problem = backupFault(state)?.message ?? null;
  return {
    ok: writable && age !== null && age <= TOO_OLD && problem === null,
    database: { readable, writable, freeBytes },
    backup: {
      ageSeconds: age === null ? null : Math.round(age / 1000),
      problem,
      rehearsedAt: state.rehearsed?.at.toISOString() ?? null,
    },
  };
}
