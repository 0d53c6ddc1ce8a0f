import { mkdir, mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { QueryTypes, Sequelize, type Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';
import { Umzug } from 'umzug';
import { backupBefore, newestGoodBackup, writeBackup } from './backups';
import { beginChange, trackChanges } from './events';
import { MIGRATIONS } from './migrations';
import { defineModels, type Models } from './models';
import type { Principal } from './principal';
import { Problem } from './problem';
import { Damage, inspectFile, ownOnly } from './raw-file';
import { Statements } from './statements';
import { finishSwap } from './swap';

/** How long a writer waits for another, ms. */
const BUSY_TIMEOUT = 5000;

export interface Database {
  path: string;
  /** Another after a copy has taken its place: what a screen knew before need not hold. */
  lineage: number;
  sequelize: Sequelize;
  models: Models;
  /** Statements for what is asked most often, outside of a transaction. */
  read: Statements;
  /** The same on the connection that writes: inside of a piece of work, and of its transaction. */
  write: Statements;
  /** Runs a piece of work whole or not at all, holding the write lock from its start. */
  atomically<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  /** The same by prepared statements alone, where the ways of Sequelize would cost more than the work. */
  directly<T>(work: () => Promise<T>): Promise<T>;
  /** The same as the first, with who did it and what written down, for every row that is made, changed or removed. */
  change<T>(
    by: Principal,
    what: string,
    work: (transaction: Transaction) => Promise<T>,
    at?: Date,
  ): Promise<T>;
  /** What SQLite last said that means the file is damaged; null while it is whole, as far as anybody has read. */
  damage(): string | null;
  /** Notes that the file was found damaged by who reads it elsewhere; the problem to be told. */
  foundDamaged(said: string): Promise<Problem>;
  close(): Promise<void>;
}

/** What Sequelize asks before every select; the answer is the same until a table is changed. */
const ABOUT_TABLE = /^PRAGMA table_info\(`(\w+)`\)$/;
const CHANGES_TABLE = /^\s*(CREATE|ALTER|DROP)\b/i;

type Told = (error: Error | null, rows: unknown[]) => void;

/** A connection that waits for the lock, and remembers what its tables look like. */
class WaitingDatabase extends sqlite3.Database {
  private tables = new Map<string, unknown[]>();

  constructor(file: string, mode: number, callback: (error: Error | null) => void) {
    super(file, mode, callback);
    this.configure('busyTimeout', BUSY_TIMEOUT);
    // A connection does one thing at a time in any case: what waits for it is not to hold a thread that another could use.
    this.serialize();
    const ask = this.all.bind(this) as (sql: string, ...rest: unknown[]) => this;
    this.all = ((sql: string, ...rest: unknown[]) => {
      const told = rest.at(-1) as Told;
      const table = ABOUT_TABLE.exec(sql)?.[1];
      if (CHANGES_TABLE.test(sql)) this.tables.clear();
      if (table === undefined) return ask(sql, ...rest);
      const known = this.tables.get(table);
      if (known) {
        told(null, known);
        return this;
      }
      return ask(sql, (error: Error | null, rows: unknown[]) => {
        if (!error) this.tables.set(table, rows);
        told(error, rows);
      });
    }) as typeof this.all;
    const run = this.run.bind(this) as (sql: string, ...rest: unknown[]) => this;
    this.run = ((sql: string, ...rest: unknown[]) => {
      if (CHANGES_TABLE.test(sql)) this.tables.clear();
      return run(sql, ...rest);
    }) as typeof this.run;
  }
}

/** The part of Sequelize that opens connections; its types leave it out. */
interface Connections {
  connections: Record<string, sqlite3.Database | undefined>;
  getConnection(options?: { uuid?: string }): Promise<sqlite3.Database>;
  releaseConnection(connection: unknown, force?: boolean): void;
  destroyConnection(connection: sqlite3.Database): Promise<void>;
}

/** One connection writes, and stays open: a new one for each transaction would cost more than the transaction. */
function oneWriter(sequelize: Sequelize): void {
  const connections = sequelize.connectionManager as unknown as Connections;
  const acquire = connections.getConnection.bind(connections);
  connections.getConnection = (options) => acquire({ uuid: options?.uuid ? 'writer' : 'default' });
  connections.releaseConnection = () => undefined;
  // Asked for when a transaction could not be ended, on a full disk: what it left open would stop the next.
  connections.destroyConnection = (connection) =>
    new Promise((resolve) => {
      connection.run('ROLLBACK', () => resolve());
    });
}

/**
 * Closes the connection that writes before the other: of two that close at once neither may be the last, which is the one that
 * puts what lies in the second file into the first.
 */
async function closeInTurn(sequelize: Sequelize, ready: Statements[]): Promise<void> {
  for (const statements of ready) await statements.close();
  const { connections } = sequelize.connectionManager as unknown as Connections;
  const { writer } = connections;
  delete connections.writer;
  if (writer) await new Promise<void>((resolve) => writer.close(() => resolve()));
  await sequelize.close();
}

/**
 * Opens a database file, making and migrating it where needed. It is looked at before anything of it is touched: one of
 * another program, of a newer Dirigo, or that is damaged, is left as it is. One that holds data is copied before it is
 * migrated.
 *
 * @param file path of the file
 * @param until the migration that it is brought up to; the newest when left out. One that is older can be read and written by
 *   statements only
 * @throws Problem with a sentence that says what is wrong with the file
 */
export async function openDatabase(file: string, until?: string): Promise<Database> {
  const path = resolve(file);
  let sequelize: Sequelize | undefined;
  try {
    await mkdir(dirname(path), { recursive: true });
    await finishSwap(path);
    const applied = await inspectFile(path);
    await ownOnly(path);
    const opened = new Sequelize({
      dialect: 'sqlite',
      storage: path,
      logging: false,
      dialectModule: { ...sqlite3, Database: WaitingDatabase },
      transactionType: 'IMMEDIATE' as Transaction.TYPES,
    });
    sequelize = opened;
    oneWriter(opened);
    await opened.query('PRAGMA journal_mode = WAL');
    await migrate(opened, path, applied, until);
    await ownOnly(path);
    const models = defineModels(opened);
    trackChanges(models);
    const turn = oneAtATime();
    const atomically: Database['atomically'] = (work) => turn(() => opened.transaction(work));
    const { damage, foundDamaged } = watchDamage(opened, path);
    const read = statementsOf(opened, 'read');
    const write = statementsOf(opened, 'write');
    const [header] = await opened.query<{ user_version: number }>('PRAGMA user_version', {
      type: QueryTypes.SELECT,
    });
    return {
      path,
      lineage: header?.user_version ?? 0,
      sequelize: opened,
      models,
      read,
      write,
      atomically,
      directly: (work) => turn(() => wholeOrNot(write, work)),
      change: (by, what, work, at = new Date()) =>
        atomically((transaction) => {
          beginChange(transaction, by, what, at);
          return work(transaction);
        }),
      damage,
      foundDamaged,
      close: () => closeInTurn(opened, [read, write]),
    };
  } catch (error) {
    // Not waited for: a connection that never opened never says that it has closed.
    void sequelize?.close().catch(() => undefined);
    if (error instanceof Problem) throw error;
    throw new Problem('database', await describeDamage(error, path));
  }
}

/** What a connection that only reads is asked for, and does not do. */
const readsOnly = () => {
  throw new RangeError('This connection is read-only.');
};

/**
 * Opens a database file that another process of this program has opened and keeps: to read from, and nothing else.
 *
 * @param path of the file
 */
export async function openReader(path: string): Promise<Database> {
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    storage: path,
    logging: false,
    dialectModule: { ...sqlite3, Database: WaitingDatabase },
    dialectOptions: { mode: sqlite3.OPEN_READONLY },
  });
  oneWriter(sequelize);
  const models = defineModels(sequelize);
  const read = statementsOf(sequelize, 'read');
  return {
    path,
    lineage: 0,
    sequelize,
    models,
    read,
    write: read,
    atomically: readsOnly,
    directly: readsOnly,
    change: readsOnly,
    ...watchDamage(sequelize, path),
    close: () => closeInTurn(sequelize, [read]),
  };
}

