import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import type { RunAnswer, WireEvent } from './wire';

const RUN = 'run';
const TILDA = { home: '', owner: 'tilda', ownerName: 'Tilda Vrane' };
const MEES = { home: '', owner: 'mees', ownerName: 'Mees Loods' };
const putt = (id: string): WireEvent => ({
  type: 'putt',
  id,
  outcomes: { gate: 'clear' },
  at: '2026-11-26T09:00:00.000Z',
});
const taken = (refused: string[] = []): RunAnswer => ({
  ok: true,
  finished: false,
  whole: true,
  position: { lineage: 0, revision: 1 },
  late: 0,
  refused: refused.map((id) => ({ type: 'putt', id, message: 'It cannot be.' })),
  putts: [],
  marks: [],
});

type Queue = typeof import('./queue');

/** The queue as a page that has just been opened has it. */
async function freshPage(): Promise<Queue> {
  jest.resetModules();
  return import('./queue');
}

/** A browser's list of locks, as far as the queue asks for it. */
function withLocks(locks: unknown): void {
  Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true });
}

let queue: Queue;
beforeEach(async () => {
  globalThis.indexedDB = new IDBFactory();
  withLocks({ request: (_name: string, work: () => unknown) => Promise.resolve(work()) });
  queue = await freshPage();
});

/** Logs some putts and answers with what a server that takes all of them was sent. */
async function sentOf(ids: string[]): Promise<string[][]> {
  for (const id of ids) await queue.enqueue(RUN, putt(id), TILDA);
  const sent: string[][] = [];
  await queue.drain(RUN, async (events) => {
    sent.push(events.map(({ id }) => id));
    return taken();
  });
  return sent;
}

describe('what was logged', () => {
  it('is on the device until the server has it, for a page opened anew too', async () => {
    await queue.enqueue(RUN, putt('a'), TILDA);
    await queue.enqueue('another', putt('b'), TILDA);
    queue = await freshPage();
    expect(await queue.pendingEvents(RUN)).toEqual([putt('a')]);
    expect(await sentOf([])).toEqual([['a']]);
    expect(await queue.pendingEvents(RUN)).toEqual([]);
    expect(await queue.pendingEvents('another')).toHaveLength(1);
  });

  it('is sent in batches, in order, however much it is', async () => {
    const ids = Array.from({ length: 501 }, (_, index) => `${index}`);
    const sent = await sentOf(ids);
    expect(sent.map(({ length }) => length)).toEqual([200, 200, 101]);
    expect(sent.flat()).toEqual(ids);
    expect(await queue.pendingEvents(RUN)).toEqual([]);
  });

  it('stays when the server does not take it', async () => {
    await queue.enqueue(RUN, putt('a'), TILDA);
    const no = { ok: false, code: 'server', message: 'Not now.' } as const;
    expect(await queue.drain(RUN, async () => no)).toEqual(no);
    await expect(queue.drain(RUN, () => Promise.reject(new Error('gone')))).rejects.toThrow('gone');
    expect(await queue.pendingEvents(RUN)).toHaveLength(1);
  });

  it('is sent without the browser’s locks, one sender at a time', async () => {
    withLocks(undefined);
    await queue.enqueue(RUN, putt('a'), TILDA);
    let sends = 0;
    let begun = () => undefined as void;
    let end = () => undefined as void;
    const sending = new Promise<void>((resolve) => (begun = resolve));
    const answered = new Promise<void>((resolve) => (end = resolve));
    const send = async () => {
      sends += 1;
      begun();
      await answered;
      return taken();
    };
    const both = [queue.drain(RUN, send), queue.drain(RUN, send)];
    await sending;
    // Long enough for the other to have read what is pending, were it not waiting.
    for (let read = 0; read < 3; read++) await queue.pendingEvents(RUN);
    expect(sends).toBe(1);
    end();
    await Promise.all(both);
    expect(await queue.pendingEvents(RUN)).toEqual([]);
  });
});

