import { runStore, type RunPorts } from './run-store';
import { merge } from './merge';
import type { RunAnswer, WireEvent, WireRun } from './wire';

const EMPTY: WireRun = { putts: [], marks: [] };

/** A device and a server, either of which can be made to fail. */
function world() {
  const device: WireEvent[] = [];
  let server: WireRun = EMPTY;
  let told: WireRun | null = null;
  let count = 0;
  const state = { dead: false, refuses: false, finished: false };
  const ports: RunPorts = {
    enqueue: async (_run, event) => void device.push(event),
    pending: async () => [...device],
    drain: async (_run, send) => {
      const events = [...device];
      const answer = await send(events);
      if (answer.ok) device.splice(0, events.length);
      return answer;
    },
    discard: async () => void device.splice(0),
    keepTold: async (_run, run) => void (told = run),
    gone: () => void (told = null),
    lastTold: async () => told,
    send: async (_run, events): Promise<RunAnswer> => {
      if (state.dead) throw new Error('no server');
      if (state.refuses) return { ok: false, code: 'finished', message: 'It was finished.' };
      server = merge(server, events);
      return { ok: true, finished: state.finished, ...server };
    },
    newId: () => `id ${++count}`,
    now: () => `2026-11-24T09:00:${String(count).padStart(2, '0')}Z`,
  };
  return {
    device,
    state,
    ports,
    server: () => server,
    /** What another screen logged. */
    elsewhere: (id: string) => {
      server = merge(server, [{ type: 'putt', id, outcomes: { gate: 'left' }, at: '' }]);
    },
  };
}

/** Until everything under way has been done. */
const settled = () => new Promise((resolve) => setTimeout(resolve, 5));
const clear = { outcomes: { gate: 'clear' } };

describe('a run on a screen', () => {
  it('shows a putt at once, before the device or the server has it, then says where it is', async () => {
    const { ports, device, server } = world();
    const store = runStore('run', EMPTY, () => undefined, ports);
    expect(store.view().saving.state).toBe('opening');
    await store.open();
    expect(store.view()).toMatchObject({ saving: { state: 'saved' }, unsaved: 0 });
    store.log(clear);
    expect(store.view()).toMatchObject({
      putts: { length: 1 },
      saving: { state: 'waiting' },
      unsaved: 1,
      entering: 1,
    });
    await settled();
    expect(store.view()).toMatchObject({ saving: { state: 'saved' }, unsaved: 0, entering: 0 });
    expect(device).toEqual([]);
    expect(server().putts).toHaveLength(1);
  });

  it('goes on with no server, and a page opened anew on the same device shows all of it', async () => {
    const { ports, state, server } = world();
    const store = runStore('run', EMPTY, () => undefined, ports);
    await store.open();
    store.log(clear);
    await settled();
    state.dead = true;
    store.log({ outcomes: { gate: 'left' } });
    store.mark({ type: 'pause' });
    store.correct('id 1', { note: 'loose tee' });
    await settled();
    expect(store.view()).toMatchObject({
      saving: { state: 'waiting', since: 'offline' },
      unsaved: 3,
    });

    const again = runStore('run', EMPTY, () => undefined, ports);
    await again.open();
    expect(again.view().putts.map(({ note }) => note)).toEqual(['loose tee', '']);
    expect(again.view().marks).toHaveLength(1);
    state.dead = false;
    expect(await again.flush()).toBe(true);
    expect(server().putts.map(({ outcomes }) => outcomes.gate)).toEqual(['clear', 'left']);
    expect(again.view()).toMatchObject({ saving: { state: 'saved' }, unsaved: 0 });
  });

  it('takes back the last putt, and the one before it, whether they are saved or not', async () => {
    const { ports, server } = world();
    const store = runStore('run', EMPTY, () => undefined, ports);
    await store.open();
    ['a', 'b', 'c'].forEach((gate) => store.log({ outcomes: { gate } }));
    await settled();
    store.undo();
    store.undo();
    expect(store.view().putts.map(({ outcomes }) => outcomes.gate)).toEqual(['a']);
    await settled();
    expect(server().putts.map(({ undone }) => undone)).toEqual([false, true, true]);
    store.undo();
    store.undo();
    expect(store.view().putts).toEqual([]);
  });

  it('tells of putts of another screen once, and never of its own', async () => {
    const { ports, elsewhere } = world();
    const told: number[] = [];
    const store = runStore('run', EMPTY, (count) => told.push(count), ports);
    await store.open();
    store.log(clear);
    await settled();
    elsewhere('theirs 1');
    elsewhere('theirs 2');
    await store.flush();
    await store.flush();
    expect(told).toEqual([2]);
    expect(store.view().putts).toHaveLength(3);
  });

  it('keeps what the server would not take until it is thrown away', async () => {
    const { ports, state } = world();
    const store = runStore('run', EMPTY, () => undefined, ports);
    await store.open();
    state.refuses = true;
    store.log(clear);
    await settled();
    expect(store.view()).toMatchObject({
      saving: { state: 'refused', code: 'finished' },
      putts: { length: 1 },
      unsaved: 1,
    });
    state.refuses = false;
    await store.discard();
    expect(store.view()).toMatchObject({ saving: { state: 'saved' }, putts: [], unsaved: 0 });
  });

  it('tells whoever listens, and nobody who has left', async () => {
    const { ports } = world();
    const store = runStore('run', EMPTY, () => undefined, ports);
    await store.open();
    let told = 0;
    const leave = store.subscribe(() => (told += 1));
    store.log(clear);
    expect(told).toBe(1);
    leave();
    store.log(clear);
    await settled();
    expect(told).toBe(1);
  });
});
