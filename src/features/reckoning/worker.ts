import 'server-only';
import { setImmediate as immediate } from 'node:timers/promises';
import { workerData } from 'piscina';
import sqlite3 from 'sqlite3';
import { Problem, isDamage, openReader, type CoachPrincipal, type Database } from '@/data';
import { enter } from './gate';
import { WORKS, type WorkName } from './works';

/** One work, as it is handed over. */
export interface Order {
  name: WorkName;
  principal: CoachPrincipal;
  asked: unknown;
  /** Shared: what is being read. */
  gate: Int32Array;
}

/** What comes back: errors lose their kind from thread to thread. */
export type Outcome =
  | { ok: true; value: unknown }
  | { ok: false; problem: Pick<Problem, 'code' | 'message'> }
  | { ok: false; damage: string };

const { file } = workerData as { file: string };
let opening: Promise<Database> | undefined;

/** Of the work that is done. */
let gate: Int32Array | undefined;

/** Begins something that must be ended before the thread may be. */
const begin = () => gate && enter(gate);

/**
 * Counts what SQLite's driver is asked: a thread that is ended while the driver works, or calls back, takes the whole program
 * with it, because what the driver wants of it then is gone. So who asked is told in a turn of its own, when the driver has
 * returned.
 */
function counted(methods: Record<string, unknown>, names: readonly string[]): void {
  for (const name of names) {
    const own = methods[name] as (...given: unknown[]) => unknown;
    methods[name] = function (this: unknown, ...given: unknown[]) {
      const leave = begin();
      const back = given.at(-1);
      if (typeof back !== 'function') {
        try {
          return own.apply(this, given);
        } finally {
          leave?.();
        }
      }
      const told = function (this: unknown, ...said: unknown[]) {
        setImmediate(() => {
          leave?.();
          back.apply(this, said);
        });
      };
      return own.apply(this, [...given.slice(0, -1), told]);
    };
  }
}
const BOTH = ['all', 'get', 'run'];
counted(sqlite3.Database.prototype as never, [...BOTH, 'exec', 'prepare', 'close']);
counted(sqlite3.Statement.prototype as never, [...BOTH, 'bind', 'reset', 'finalize']);

/** Opens the file, and waits until it is open. */
async function opened(): Promise<Database> {
  const database = await openReader(file);
  await database.sequelize.authenticate();
  return database;
}

/** Does a work in this thread, with a connection of its own that only reads. */
export default async function work(order: Order): Promise<Outcome> {
  const { name, principal, asked } = order;
  gate = order.gate;
  try {
    const leave = begin();
    const database = await (opening ??= opened());
    // The driver called back for it: it must have returned as well.
    await immediate();
    leave?.();
    const value = await WORKS[name](database, principal, asked as never);
    return { ok: true, value };
  } catch (error) {
    if (error instanceof Problem) {
      return { ok: false, problem: { code: error.code, message: error.message } };
    }
    if (isDamage(error)) return { ok: false, damage: String(error) };
    throw error;
  }
}