describe('a device that keeps nothing', () => {
  it('sends from memory when its browser refuses', async () => {
    globalThis.indexedDB.open = () => {
      throw new DOMException('Not here.', 'SecurityError');
    };
    expect(await sentOf(['a', 'b'])).toEqual([['a', 'b']]);
    expect(queue.deviceKeeps()).toBe(false);
    expect(await queue.pendingEvents(RUN)).toEqual([]);
  });

  it('sends from memory when it is full, and keeps again what was logged once it is not', async () => {
    await queue.enqueue(RUN, putt('a'), TILDA);
    const add = IDBObjectStore.prototype.add;
    IDBObjectStore.prototype.add = () => {
      throw new DOMException('Full.', 'QuotaExceededError');
    };
    await queue.enqueue(RUN, putt('b'), TILDA);
    await queue.enqueue(RUN, putt('c'), TILDA);
    expect(queue.deviceKeeps()).toBe(false);
    expect((await queue.pendingEvents(RUN)).map(({ id }) => id)).toEqual(['a', 'b', 'c']);
    IDBObjectStore.prototype.add = add;
    await expect(queue.drain(RUN, () => Promise.reject(new Error('gone')))).rejects.toThrow();
    expect(queue.deviceKeeps()).toBe(true);
    queue = await freshPage();
    expect((await queue.pendingEvents(RUN)).map(({ id }) => id)).toEqual(['a', 'b', 'c']);
  });

  it('sends from memory while an older page holds what was kept, and moves there when it lets go', async () => {
    const old = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open('dirigo', 3);
      request.onupgradeneeded = () => {
        const database = request.result;
        database.createObjectStore('events', { autoIncrement: true }).createIndex('run', 'runId');
        database.createObjectStore('told', { keyPath: 'runId' });
      };
      request.onsuccess = () => resolve(request.result);
    });
    expect(await sentOf(['a'])).toEqual([['a']]);
    expect(queue.deviceKeeps()).toBe(false);
    await queue.enqueue(RUN, putt('b'), TILDA);
    old.close();
    expect(await sentOf([])).toEqual([['b']]);
    expect(queue.deviceKeeps()).toBe(true);
  }, 20_000);

  it('opens again what was closed behind its back', async () => {
    await queue.enqueue(RUN, putt('a'), TILDA);
    const newer = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open('dirigo', 5);
      request.onsuccess = () => resolve(request.result);
    });
    newer.close();
    // A version from the future cannot be opened from here: what is logged is sent all the same.
    expect(await sentOf(['b'])).toEqual([['b']]);
    expect(queue.deviceKeeps()).toBe(false);
  });
});

