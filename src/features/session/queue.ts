import type { DBSchema, IDBPDatabase } from 'idb';
import { deviceDatabase } from '../shared/device-database';
import { WAITING_FLAG } from './waiting-flag';
import type { RefusedEvent, RunAnswer, WireEvent, WireRun } from './wire';

/** What the server would not take, with its reason: kept apart until somebody has looked at it. */
export interface SetAside {
  runId: string;
  event: WireEvent;
  message: string;
  /** When it was set aside. */
  at: string;
}

/** For whom events wait, and where they are sent. */
export interface Sender {
  /** The link of a student's own page; empty for a coach's device. */
  home: string;
  /** Id of the coach, or of the student at home. */
  owner: string;
  /** What they are called, to say for whom something waits. */
  ownerName: string;
}

/** An event that waits. One that an earlier version kept does not say whose it is. */
interface StoredEvent extends Partial<Sender> {
  runId: string;
  event: WireEvent;
}

interface QueueSchema extends DBSchema {
  events: { key: number; value: StoredEvent; indexes: { run: string } };
  /** What the server last told of a run. */
  told: { key: string; value: { runId: string } & WireRun };
  aside: { key: number; value: SetAside; indexes: { run: string } };
}
type Device = IDBPDatabase<QueueSchema>;

/** An event that waits to be sent: on the device under a key, or in this page only. */
interface Waiting extends StoredEvent {
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
      reject(new Error('Storage on this device does not respond.'));
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

const put = (stored: StoredEvent): Promise<unknown> =>
  onDevice((device) => {
    const transaction = device.transaction('events', 'readwrite', { durability: 'strict' });
    // Told by the other, when it is aborted.
    transaction.done.catch(() => undefined);
    return Promise.all([transaction.store.add(stored), transaction.done]);
  });

/** Puts on the device, in order, what it would not keep before. */
async function moveToDevice(): Promise<void> {
  while (inMemory.length > 0) {
    await put(inMemory[0]!);
    inMemory = inMemory.slice(1);
    tellChanged();
  }
  failing = false;
}

/** Whether what is logged is kept on this device: not when its browser refuses, is full, or was emptied. */
export const deviceKeeps = (): boolean => !failing;

/**
 * Keeps what was logged on this device until the server has it; survives a reload and a closed browser. What the device will
 * not keep is held in this page, and sent from there.
 */
export async function enqueue(runId: string, event: WireEvent, sender: Sender): Promise<void> {
  const stored = { runId, event, ...sender };
  flag(true);
  if (!failing && inMemory.length === 0) {
    try {
      await put(stored);
      tellChanged();
      return;
    } catch {
      failing = true;
    }
  }
  inMemory = [...inMemory, stored];
  tellChanged();
}

const flag = (waits: boolean) => {
  // A service worker has no such storage.
  if (typeof localStorage === 'undefined') return;
  if (waits) localStorage.setItem(WAITING_FLAG, '1');
  else localStorage.removeItem(WAITING_FLAG);
};

const changed = new EventTarget();
const tellChanged = () => changed.dispatchEvent(new Event('change'));

/** Calls a listener whenever what waits on this page has changed; returns a function that stops it. */
export function onQueueChange(listener: () => void): () => void {
  changed.addEventListener('change', listener);
  return () => changed.removeEventListener('change', listener);
}

/** Whose events are meant: an owner's; null for those that do not say whose they are; left out for everybody's. */
type Whose = string | null | undefined;

/** Whether somebody may send an event: their own, or one that does not say whose it is. */
const isOf = ({ owner }: StoredEvent, by: Whose): boolean =>
  by === undefined || owner === undefined || owner === by;

/** What waits of a run: on the device, then in this page. */
async function waiting(runId: string, by: Whose): Promise<Waiting[]> {
  const kept = await onDevice(async (device) => {
    const keys = await device.getAllKeysFromIndex('events', 'run', runId);
    const rows = await device.getAllFromIndex('events', 'run', runId);
    return rows.map((row, index): Waiting => ({ ...row, key: keys[index] }));
  }).catch(() => {
    failing = true;
    return [];
  });
  return [...kept, ...inMemory.filter((one) => one.runId === runId)].filter((one) => isOf(one, by));
}

/**
 * Returns what the server does not have yet of a run, in the order in which it was logged.
 *
 * @param by whose
 */
export async function pendingEvents(runId: string, by?: Whose): Promise<WireEvent[]> {
  return (await waiting(runId, by)).map(({ event }) => event);
}

/** A run of which something waits, for one sender; of an earlier version's events nobody knows for whom. */
export interface WaitingRun {
  runId: string;
  sender: Sender | null;
  /** How many putts wait, and how many events in all. */
  putts: number;
  events: number;
}

/** Lists the runs of which something waits on this device, in the order in which the first of it was logged. */
export async function waitingRuns(): Promise<WaitingRun[]> {
  const kept = await onDevice((device) => device.getAll('events')).catch(() => []);
  const runs = new Map<string, WaitingRun>();
  for (const { runId, event, home, owner, ownerName } of [...kept, ...inMemory]) {
    const key = `${runId} ${owner ?? ''}`;
    const sender =
      owner === undefined ? null : { home: home ?? '', owner, ownerName: ownerName ?? '' };
    const run = runs.get(key) ?? { runId, sender, putts: 0, events: 0 };
    run.events += 1;
    if (event.type === 'putt') run.putts += 1;
    runs.set(key, run);
  }
  return [...runs.values()];
}

/**
 * Takes events out of the queue that were sent, and moves those that the server refused into the other store. Both are done in one
 * transaction: a crash at any moment leaves each event in one of the two.
 *
 * @returns whether the device did so
 */
async function settle(done: Waiting[], refused: SetAside[]): Promise<boolean> {
  let settled = true;
  const inPage = done.filter(({ key }) => key === undefined);
  const keys = done.flatMap(({ key }) => (key === undefined ? [] : [key]));
  if (keys.length > 0 || refused.length > 0) {
    try {
      await onDevice(async (device) => {
        const transaction = device.transaction(['events', 'aside'], 'readwrite', {
          durability: 'strict',
        });
        transaction.done.catch(() => undefined);
        const events = transaction.objectStore('events');
        const aside = transaction.objectStore('aside');
        await Promise.all([
          ...refused.map((one) => aside.add(one)),
          ...keys.map((key) => events.delete(key)),
          transaction.done,
        ]);
      });
    } catch {
      // What was sent is sent again, which changes nothing. What was refused stays in the queue, and is shown from this page.
      const shown = new Set(asideInMemory.map(({ event }) => `${event.type} ${event.id}`));
      asideInMemory = [
        ...asideInMemory,
        ...refused.filter(({ event }) => !shown.has(`${event.type} ${event.id}`)),
      ];
      settled = false;
    }
  }
  inMemory = inMemory.filter((one) => !inPage.includes(one));
  const left = await onDevice((device) => device.count('events')).catch(() => 1);
  if (left === 0 && inMemory.length === 0) flag(false);
  tellChanged();
  return settled;
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
 *
 * @param by whose events
 */
export async function drain(
  runId: string,
  send: (events: WireEvent[]) => Promise<RunAnswer>,
  by?: Whose,
): Promise<RunAnswer> {
  if (inMemory.length > 0 || failing) await moveToDevice().catch(() => undefined);
  return oneAtATime(`dirigo-${runId}`, async () => {
    for (;;) {
      const batch = (await waiting(runId, by)).slice(0, BATCH);
      const answer = await send(batch.map(({ event }) => event));
      if (!answer.ok) return answer;
      const settled = await settle(batch, refusedOf(runId, batch, answer.refused));
      // A device that does not let go of what was sent would be asked for the same for ever.
      if (batch.length < BATCH || !settled) return answer;
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

/** What the server last told this device of a run; null when nothing. */
export async function lastTold(runId: string): Promise<WireRun | null> {
  return (await onDevice((device) => device.get('told', runId)).catch(() => null)) ?? null;
}

/** Sets aside all that is pending of a run, with a reason. */
export async function setAllAside(runId: string, message: string, by?: Whose): Promise<void> {
  const all = await waiting(runId, by);
  const at = new Date().toISOString();
  await settle(
    all,
    all.map(({ event }) => ({ runId, event, message, at })),
  );
}

/** What was set aside of a run. */
export async function asideOf(runId: string): Promise<SetAside[]> {
  const kept = await onDevice((device) => device.getAllFromIndex('aside', 'run', runId)).catch(
    () => [],
  );
  return [...kept, ...asideInMemory.filter((one) => one.runId === runId)];
}

/** Lists everything that was set aside on this device. */
export async function allAside(): Promise<SetAside[]> {
  const kept = await onDevice((device) => device.getAll('aside')).catch(() => []);
  return [...kept, ...asideInMemory];
}

/** Lists every event that waits, as it is stored: for a file. */
export async function allWaiting(): Promise<{ runId: string; event: WireEvent }[]> {
  const kept = await onDevice((device) => device.getAll('events')).catch(() => []);
  return [...kept, ...inMemory];
}

/** Forgets everything that was set aside on this device, for good. */
export async function forgetAllAside(): Promise<void> {
  asideInMemory = [];
  await onDevice((device) => device.clear('aside'));
  tellChanged();
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
