import { readFile, rename, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { z } from 'zod';
import { OWN_ONLY } from './raw-file';

const failureSchema = z.object({ at: z.coerce.date(), message: z.string() });

/** Why the last backup, or its rehearsal, did not work. */
export type BackupFailure = z.infer<typeof failureSchema>;

const keySchema = z.object({
  /** Public key that backups are encrypted for. */
  recipient: z.string(),
  /** Private key, so that the rehearsal on this machine can open a backup. */
  identity: z.string(),
  /** The private key, encrypted with the coach's passphrase: it lies beside the backups. */
  wrapped: z.string(),
});

/** The key pair of encrypted backups. */
export type BackupKey = z.infer<typeof keySchema>;

const stateSchema = z.object({
  /** Where backups go; null for a folder beside the database. */
  folder: z.string().nullable().default(null),
  /** Why the last backup could not be made; null when it could. */
  failed: failureSchema.nullable().default(null),
  /** The key of encrypted backups; null while they are not encrypted. */
  key: keySchema.nullable().default(null),
  /** The last rehearsal of a restore: which backup, and what was wrong with it, in a sentence. */
  rehearsed: z
    .object({ at: z.coerce.date(), file: z.string(), problem: z.string().nullable() })
    .nullable()
    .default(null),
});

/** How the backups of a database are made, and how the last one went. */
export type BackupState = z.infer<typeof stateSchema>;

// Beside the database, not in it: a restore needs it when the database cannot be read.
const stateFile = (path: string): string => `${path}.copies.json`;

/** What went wrong last, by database: a full disk keeps no file. Shared by all parts that the program is built of. */
const failures = (): Map<string, BackupFailure | null> => {
  const there = globalThis as { dirigoBackupFailures?: Map<string, BackupFailure | null> };
  return (there.dirigoBackupFailures ??= new Map());
};

const tryJson = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return {};
  }
};

/** Reads how the backups of a database are made, and how the last one went. */
export async function backupState(path: string): Promise<BackupState> {
  const text = await readFile(stateFile(path), 'utf8').catch(() => '{}');
  const parsed = stateSchema.safeParse(tryJson(text));
  const state = parsed.success ? parsed.data : stateSchema.parse({});
  const failed = failures().get(path);
  return failed === undefined ? state : { ...state, failed };
}

/** Returns why the last backup could not be made or, in its rehearsal, not be restored; null when nothing is wrong. */
export function backupFault({ failed, rehearsed }: BackupState): BackupFailure | null {
  if (failed) return failed;
  return rehearsed?.problem ? { at: rehearsed.at, message: rehearsed.problem } : null;
}

/** Changes a part of it, and writes it beside the database. */
export async function saveBackupState(path: string, change: Partial<BackupState>): Promise<void> {
  const state = { ...(await backupState(path)), ...change };
  const file = stateFile(path);
  await writeFile(`${file}.part`, JSON.stringify(state), { mode: OWN_ONLY });
  await rename(`${file}.part`, file);
}

/** Notes how the last backup went: in memory first, since the disk that it failed on may hold the file as well. */
export async function noteBackup(path: string, failed: BackupFailure | null): Promise<void> {
  failures().set(path, failed);
  await saveBackupState(path, { failed }).catch(() => undefined);
}

/** The folder beside the database that backups go to unless another is set. */
export const ownBackupFolder = (path: string): string => join(dirname(path), 'copies');

/** The folder of a database's backups: as it was set, DIRIGO_COPIES, or one beside the database. */
export async function backupFolder(path: string): Promise<string> {
  const { folder } = await backupState(path);
  return folder ?? process.env.DIRIGO_COPIES ?? ownBackupFolder(path);
}