describe('what the server refuses', () => {
  it('is set aside with its reason, and the rest goes on', async () => {
    for (const id of ['a', 'b', 'c']) await queue.enqueue(RUN, putt(id), TILDA);
    await queue.drain(RUN, async () => taken(['b']));
    expect(await queue.pendingEvents(RUN)).toEqual([]);
    queue = await freshPage();
    expect(await queue.asideOf(RUN)).toMatchObject([
      { runId: RUN, event: putt('b'), message: 'It cannot be.' },
    ]);
    await queue.forgetAside(RUN);
    expect(await queue.asideOf(RUN)).toEqual([]);
  });

  it('stays in the queue when the device cannot set it aside: a crash loses nothing', async () => {
    for (const id of ['a', 'b']) await queue.enqueue(RUN, putt(id), TILDA);
    const add = IDBObjectStore.prototype.add;
    IDBObjectStore.prototype.add = function (this: IDBObjectStore, ...given) {
      if (this.name === 'aside') throw new DOMException('Full.', 'QuotaExceededError');
      return add.apply(this, given);
    };
    await queue.drain(RUN, async () => taken(['b']));
    // It is shown from this page, once however often it is tried.
    await queue.drain(RUN, async () => taken(['b']));
    expect((await queue.asideOf(RUN)).map(({ event }) => event.id)).toEqual(['b']);
    IDBObjectStore.prototype.add = add;
    // As the device has it after a crash.
    queue = await freshPage();
    expect((await queue.pendingEvents(RUN)).map(({ id }) => id)).toContain('b');
  });

  it('is on the disk before the batch counts as done', async () => {
    await queue.enqueue(RUN, putt('a'), TILDA);
    let written = false;
    const add = IDBObjectStore.prototype.add;
    IDBObjectStore.prototype.add = function (this: IDBObjectStore, ...given) {
      if (this.name === 'aside') {
        this.transaction.addEventListener('complete', () => (written = true));
      }
      return add.apply(this, given);
    };
    await queue.drain(RUN, async () => taken(['a']));
    IDBObjectStore.prototype.add = add;
    expect(written).toBe(true);
  });

  it('is set aside whole when it is asked to', async () => {
    for (const id of ['a', 'b']) await queue.enqueue(RUN, putt(id), TILDA);
    await queue.setAllAside(RUN, 'It was finished.');
    expect(await queue.pendingEvents(RUN)).toEqual([]);
    expect((await queue.asideOf(RUN)).map(({ event }) => event.id)).toEqual(['a', 'b']);
  });
});

describe('on a shared phone', () => {
  it('each coach’s events are sent as theirs only, and say for whom they wait', async () => {
    await queue.enqueue(RUN, putt('a'), TILDA);
    await queue.enqueue(RUN, putt('b'), MEES);
    await queue.enqueue('other run', putt('c'), TILDA);
    expect(await queue.waitingRuns()).toEqual([
      { runId: RUN, sender: TILDA, putts: 1, events: 1 },
      { runId: RUN, sender: MEES, putts: 1, events: 1 },
      { runId: 'other run', sender: TILDA, putts: 1, events: 1 },
    ]);
    const sent: string[] = [];
    const send = async (events: WireEvent[]) => {
      sent.push(...events.map(({ id }) => id));
      return taken();
    };
    await queue.drain(RUN, send, MEES.owner);
    expect(sent).toEqual(['b']);
    expect(await queue.pendingEvents(RUN, TILDA.owner)).toHaveLength(1);
    expect(await queue.pendingEvents(RUN, MEES.owner)).toEqual([]);
  });

  it('what an earlier version kept says nobody’s name, and is sent by whoever opens it', async () => {
    await queue.enqueue(RUN, putt('b'), TILDA);
    const database = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open('dirigo');
      request.onsuccess = () => resolve(request.result);
    });
    await new Promise((resolve) => {
      const store = database.transaction('events', 'readwrite').objectStore('events');
      store.add({ runId: RUN, event: putt('a') }).onsuccess = resolve;
    });
    database.close();
    expect((await queue.pendingEvents(RUN, MEES.owner)).map(({ id }) => id)).toEqual(['a']);
    expect((await queue.waitingRuns()).map(({ sender }) => sender)).toEqual([TILDA, null]);
    const sent: string[] = [];
    const send = async (events: WireEvent[]) => {
      sent.push(...events.map(({ id }) => id));
      return taken();
    };
    // Sent by nobody’s name, it takes nothing of somebody else along.
    await queue.drain(RUN, send, null);
    expect(sent).toEqual(['a']);
    expect(await queue.pendingEvents(RUN, TILDA.owner)).toHaveLength(1);
  });

  it('tells whoever listens when something waits, and when it is sent', async () => {
    let told = 0;
    const stop = queue.onQueueChange(() => (told += 1));
    await queue.enqueue(RUN, putt('a'), TILDA);
    expect(told).toBe(1);
    await queue.drain(RUN, async () => taken());
    expect(told).toBe(2);
    stop();
    await queue.enqueue(RUN, putt('b'), TILDA);
    expect(told).toBe(2);
  });
});
