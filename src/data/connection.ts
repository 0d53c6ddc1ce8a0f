import { openDatabase, type Database } from './database';

/** Where the academy's own data lies unless told otherwise. */
const DEFAULT_FILE = 'data/dirigo.db';

/** Kept across reloads of the module in development, so that the file is opened once. */
const kept = globalThis as typeof globalThis & { dirigoDatabase?: Promise<Database> };

/** The open database; opened and migrated on first use, and tried again after a failure. */
export function connection(): Promise<Database> {
  kept.dirigoDatabase ??= openDatabase(process.env.DIRIGO_DB ?? DEFAULT_FILE).catch(
    (error: unknown) => {
      kept.dirigoDatabase = undefined;
      throw error;
    },
  );
  return kept.dirigoDatabase;
}