/** Statements of the connection that reads, or of the one that writes. */
const statementsOf = ({ connectionManager }: Sequelize, which: 'read' | 'write'): Statements =>
  new Statements(() =>
    (connectionManager as unknown as Connections).getConnection(
      which === 'write' ? { uuid: 'writer' } : {},
    ),
  );

/** Remembers when a query finds the file damaged. */
function watchDamage(
  sequelize: Sequelize,
  path: string,
): Pick<Database, 'damage' | 'foundDamaged'> {
  let said: string | null = null;
  const query = sequelize.query.bind(sequelize) as (...asked: unknown[]) => Promise<unknown>;
  const found = async (error: unknown) => (said ??= await describeDamage(error, path));
  sequelize.query = (async (...asked: unknown[]) => {
    try {
      return await query(...asked);
    } catch (error) {
      if (isDamage(error)) await found(error);
      throw error;
    }
  }) as typeof sequelize.query;
  return {
    damage: () => said,
    foundDamaged: async (error) => new Problem('database', await found(error)),
  };
}

/**
 * Lets one transaction in at a time. SQLite has one writer anyway, and writers that wait for each other inside its
 * driver hold the very threads that the one who has the lock needs to go on.
 */
function oneAtATime(): <T>(work: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const turn = last.then(work);
    last = turn.catch(() => undefined);
    return turn;
  };
}

