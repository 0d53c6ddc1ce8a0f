import { runStore, type RunPorts } from './run-store';
import { merge } from './merge';
import type { SetAside } from './queue';
import type { RunAnswer, WireEvent, WireRun } from './wire';

const EMPTY: WireRun = { putts: [], marks: [] };

/** A device and a server, either of which can be made to fail. */
function world() {
  const device: WireEvent[] = [];
  let server: WireRun = EMPTY;
  let told: WireRun | null = null;
  let count = 0;
  let later = 0;
  /** What another screen logged and nobody here was told yet. */
  const fresh = new Set<string>();
  let aside: SetAside[] = [];
  let last: Promise<unknown> = Promise.resolve();
  let revision = 0;
  const state = { dead: false, ill: false, finished: false, kept: true, bad: '' };
  const others: number[] = [];
  const late: number[] = [];
  /** Where each send began, and how many putts came back. */
  const exchanged: [since: number | null, putts: number][] = [];
  const ports: RunPorts = {
    enqueue: async (_run, event) => void device.push(event),
    pending: async () => [...device],
    drain: (runId, send) => {
      const turn = last.then(async () => {
        const events = [...device];
        const answer = await send(events);
        if (!answer.ok) return answer;
        device.splice(0, events.length);
        for (const { id, message } of answer.refused) {
          const event = events.find((one) => one.id === id)!;
          aside.push({ runId, event, message, at: '' });
        }
        return answer;
      });
      last = turn.catch(() => undefined);
      return turn;
    },
    deviceKeeps: () => state.kept,
    setAllAside: async (runId, message) => {
      aside.push(...device.splice(0).map((event) => ({ runId, event, message, at: '' })));
    },
    asideOf: async () => [...aside],
    forgetAside: async () => void (aside = []),
    keepTold: async (_run, run) => void (told = run),
    gone: () => void (told = null),
    lastTold: async () => told,
    send: async (_run, events, since): Promise<RunAnswer> => {
      if (state.dead) throw new Error('no server');
      if (state.ill) return { ok: false, code: 'database', message: 'The disk is full.' };
      if (state.finished && events.some((event) => 'knowing' in event && event.knowing)) {
        return { ok: false, code: 'finished', message: 'It was finished.' };
      }
      const bad = events.filter(({ id }) => id === state.bad);
      const good = events.filter(({ id }) => id !== state.bad);
      const before = new Map(server.putts.map((putt) => [putt.id, JSON.stringify(putt)]));
      server = merge(server, good);
      if (good.length > 0) revision += 1;
      if (good.some(({ type }) => type === 'finish')) state.finished = true;
      const whole = since === null;
      const putts = server.putts.filter(
        (putt) => whole || before.get(putt.id) !== JSON.stringify(putt) || fresh.has(putt.id),
      );
      fresh.clear();
      exchanged.push([since?.revision ?? null, putts.length]);
      return {
        ok: true,
        finished: state.finished,
        whole,
        position: { lineage: 0, revision },
        late: state.finished ? good.filter(({ type }) => type === 'putt').length : 0,
        refused: bad.map(({ type, id }) => ({ type, id, message: 'It cannot be.' })),
        putts,
        marks: server.marks,
      };
    },
    sendLater: () => void (later += 1),
    newId: () => `id ${++count}`,
    now: () => `2026-11-24T09:00:${String(count).padStart(2, '0')}Z`,
  };
  return {
    device,
    state,
    ports,
    tell: { others: (many: number) => others.push(many), late: (many: number) => late.push(many) },
    others,
    late,
    exchanged,
    laters: () => later,
    server: () => server,
    /** What another screen logged. */
    elsewhere: (id: string) => {
      server = merge(server, [{ type: 'putt', id, outcomes: { gate: 'left' }, at: '' }]);
      fresh.add(id);
      revision += 1;
    },
  };
}

/** Until everything under way has been done. */
const settled = () => new Promise((resolve) => setImmediate(resolve));
const clear = { outcomes: { gate: 'clear' } };

