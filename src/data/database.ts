import { copyFile, mkdir, mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { Sequelize, type Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';
import { SequelizeStorage, Umzug } from 'umzug';
import { beginChange, trackChanges } from './events';
import { MIGRATIONS } from './migrations';
import { defineModels, type Models } from './models';
import type { Principal } from './principal';
import { Problem } from './problem';

/** How long a writer waits for another, ms. */
const BUSY_TIMEOUT = 5000;

export interface Database {
  path: string;
  sequelize: Sequelize;
  models: Models;
  /** Runs a piece of work whole or not at all, holding the write lock from its start. */
  atomically<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  /** The same, with who did it and what written down, for every row that is made, changed or removed. */
  change<T>(
    by: Principal,
    what: string,
    work: (transaction: Transaction) => Promise<T>,
    at?: Date,
  ): Promise<T>;
  close(): Promise<void>;
}

/** Sequelize opens a connection of its own for each transaction: each waits for the lock. */
class WaitingDatabase extends sqlite3.Database {
  constructor(file: string, mode: number, callback: (error: Error | null) => void) {
    super(file, mode, callback);
    this.configure('busyTimeout', BUSY_TIMEOUT);
  }
}

/**
 * Opens a database file, making and migrating it where needed. A file that holds data is backed up before it is
 * migrated.
 *
 * @param file path of the file
 * @throws Problem with a sentence that says what is wrong with the file
 */
export async function openDatabase(file: string): Promise<Database> {
  const path = resolve(file);
  let sequelize: Sequelize | undefined;
  try {
    await mkdir(dirname(path), { recursive: true });
    const opened = new Sequelize({
      dialect: 'sqlite',
      storage: path,
      logging: false,
      dialectModule: { ...sqlite3, Database: WaitingDatabase },
      transactionType: 'IMMEDIATE' as Transaction.TYPES,
    });
    sequelize = opened;
    await opened.query('PRAGMA journal_mode = WAL');
    await migrate(opened, path);
    const models = defineModels(opened);
    trackChanges(models);
    const atomically = oneAtATime((work) => opened.transaction(work));
    return {
      path,
      sequelize: opened,
      models,
      atomically,
      change: (by, what, work, at = new Date()) =>
        atomically((transaction) => {
          beginChange(transaction, by, what, at);
          return work(transaction);
        }),
      close: () => opened.close(),
    };
  } catch (error) {
    // Not waited for: a connection that never opened never says that it has closed.
    void sequelize?.close().catch(() => undefined);
    throw new Problem('database', describeDatabaseError(error, path));
  }
}

/**
 * Lets one transaction in at a time. SQLite has one writer anyway, and writers that wait for each other inside its
 * driver hold the very threads that the one who has the lock needs to go on.
 */
function oneAtATime(begin: Database['atomically']): Database['atomically'] {
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const turn = last.then(() => begin(work));
    last = turn.catch(() => undefined);
    return turn;
  };
}

async function migrate(sequelize: Sequelize, path: string): Promise<void> {
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, statements, fill }) => ({
      name,
      up: () =>
        sequelize.transaction(async (transaction) => {
          for (const statement of statements) await sequelize.query(statement, { transaction });
          await fill?.(sequelize, transaction);
        }),
    })),
    storage: new SequelizeStorage({ sequelize, modelName: 'migration', tableName: 'migration' }),
    logger: undefined,
  });
  const pending = await umzug.pending();
  const tables = await sequelize.getQueryInterface().showAllTables();
  if (pending.length > 0 && tables.includes('coach')) {
    await sequelize.query('PRAGMA wal_checkpoint(TRUNCATE)');
    await copyFile(path, `${path}.before-${pending[0]?.name}`);
  }
  await umzug.up();
}

/**
 * What a coach can be told of a failure to open the database.
 *
 * @param error whatever was thrown
 * @param path the file
 */
export function describeDatabaseError(error: unknown, path: string): string {
  const text = String(error);
  if (/SQLITE_NOTADB|SQLITE_CORRUPT/.test(text)) {
    return `${path} is not a Dirigo database. It was left as it is. Name another file in DIRIGO_DB, or move this one away.`;
  }
  if (/SQLITE_READONLY|EACCES|EROFS|EPERM/.test(text)) {
    return `${path} cannot be written: the file or its folder is read-only. Allow writing there, or name another file in DIRIGO_DB.`;
  }
  if (/SQLITE_CANTOPEN|ENOTDIR|EEXIST|ENOENT|EISDIR/.test(text)) {
    return `${path} cannot be opened or made there. Check that its folder exists, is a folder and may be written in, or name another file in DIRIGO_DB.`;
  }
  if (/SQLITE_FULL|ENOSPC/.test(text)) return `The disk is full: ${path} cannot be written.`;
  if (/SQLITE_BUSY|SQLITE_LOCKED/.test(text))
    return `${path} is held by another program. Close it and try again.`;
  return `${path} cannot be opened as a Dirigo database. It was left as it is.`;
}

/** A consistent copy of the whole database as bytes, taken while it is in use. */
export async function copyDatabase({ sequelize }: Database): Promise<Buffer> {
  const folder = await mkdtemp(join(tmpdir(), 'dirigo-copy-'));
  const file = join(folder, 'copy.db');
  try {
    await sequelize.query('VACUUM INTO :file', { replacements: { file } });
    return await readFile(file);
  } finally {
    await rm(folder, { recursive: true });
  }
}