/** A piece of work in a transaction of its own. */
async function wholeOrNot<T>(write: Statements, work: () => Promise<T>): Promise<T> {
  await write.all('BEGIN IMMEDIATE');
  try {
    const value = await work();
    await write.all('COMMIT');
    return value;
  } catch (error) {
    // On a full disk it may have been taken back already.
    await write.all('ROLLBACK').catch(() => undefined);
    throw error;
  }
}

async function migrate(
  sequelize: Sequelize,
  path: string,
  applied: string[],
  until?: string,
): Promise<void> {
  await sequelize.query('CREATE TABLE IF NOT EXISTS migration (name VARCHAR(255) PRIMARY KEY)');
  const umzug = new Umzug({
    migrations: MIGRATIONS.map(({ name, statements, fill }) => ({
      name,
      // What it changes, and that it was: both or neither.
      up: () =>
        sequelize.transaction(async (transaction) => {
          for (const statement of statements) await sequelize.query(statement, { transaction });
          await fill?.(sequelize, transaction);
          await sequelize.query('INSERT INTO migration (name) VALUES (:name)', {
            replacements: { name },
            transaction,
          });
        }),
    })),
    storage: {
      executed: async () => applied,
      logMigration: async () => undefined,
      unlogMigration: async () => undefined,
    },
    logger: undefined,
  });
  const names = (await umzug.pending())
    .map(({ name }) => name)
    .filter((name) => until === undefined || name <= until);
  if (names[0] && applied.length > 0) await backupBefore(path, names[0]);
  await umzug.up({ migrations: names });
}

/** Whether SQLite says that what it read cannot be right. */
export const isDamage = (error: unknown): boolean =>
  error instanceof Damage || /SQLITE_CORRUPT|malformed/.test(String(error));

/** What a coach can be told of a file that is damaged: what of it, and the way back. */
async function describeDamage(error: unknown, path: string): Promise<string> {
  const said = describeDatabaseError(error, path);
  if (!isDamage(error) && !/SQLITE_NOTADB/.test(String(error))) return said;
  const backup = await newestGoodBackup(path, new Date());
  if (!backup) return said;
  return `${said} The newest good backup is of ${backup.madeAt.toISOString()}: ${backup.file}. Restore it with: npm run restore`;
}

/**
 * What a coach can be told of a failure to open the database.
 *
 * @param error whatever was thrown
 * @param path the file
 */
export function describeDatabaseError(error: unknown, path: string): string {
  const text = String(error);
  if (isDamage(error)) {
    const what = error instanceof Damage ? ` (${error.what.slice(0, 3).join('; ')})` : '';
    return `${path} is damaged${what}. It was left unchanged.`;
  }
  if (/SQLITE_NOTADB/.test(text)) {
    return `${path} is not a Dirigo database. It was left unchanged. Name another file in DIRIGO_DB, or move this one away.`;
  }
  if (/SQLITE_READONLY|EACCES|EROFS|EPERM/.test(text)) {
    return `${path} cannot be written: the file or its folder is read-only. Make it writable, or name another file in DIRIGO_DB.`;
  }
  if (/SQLITE_CANTOPEN|ENOTDIR|EEXIST|ENOENT|EISDIR/.test(text)) {
    return `${path} cannot be opened or created. Check that its folder exists, is a folder and can be written to, or name another file in DIRIGO_DB.`;
  }
  if (/SQLITE_FULL|ENOSPC/.test(text)) return `The disk is full: ${path} cannot be written.`;
  if (/SQLITE_BUSY|SQLITE_LOCKED/.test(text))
    return `${path} is in use by another program. Close that program and try again.`;
  return `${path} cannot be opened as a Dirigo database. It was left unchanged.`;
}

/** A consistent copy of the whole database as bytes, taken while it is in use. */
export async function copyDatabase({ path }: Database): Promise<Buffer> {
  const folder = await mkdtemp(join(tmpdir(), 'dirigo-copy-'));
  const file = join(folder, 'copy.db');
  try {
    await writeBackup(path, file);
    return await readFile(file);
  } finally {
    await rm(folder, { recursive: true });
  }
}
