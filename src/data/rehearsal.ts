import { copyFile, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { contentsOf, newestGoodBackup, withPlainBackup } from './backups';
import { backupState, saveBackupState } from './backup-state';
import { openDatabase } from './database';
import { differences, rowCounts } from './row-counts';

/** A restore is rehearsed when the last rehearsal is this old, ms. */
export const REHEARSE_EVERY = 24 * 3_600_000;

/** Tables that no migration empties: as many rows after opening as before. */
const LASTING = ['coach', 'student', 'session', 'run', 'putt', 'drill'] as const;

/** Opens a backup as a restore would, in a folder of its own; what is wrong with it, or null. */
async function tryBackup(path: string, file: string): Promise<string | null> {
  const folder = await mkdtemp(join(tmpdir(), 'dirigo-rehearsal-'));
  try {
    const copy = join(folder, 'rehearsal.db');
    await withPlainBackup(path, file, null, (plain) => copyFile(plain, copy));
    const before = await rowCounts(copy);
    await (await openDatabase(copy)).close();
    await contentsOf(copy);
    const after = await rowCounts(copy);
    const only = (counts: Record<string, number>) =>
      Object.fromEntries(LASTING.map((table) => [table, counts[table] ?? 0]));
    const lost = differences(only(after), only(before));
    return lost.length === 0 ? null : `rows were missing: ${lost.join(', ')}`;
  } catch (error) {
    return String(error instanceof Error ? error.message : error);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/**
 * Rehearses a restore of the newest good backup once a day, and of the next one where that failed: it is opened and migrated in a
 * folder of its own, and its rows are counted.
 *
 * @param at now
 * @returns whether a rehearsal took place
 */
export async function rehearseWhenDue(path: string, at: Date): Promise<boolean> {
  const { rehearsed } = await backupState(path);
  const age = rehearsed ? at.getTime() - rehearsed.at.getTime() : Infinity;
  const fresh = age >= 0 && age < REHEARSE_EVERY;
  if (fresh && rehearsed?.problem === null) return false;
  const backup = await newestGoodBackup(path, at);
  if (!backup || (fresh && backup.file === rehearsed?.file)) return false;
  const { file } = backup;
  const wrong = await tryBackup(path, file);
  const problem = wrong && `The newest backup, ${basename(file)}, failed a test restore: ${wrong}`;
  await saveBackupState(path, { rehearsed: { at, file, problem } });
  return true;
}