describe('a run on a screen', () => {
  it('shows a putt at once, before the device or the server has it, then says where it is', async () => {
    const { ports, tell, device, server } = world();
    const store = runStore('run', EMPTY, tell, ports);
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
    const { ports, tell, state, server } = world();
    const store = runStore('run', EMPTY, tell, ports);
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

    const again = runStore('run', EMPTY, tell, ports);
    await again.open();
    expect(again.view().putts.map(({ note }) => note)).toEqual(['loose tee', '']);
    expect(again.view().marks).toHaveLength(1);
    state.dead = false;
    expect(await again.flush()).toBe(true);
    expect(server().putts.map(({ outcomes }) => outcomes.gate)).toEqual(['clear', 'left']);
    expect(again.view()).toMatchObject({ saving: { state: 'saved' }, unsaved: 0 });
  });

  it('undoes the putts that it is told to, whether they are saved or not', async () => {
    const { ports, tell, server } = world();
    const store = runStore('run', EMPTY, tell, ports);
    await store.open();
    const [a, b, c] = ['a', 'b', 'c'].map((gate) => store.log({ outcomes: { gate } }));
    await settled();
    store.undo(c!);
    store.undo(b!);
    expect(store.view().putts.map(({ outcomes }) => outcomes.gate)).toEqual(['a']);
    await settled();
    expect(server().putts.map(({ undone }) => undone)).toEqual([false, true, true]);
    store.undo(a!);
    expect(store.view().putts).toEqual([]);
  });

  it('is finished in the queue: after its last putt, and with no signal too', async () => {
    const { ports, tell, state, device, laters } = world();
    const store = runStore('run', EMPTY, tell, ports);
    await store.open();
    state.dead = true;
    store.log(clear);
    store.finish();
    await settled();
    expect(device.map(({ type }) => type)).toEqual(['putt', 'finish']);
    expect(store.view()).toMatchObject({ unsaved: 2, finished: false });
    expect(laters()).toBeGreaterThan(0);
    state.dead = false;
    expect(await store.flush()).toBe(true);
    expect(store.view()).toMatchObject({ unsaved: 0, finished: true });
  });

  it('tells of putts of another screen once, and never of its own', async () => {
    const { ports, tell, others, elsewhere } = world();
    const store = runStore('run', EMPTY, tell, ports);
    await store.open();
    store.log(clear);
    await settled();
    elsewhere('theirs 1');
    elsewhere('theirs 2');
    await store.flush();
    await store.flush();
    expect(others).toEqual([2]);
    expect(store.view().putts).toHaveLength(3);
  });

  it('sends what was logged before it knew of the finish; afterwards it asks', async () => {
    const { ports, tell, state, late, server } = world();
    const store = runStore('run', EMPTY, tell, ports);
    await store.open();
    state.finished = true;
    store.log(clear);
    await settled();
    expect(late).toEqual([1]);
    expect(server().putts).toHaveLength(1);
    expect(store.view()).toMatchObject({ saving: { state: 'saved' }, finished: true });

    store.log(clear);
    await settled();
    expect(store.view()).toMatchObject({
      saving: { state: 'refused', code: 'finished' },
      putts: { length: 2 },
      unsaved: 1,
    });
    state.finished = false;
    await store.flush();
    expect(store.view()).toMatchObject({ saving: { state: 'saved' }, unsaved: 0 });
    expect(server().putts).toHaveLength(2);
  });

  it('sets aside what cannot be, with its reason, and saves the rest', async () => {
    const { ports, tell, state, server } = world();
    state.bad = 'id 2';
    const store = runStore('run', EMPTY, tell, ports);
    await store.open();
    ['a', 'b', 'c'].forEach((gate) => store.log({ outcomes: { gate } }));
    await settled();
    expect(server().putts.map(({ outcomes }) => outcomes.gate)).toEqual(['a', 'c']);
    expect(store.view()).toMatchObject({
      saving: { state: 'saved' },
      putts: { length: 2 },
      aside: [{ message: 'It cannot be.', event: { id: 'id 2' } }],
    });
    const again = runStore('run', EMPTY, tell, ports);
    await again.open();
    expect(again.view().aside).toHaveLength(1);
    await again.forgetAside();
    expect(again.view().aside).toEqual([]);
  });

  it('waits while the server cannot save, and says why', async () => {
    const { ports, tell, state } = world();
    const store = runStore('run', EMPTY, tell, ports);
    await store.open();
    state.ill = true;
    store.log(clear);
    await settled();
    expect(store.view()).toMatchObject({
      saving: { state: 'waiting', since: 'server', message: 'The disk is full.' },
      unsaved: 1,
    });
    state.ill = false;
    expect(await store.flush()).toBe(true);
    expect(store.view()).toMatchObject({ saving: { state: 'saved' }, unsaved: 0 });
  });

  it('keeps and sends again what the device was emptied of', async () => {
    const { ports, tell, state, device, server } = world();
    const store = runStore('run', EMPTY, tell, ports);
    await store.open();
    state.dead = true;
    ['a', 'b'].forEach((gate) => store.log({ outcomes: { gate } }));
    await settled();
    device.splice(0);
    state.dead = false;
    expect(await store.flush()).toBe(true);
    expect(server().putts.map(({ outcomes }) => outcomes.gate)).toEqual(['a', 'b']);
    expect(store.view()).toMatchObject({ saving: { state: 'saved' }, unsaved: 0 });
  });

  it('sets aside all that waits only when it is asked to', async () => {
    const { ports, tell, state, device } = world();
    const store = runStore('run', EMPTY, tell, ports);
    await store.open();
    state.finished = true;
    await store.flush();
    store.log(clear);
    await settled();
    expect(device).toHaveLength(1);
    await store.setAside();
    expect(device).toEqual([]);
    expect(store.view()).toMatchObject({
      saving: { state: 'saved' },
      unsaved: 0,
      aside: [{ message: 'It was finished.' }],
    });
  });

  it('says that the device keeps nothing, and asks only for what is new', async () => {
    const { ports, tell, state, elsewhere, exchanged } = world();
    const store = runStore('run', EMPTY, tell, ports);
    await store.open();
    for (let putt = 0; putt < 3; putt++) {
      store.log(clear);
      await settled();
    }
    elsewhere('theirs');
    await store.flush();
    expect(exchanged).toEqual([
      [null, 0],
      [0, 1],
      [1, 1],
      [2, 1],
      [3, 1],
    ]);
    expect(store.view().putts).toHaveLength(4);
    state.kept = false;
    await store.flush();
    expect(store.view().kept).toBe(false);
  });

  it('tells whoever listens, and nobody who has left', async () => {
    const { ports, tell } = world();
    const store = runStore('run', EMPTY, tell, ports);
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
