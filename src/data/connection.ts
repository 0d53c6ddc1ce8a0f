import { openDatabase, type Database } from './database';
import { ensureCoach } from './coaches';

/** Where the coach's own data lies unless told otherwise. */
const DEFAULT_FILE = 'data/dirigo.db';

interface Connection {
  database: Database;
  /** The one coach whose data this is, until there are accounts. */
  owner: string;
}

/** Kept across reloads of the module in development, so that the file is opened once. */
const kept = globalThis as typeof globalThis & { dirigoConnection?: Promise<Connection> };

async function connect(): Promise<Connection> {
  const database = await openDatabase(process.env.DIRIGO_DB ?? DEFAULT_FILE);
  return { database, owner: await ensureCoach(database) };
}

/** The open database and its owner; opened and migrated on first use, and tried again after a failure. */
export function connection(): Promise<Connection> {
  kept.dirigoConnection ??= connect().catch((error: unknown) => {
    kept.dirigoConnection = undefined;
    throw error;
  });
  return kept.dirigoConnection;
}
