import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import type { RunAnswer, WireEvent } from '../session/wire';

const TILDA = {
  home: '',
  owner: '7d1f4a52-5b7e-4c58-9f0a-6d3a5c1f2b11',
  ownerName: 'Tilda Vrane',
};
const PIM = {
  home: 'a-link-of-pim',
  owner: '7d1f4a52-5b7e-4c58-9f0a-6d3a5c1f2b22',
  ownerName: 'Pim Sluis',
};
const putt = (id: string, more: object = {}): WireEvent => ({
  type: 'putt',
  id,
  outcomes: { gate: 'clear' },
  at: '2026-11-26T09:00:00.000Z',
  ...more,
});
const finish = (id: string): WireEvent => ({
  type: 'finish',
  id,
  at: '2026-11-26T09:10:00.000Z',
});
const taken: RunAnswer = {
  ok: true,
  ...{ finished: false, whole: true, late: 0, refused: [], putts: [], marks: [] },
  position: { lineage: 0, revision: 1 },
};

let queue: typeof import('../session/queue');
let sendWaiting: () => Promise<void>;
/** What came to the server, by address. */
let came: Record<string, { events: { id: string; knowing?: boolean }[]; owner: string | null }[]>;
let answerTo: (address: string) => { status: number; body: object };

beforeEach(async () => {
  globalThis.indexedDB = new IDBFactory();
  Object.defineProperty(globalThis, 'navigator', { value: {}, configurable: true });
  came = {};
  answerTo = () => ({ status: 200, body: taken });
  globalThis.fetch = (async (address: string, { body }: { body: string }) => {
    (came[address] ??= []).push(JSON.parse(body) as never);
    const answer = answerTo(address);
    return Response.json(answer.body, { status: answer.status });
  }) as typeof fetch;
  jest.resetModules();
  queue = await import('../session/queue');
  ({ sendWaiting } = await import('./send-waiting'));
});

test('every run is sent from any page: a coach’s, and a student’s under their link, with the finish last', async () => {
  await queue.enqueue('run-1', putt('a'), TILDA);
  await queue.enqueue('run-1', finish('f'), TILDA);
  await queue.enqueue('run-2', putt('b'), TILDA);
  await queue.enqueue('run-3', putt('c'), PIM);
  await sendWaiting();
  expect(Object.keys(came)).toEqual([
    '/api/runs/run-1/putts',
    '/api/runs/run-2/putts',
    '/home/a-link-of-pim/runs/run-3',
  ]);
  expect(came['/api/runs/run-1/putts']![0]).toMatchObject({
    events: [{ id: 'a' }, { id: 'f' }],
    owner: TILDA.owner,
  });
  expect(await queue.waitingRuns()).toEqual([]);
});

test('putts that were logged after the finish was known are added to the session', async () => {
  await queue.enqueue('run-1', putt('a', { knowing: true }), TILDA);
  await sendWaiting();
  expect(came['/api/runs/run-1/putts']![0]!.events).toMatchObject([{ knowing: false }]);
});

test('a page that shows a run sends it by itself', async () => {
  const { holdOpen } = await import('../session/open-runs');
  const release = holdOpen('run-1');
  await queue.enqueue('run-1', putt('a'), TILDA);
  await queue.enqueue('run-2', putt('b'), TILDA);
  await sendWaiting();
  expect(Object.keys(came)).toEqual(['/api/runs/run-2/putts']);
  release();
  await sendWaiting();
  expect(Object.keys(came)).toContain('/api/runs/run-1/putts');
});

test('where another tab shows the run, the coach is asked there before anything is added to a finished session', async () => {
  const names = new Set<string>();
  const locks = {
    request: async (name: string, ...rest: unknown[]) => {
      names.add(name);
      await (rest.at(-1) as () => unknown)();
      names.delete(name);
    },
    query: async () => ({ held: [...names].map((name) => ({ name })) }),
  };
  Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true });
  const other = await import('../session/open-runs');
  const release = other.holdOpen('run-1');
  jest.resetModules();
  const { enqueue } = await import('../session/queue');
  const { sendWaiting: sendHere } = await import('./send-waiting');
  await enqueue('run-1', putt('a', { knowing: true }), TILDA);
  await sendHere();
  expect(came['/api/runs/run-1/putts']!.at(-1)!.events).toMatchObject([{ knowing: true }]);
  release();
  await new Promise(setImmediate);
  await enqueue('run-1', putt('b', { knowing: true }), TILDA);
  await sendHere();
  expect(came['/api/runs/run-1/putts']!.at(-1)!.events).toMatchObject([{ knowing: false }]);
});

test.each(['other', 'refused', 'database', 'server', 'slow'])(
  'what cannot be sent now (%s) keeps waiting, and holds up no other',
  async (code) => {
    await queue.enqueue('run-1', putt('a'), TILDA);
    await queue.enqueue('run-2', putt('b'), TILDA);
    answerTo = (address) =>
      address.includes('run-1')
        ? { status: 403, body: { ok: false, code, message: 'Not now.' } }
        : { status: 200, body: taken };
    await sendWaiting();
    expect((await queue.waitingRuns()).map(({ runId }) => runId)).toEqual(['run-1']);
    expect(await queue.allAside()).toEqual([]);
  },
);

test('what the server will never take is set aside with the reason; of nobody’s name it waits', async () => {
  answerTo = () => ({
    status: 404,
    body: { ok: false, code: 'not-found', message: 'There is no such run.' },
  });
  await queue.enqueue('run-1', putt('a'), TILDA);
  await sendWaiting();
  expect(await queue.waitingRuns()).toEqual([]);
  expect(await queue.allAside()).toMatchObject([
    { runId: 'run-1', event: { id: 'a' }, message: 'There is no such run.' },
  ]);
});

test('with no signal everything stays', async () => {
  globalThis.fetch = () => Promise.reject(new TypeError('no way there'));
  await queue.enqueue('run-1', putt('a'), TILDA);
  await sendWaiting();
  expect(await queue.waitingRuns()).toHaveLength(1);
});
