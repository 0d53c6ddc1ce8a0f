import type { DBSchema, IDBPDatabase } from 'idb';
import { deviceDatabase } from '../shared/device-database';
import type { RefusedEvent, RunAnswer, WireEvent, WireRun } from './wire';

/** What the server would not take, with its reason: kept apart until somebody has looked at it. */
export interface SetAside {
  runId: string;
  event: WireEvent;
  message: string;
  /** When it was set aside. */
  at: string;
}

interface QueueSchema extends DBSchema {
  events: { key: number; value: { runId: string; event: WireEvent }; indexes: { run: string } };
  /** What the server last told of a run. */
  told: { key: string; value: { runId: string } & WireRun };
  aside: { key: number; value: SetAside; indexes: { run: string } };
}
type Device = IDBPDatabase<QueueSchema>;

/** An event that waits to be sent: on the device under a key, or in this page only. */
interface Waiting {
  runId: string;
  event: WireEvent;
  key?: number;
}

/** A device that has not opened its database by then is done without, until it does, ms. */
const PATIENCE = 1500;
/** So many events are sent at once. */
const BATCH = 200;

// What the device would not keep: sent from here, and put there once it can be.
let inMemory: Waiting[] = [];
let asideInMemory: SetAside[] = [];
let failing = false;

const { open, again } = deviceDatabase<QueueSchema>('dirigo', 4, (database, before) => {
  if (before < 1) {
    database.createObjectStore('events', { autoIncrement: true }).createIndex('run', 'runId');
  }
  // What an older page kept was told in another form; the server tells it again.
  if (database.objectStoreNames.contains('told')) database.deleteObjectStore('told');
  database.createObjectStore('told', { keyPath: 'runId' });
  database.createObjectStore('aside', { autoIncrement: true }).createIndex('run', 'runId');
});

/** Does something with the device's database, if it opens in time; what comes too late is not done behind the page's back. */
async function inTime<T>(work: (device: Device) => Promise<T>): Promise<T> {
  let over = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => {
      over = true;
      reject(new Error('The device does not answer.'));
    }, PATIENCE);
  });
  late.catch(() => undefined);
  // A browser that refuses may say so at once.
  const done = Promise.resolve()
    .then(open)
    .then((device) => (over ? late : work(device)));
  try {
    return await Promise.race([done, late]);
  } finally {
    clearTimeout(timer);
  }
}

/** Does something with the device's database; once more when it had been closed behind this page's back. */
async function onDevice<T>(work: (device: Device) => Promise<T>): Promise<T> {
  try {
    return await inTime(work);
  } catch (error) {
    if (!(error instanceof DOMException && error.name === 'InvalidStateError')) throw error;
    again();
    return inTime(work);
  }
}

const put = (runId: string, event: WireEvent): Promise<unknown> =>
  onDevice((device) => {
    const transaction = device.transaction('events', 'readwrite', { durability: 'strict' });
    // Told by the other, when it is aborted.
    transaction.done.catch(() => undefined);
    return Promise.all([transaction.store.add({ runId, event }), transaction.done]);
  });

/** Puts on the device, in order, what it would not keep before. */
async function moveToDevice(): Promise<void> {
  while (inMemory.length > 0) {
    const [{ runId, event }] = inMemory as [Waiting];
    await put(runId, event);
    inMemory = inMemory.slice(1);
  }
  failing = false;
}

/** Whether what is logged is kept on this device: not when its browser refuses, is full, or was emptied. */
export const deviceKeeps = (): boolean => !failing;

/**
 * Keeps what was logged on this device until the server has it; survives a reload and a closed browser. What the device will
 * not keep is held in this page, and sent from there.
 */
export async function enqueue(runId: string, event: WireEvent): Promise<void> {
  if (!failing && inMemory.length === 0) {
    try {
      await put(runId, event);
      return;
    } catch {
      failing = true;
    }
  }
  inMemory = [...inMemory, { runId, event }];
}

/** What waits of a run: on the device, then in this page. */
async function waiting(runId: string): Promise<Waiting[]> {
  const kept = await onDevice(async (device) => {
    const keys = await device.getAllKeysFromIndex('events', 'run', runId);
    const rows = await device.getAllFromIndex('events', 'run', runId);
    return rows.map((row, index): Waiting => ({ ...row, key: keys[index] }));
  }).catch(() => {
    failing = true;
    return [];
  });
  return [...kept, ...inMemory.filter((one) => one.runId === runId)];
}

/** What the server does not have yet of a run, in the order in which it was logged. */
export async function pendingEvents(runId: string): Promise<WireEvent[]> {
  return (await waiting(runId)).map(({ event }) => event);
}

