import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { WireEvent } from './wire';

interface QueueSchema extends DBSchema {
  events: { key: number; value: { runId: string; event: WireEvent }; indexes: { run: string } };
}

let opened: Promise<IDBPDatabase<QueueSchema>> | undefined;

const open = () =>
  (opened ??= openDB<QueueSchema>('dirigo', 1, {
    upgrade: (database) => {
      database.createObjectStore('events', { autoIncrement: true }).createIndex('run', 'runId');
    },
  }));

/** Keeps what was logged on this device until the server has it; survives a reload and a closed browser. */
export async function enqueue(runId: string, event: WireEvent): Promise<void> {
  await (await open()).add('events', { runId, event });
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

/** Forgets what is pending of a run, for good. */
export async function discard(runId: string): Promise<void> {
  const database = await open();
  const keys = await database.getAllKeysFromIndex('events', 'run', runId);
  const transaction = database.transaction('events', 'readwrite');
  await Promise.all([...keys.map((key) => transaction.store.delete(key)), transaction.done]);
}
