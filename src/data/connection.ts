import { openDatabase, type Database } from './database';
import { Problem } from './problem';
import { restore, type Restored } from './restore';

/** Where the academy's own data lies unless told otherwise. */
const DEFAULT_FILE = 'data/dirigo.db';

/** The database file that this process serves. */
export const databaseFile = (): string => process.env.DIRIGO_DB ?? DEFAULT_FILE;

/** Kept across reloads of the module in development, so that the file is opened once. */
const kept = globalThis as typeof globalThis & {
  dirigoDatabase?: Promise<Database>;
  dirigoBeforeSwap?: () => Promise<void>;
};

/** Says what lets go of the file before another takes its place: who else has it open. */
export function beforeSwap(letGo: () => Promise<void>): void {
  kept.dirigoBeforeSwap = letGo;
}

/** Keeps a database that is being opened, until it cannot be. */
function keep(opening: Promise<Database>): Promise<Database> {
  kept.dirigoDatabase = opening;
  opening.catch(() => {
    if (kept.dirigoDatabase === opening) kept.dirigoDatabase = undefined;
  });
  return opening;
}

/**
 * The open database; opened and migrated on first use, and tried again after a failure.
 *
 * @throws Problem when it cannot be opened, or was found damaged since: what is damaged, and the way back
 */
export async function connection(): Promise<Database> {
  const database = await (kept.dirigoDatabase ?? keep(openDatabase(databaseFile())));
  const damage = database.damage();
  if (damage) throw new Problem('database', damage);
  return database;
}

/**
 * Restores the open database from a backup and opens it; the one that was there is opened again when that fails. Requests that
 * come meanwhile wait.
 *
 * @param from the backup
 * @param at now
 * @param passphrase of an encrypted backup
 */
export async function restoreOpen(
  from: string,
  at: Date,
  passphrase: string | null,
): Promise<Restored> {
  const open = await connection();
  const { path } = open;
  const swapping = Promise.all([open.close(), kept.dirigoBeforeSwap?.()]).then(() =>
    restore(path, from, at, passphrase),
  );
  await keep(swapping.catch(() => undefined).then(() => openDatabase(path)));
  return swapping;
}

/** Closes the database for good, with everything in one file; what asks for it afterwards is refused. */
export async function closeConnection(): Promise<void> {
  const opening = kept.dirigoDatabase;
  kept.dirigoDatabase = Promise.reject(new Problem('database', 'Dirigo is stopping.'));
  kept.dirigoDatabase.catch(() => undefined);
  await kept.dirigoBeforeSwap?.();
  await (await opening?.catch(() => null))?.close();
}