/** Forgets events that were sent, or set aside. */
async function forget(done: Waiting[]): Promise<void> {
  inMemory = inMemory.filter((one) => !done.includes(one));
  const keys = done.flatMap(({ key }) => (key === undefined ? [] : [key]));
  if (keys.length === 0) return;
  // What cannot be forgotten is sent again, which changes nothing.
  await onDevice((device) => {
    const transaction = device.transaction('events', 'readwrite');
    return Promise.all([...keys.map((key) => transaction.store.delete(key)), transaction.done]);
  }).catch(() => undefined);
}

async function keepAside(events: SetAside[]): Promise<void> {
  if (events.length === 0) return;
  await onDevice((device) => {
    const transaction = device.transaction('aside', 'readwrite', { durability: 'strict' });
    return Promise.all([...events.map((one) => transaction.store.add(one)), transaction.done]);
  }).catch(() => {
    asideInMemory = [...asideInMemory, ...events];
  });
}

const turns = new Map<string, Promise<unknown>>();

/** One at a time over all tabs; over this page only, where the browser has no locks: without HTTPS. */
function oneAtATime<T>(name: string, work: () => Promise<T>): Promise<T> {
  if (navigator.locks) return navigator.locks.request(name, work);
  const turn = (turns.get(name) ?? Promise.resolve()).then(work);
  turns.set(
    name,
    turn.catch(() => undefined),
  );
  return turn;
}

/** What the server refused of a batch, with what was sent. */
function refusedOf(runId: string, batch: Waiting[], refused: RefusedEvent[]): SetAside[] {
  const at = new Date().toISOString();
  return refused.flatMap(({ type, id, message }) => {
    const sent = batch.find(({ event }) => event.type === type && event.id === id);
    return sent ? [{ runId, event: sent.event, message, at }] : [];
  });
}

/**
 * Sends what is pending of a run in batches, one sender at a time over all tabs, forgets what the server acknowledged, and sets
 * aside what it refused.
 */
export async function drain(
  runId: string,
  send: (events: WireEvent[]) => Promise<RunAnswer>,
): Promise<RunAnswer> {
  if (inMemory.length > 0 || failing) await moveToDevice().catch(() => undefined);
  return oneAtATime(`dirigo-${runId}`, async () => {
    for (;;) {
      const batch = (await waiting(runId)).slice(0, BATCH);
      const answer = await send(batch.map(({ event }) => event));
      if (!answer.ok) return answer;
      await keepAside(refusedOf(runId, batch, answer.refused));
      await forget(batch);
      if (batch.length < BATCH) return answer;
    }
  });
}

/** Keeps what the server last told of a run, for a page that opens without it. */
export async function keepTold(runId: string, run: WireRun): Promise<void> {
  await onDevice((device) => device.put('told', { runId, ...run }));
}

/** Forgets what the server told of a run: it may be seen here no more. What was logged and not sent stays. */
export async function forgetTold(runId: string): Promise<void> {
  await onDevice((device) => device.delete('told', runId));
}

/** Forgets all that the server told. */
export async function emptyTold(): Promise<void> {
  await onDevice((device) => device.clear('told'));
}

/** How many events wait on this device to be sent, of whatever run. */
export const waitingHere = (): Promise<number> =>
  onDevice((device) => device.count('events')).catch(() => 0);

/** What the server last told this device of a run; null when nothing. */
export async function lastTold(runId: string): Promise<WireRun | null> {
  return (await onDevice((device) => device.get('told', runId)).catch(() => null)) ?? null;
}

/** Sets aside all that is pending of a run, with a reason. */
export async function setAllAside(runId: string, message: string): Promise<void> {
  const all = await waiting(runId);
  const at = new Date().toISOString();
  await keepAside(all.map(({ event }) => ({ runId, event, message, at })));
  await forget(all);
}

/** What was set aside of a run. */
export async function asideOf(runId: string): Promise<SetAside[]> {
  const kept = await onDevice((device) => device.getAllFromIndex('aside', 'run', runId)).catch(
    () => [],
  );
  return [...kept, ...asideInMemory.filter((one) => one.runId === runId)];
}

/** Forgets what was set aside of a run, for good. */
export async function forgetAside(runId: string): Promise<void> {
  asideInMemory = asideInMemory.filter((one) => one.runId !== runId);
  await onDevice(async (device) => {
    const keys = await device.getAllKeysFromIndex('aside', 'run', runId);
    const transaction = device.transaction('aside', 'readwrite');
    await Promise.all([...keys.map((key) => transaction.store.delete(key)), transaction.done]);
  });
}
