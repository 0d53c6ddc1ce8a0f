import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { WireEvent, WireRun } from './wire';

interface QueueSchema extends DBSchema {
  events: { key: number; value: { runId: string; event: WireEvent }; indexes: { run: string } };
  /** What the server last told of a run. */
  told: { key: string; value: { runId: string } & WireRun };
}

let opened: Promise<IDBPDatabase<QueueSchema>> | undefined;

const open = () =>
  (opened ??= openDB<QueueSchema>('dirigo', 3, {
    upgrade: (database, before) => {
      if (before < 1) {
        database.createObjectStore('events', { autoIncrement: true }).createIndex('run', 'runId');
      }
      // What an older page kept was told in another form; the server tells it again.
      if (database.objectStoreNames.contains('told')) database.deleteObjectStore('told');
      database.createObjectStore('told', { keyPath: 'runId' });
    },
  }));

/** Keeps what was logged on this device until the server has it; survives a reload and a closed browser. */
export async function enqueue(runId: string, event: WireEvent): Promise<void> {
  const database = await open();
  const transaction = database.transaction('events', 'readwrite', { durability: 'strict' });
  await Promise.all([transaction.store.add({ runId, event }), transaction.done]);
}

/** What the server does not have yet of a run, in the order in which it was logged. */
export async function pendingEvents(runId: string): Promise<WireEvent[]> {
  const rows = await (await open()).getAllFromIndex('events', 'run', runId);
  return rows.map(({ event }) => event);
}

/** Sends what is pending of a run, one sender at a time over all tabs, and forgets what the server acknowledged. */
export async function drain<Answer extends { ok: boolean }>(
  runId: string,
  send: (events: WireEvent[]) => Promise<Answer>,
): Promise<Answer> {
  return navigator.locks.request(`dirigo-${runId}`, async () => {
    const database = await open();
    const keys = await database.getAllKeysFromIndex('events', 'run', runId);
    const rows = await database.getAllFromIndex('events', 'run', runId);
    const answer = await send(rows.map(({ event }) => event));
    if (answer.ok) {
      const transaction = database.transaction('events', 'readwrite');
      await Promise.all([...keys.map((key) => transaction.store.delete(key)), transaction.done]);
    }
    return answer;
  });
}

/** Keeps what the server last told of a run, for a page that opens without it. */
export async function keepTold(runId: string, run: WireRun): Promise<void> {
  await (await open()).put('told', { runId, ...run });
}

/** Forgets what the server told of a run: it may be seen here no more. What was logged and not sent stays. */
export async function forgetTold(runId: string): Promise<void> {
  await (await open()).delete('told', runId);
}

/** What the server last told this device of a run; null when nothing. */
export async function lastTold(runId: string): Promise<WireRun | null> {
  return (await (await open()).get('told', runId)) ?? null;
}

/** Forgets what is pending of a run, for good. */
export async function discard(runId: string): Promise<void> {
  const database = await open();
  const keys = await database.getAllKeysFromIndex('events', 'run', runId);
  const transaction = database.transaction('events', 'readwrite');
  await Promise.all([...keys.map((key) => transaction.store.delete(key)), transaction.done]);
}
