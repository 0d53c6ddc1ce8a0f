'use server';

import { z } from 'zod';
import { encryptBackups, makeBackup, restoreOpen, setBackupFolder, type Restored } from '@/data';
import { endStreams } from '../instruments/live';
import { reckon } from '../reckoning/pool';
import { coachAction } from '../shared/action';
import { log } from '../shared/log';
import { passphraseSchema } from '../shared/passphrase-schema';

const HEAD = { least: 'head' } as const;

const pathSchema = z
  .string()
  .trim()
  .max(1000, 'The path is too long: use at most 1000 characters.');

const backupSchema = z.object({
  file: pathSchema.min(1, 'Enter the path of a file.'),
  /** Of an encrypted backup. */
  passphrase: z
    .string()
    .max(200, 'The passphrase is too long: use at most 200 characters.')
    .nullable(),
});

/** Makes a backup now. */
export const backUpNow = coachAction(
  z.null(),
  async ({ path }) => {
    await makeBackup(path, new Date());
    return null;
  },
  HEAD,
);

/** Sets where backups are put; empty for the folder beside the database. */
export const keepFolder = coachAction(
  z.object({ folder: pathSchema }),
  async ({ path }, _principal, { folder }) => {
    await setBackupFolder(path, folder === '' ? null : folder);
    return null;
  },
  HEAD,
);

/** Has backups encrypted from now on with a passphrase. */
export const startEncrypting = coachAction(
  passphraseSchema,
  async ({ path }, principal, { passphrase }) => {
    await encryptBackups(path, await reckon('backupKey', principal, { passphrase }));
    return null;
  },
  HEAD,
);

/** Has backups written without encryption from now on. */
export const stopEncrypting = coachAction(
  z.null(),
  async ({ path }) => {
    await encryptBackups(path, null);
    return null;
  },
  HEAD,
);

/** Checks a backup, and returns what it holds beside what the database holds. */
export const inspectBackup = coachAction(
  backupSchema,
  (_database, principal, { file, passphrase }) =>
    reckon('backupContents', principal, { file, passphrase: passphrase ?? '' }),
  { ...HEAD, reads: true },
);

/** Restores the database from a backup; the one that was there is kept. */
export const restoreFrom = coachAction(
  backupSchema,
  async (_database, _principal, { file, passphrase }): Promise<Restored> => {
    const restored = await restoreOpen(file, new Date(), passphrase);
    const { students, sessions, putts } = restored.contents;
    endStreams('signed out');
    log.warn({ event: 'restored', students, sessions, putts });
    return restored;
  },
  HEAD,
);
