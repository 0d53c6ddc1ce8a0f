import { addSeconds } from 'date-fns';
import fc from 'fast-check';
import { v4 } from 'uuid';
import { isUsual, libraryDrill } from '@/core/drill';
import { DEGREE } from '@/core/units';
import {
  addDrill,
  addInstrument,
  addStudent,
  counted,
  endInstrument,
  finishSession,
  getSession,
  leftLines,
  listInstruments,
  recordEvents,
  senderBy,
  standBeside,
  startSession,
  takeLines,
  takeWaiting,
  toLogged,
  type CoachPrincipal,
  type Database,
  type RunEvent,
} from '.';
import { TEST_STUDENT, openTestBook, stranger, type TestBook } from './test-book';

const now = new Date('2026-03-01T10:00:00Z');
const after = (seconds: number) => addSeconds(now, seconds);

let book: TestBook;
let database: Database;
let principal: CoachPrincipal;
let secret: string;
let instrumentId: string;

beforeEach(async () => {
  book = await openTestBook();
  ({ database, principal } = book);
  ({ id: instrumentId, secret } = await addInstrument(database, principal, 'Rail sensor', now));
});
afterEach(() => book.close());

async function begun(startedAt = now) {
  const studentId = await addStudent(database, principal, { ...TEST_STUDENT, name: v4() });
  const { name, layout, key: origin, ...details } = libraryDrill('straight-gate')!;
  const kept = { name: `${name} ${v4()}`, layout, details, origin };
  const drillId = await addDrill(database, principal, kept, now);
  const id = await startSession(database, principal, { studentId, drillId, startedAt });
  const run = (await getSession(database, principal, id)).runs[0]!;
  const gate = run.layout.elements.find(({ kind }) => kind === 'ballGate')!.id;
  return { id, runId: run.id, gate };
}

const line = (id: string, seconds: number, values: Record<string, [number, string, number?]>) =>
  JSON.stringify({
    id,
    at: after(seconds).toISOString(),
    values: Object.fromEntries(
      Object.entries(values).map(([name, [value, unit, error]]) => [
        name,
        { value, unit, ...(error && { error }) },
      ]),
    ),
  });
const sent = async (texts: string[], at = after(60), by = secret) =>
  takeLines(database, (await senderBy(database, by))!, texts, at);
const puttsOf = async (id: string) =>
  counted((await getSession(database, principal, id)).runs[0]!.putts);

test('a line becomes a putt of the open run, in SI, with what the gate would have shown', async () => {
  const { id, gate } = await begun();
  const told = await sent([
    line('1', 10, { start: [0.2, 'deg', 0.1], headSpeed: [5, 'ft/s'] }),
    line('2', 30, { face: [4, 'deg'], path: [0, 'deg'] }),
    line('3', 50, { leadFoot: [61, '%'] }),
  ]);
  expect(told.map(({ state }) => state)).toEqual(['taken', 'taken', 'taken']);
  const [straight, pushed, unseen] = await puttsOf(id);
  expect(straight!.measured.start).toEqual({
    value: 0.2 * DEGREE,
    error: 0.1 * DEGREE,
    by: 'Rail sensor',
  });
  expect(straight!.measured.headSpeed!.value).toBeCloseTo(1.524, 12);
  expect(straight!.outcomes).toEqual({ [gate]: 'clear' });
  expect(straight!.filled).toEqual([gate]);
  // 0.92 of 4° is far outside of any gate of this drill.
  expect(pushed!.outcomes).toEqual({ [gate]: 'right' });
  expect(unseen!.outcomes).toEqual({});
  // Scoring takes what was read, and not what was found from it.
  const logged = toLogged(await getSession(database, principal, id)).runs[0]!.putts[0]!;
  expect(logged.measured).toEqual(straight!.measured);
  expect(logged.filled).toEqual([gate]);
  expect(unseen!.measured.leadFoot!.value).toBeCloseTo(0.61, 12);
});

test('lines that come twice, late and out of order make each putt once, whatever order they come in', async () => {
  const { id } = await begun();
  const lines = Array.from({ length: 6 }, (_, i) => line(`${i}`, 20 * i + 5, { face: [i, 'deg'] }));
  await fc.assert(
    fc.asyncProperty(fc.shuffledSubarray([...lines, ...lines], { minLength: 6 }), async (some) => {
      await sent(some, after(200));
    }),
    { numRuns: 8 },
  );
  await sent(lines, after(300));
  const putts = await puttsOf(id);
  expect(putts).toHaveLength(6);
  expect(new Set(putts.map(({ measured }) => Math.round(measured.face!.value / DEGREE))).size).toBe(
    6,
  );
  expect((await sent(lines, after(400))).every(({ state }) => state === 'doubled')).toBe(true);
});

test('two instruments beside one ball make one putt', async () => {
  const { id } = await begun();
  const wrist = await addInstrument(database, principal, 'Wrist sensor', now);
  await sent([line('a', 10, { face: [1, 'deg'] })]);
  await sent([line('a', 12, { wristBend: [-9, 'deg'] })], after(60), wrist.secret);
  await sent([line('b', 40, { wristBend: [-8, 'deg'] })], after(60), wrist.secret);
  await sent([line('b', 41, { face: [2, 'deg'] })]);
  const putts = await puttsOf(id);
  expect(putts.map(({ measured }) => Object.keys(measured).sort())).toEqual([
    ['face', 'wristBend'],
    ['face', 'wristBend'],
  ]);
});

test('two instruments that send at the same moment make one putt too', async () => {
  const { id } = await begun();
  const plate = await addInstrument(database, principal, 'Plate', now);
  for (let putt = 0; putt < 6; putt++) {
    const at = 20 * putt;
    await Promise.all([
      sent([line(`${putt}`, at, { face: [putt, 'deg'] })], after(at + 1)),
      sent([line(`${putt}`, at + 1, { leadFoot: [55, '%'] })], after(at + 1), plate.secret),
    ]);
  }
  const putts = await puttsOf(id);
  expect(putts).toHaveLength(6);
  expect(putts.every(({ measured }) => measured.face && measured.leadFoot)).toBe(true);
});

const touch = (gate: string, seconds: number, outcome = 'left', id = v4()): RunEvent => ({
  type: 'putt',
  id,
  outcomes: { [gate]: outcome },
  place: { station: 0, again: 0, spot: null },
  manner: 'usual',
  at: after(seconds),
});

test('a touch after the instrument says what was seen of the same putt; sent twice, it changes nothing', async () => {
  const { id, runId, gate } = await begun();
  await sent([line('1', 10, { face: [0, 'deg'], path: [0, 'deg'] })]);
  const event = touch(gate, 16);
  const first = await recordEvents(database, principal, runId, [event], after(17));
  expect(first.putts[0]!.changes).toEqual([event.id]);
  await recordEvents(database, principal, runId, [event], after(18));
  const [putt, ...others] = await puttsOf(id);
  expect(others).toEqual([]);
  expect(putt!.outcomes).toEqual({ [gate]: 'left' });
  expect(putt!.filled).toEqual([]);
  expect(putt!.measured.face!.value).toBe(0);
  // The next touch is of a putt of its own; taking the first back by the touch's name takes its putt back.
  const undo: RunEvent = { type: 'undo', id: event.id, at: after(30) };
  await recordEvents(database, principal, runId, [touch(gate, 28, 'clear'), undo], after(31));
  expect((await puttsOf(id)).map(({ outcomes }) => outcomes[gate])).toEqual(['clear']);
});

test('a line after the touch belongs to the putt that was touched, and leaves what was seen as it is', async () => {
  const { id, runId, gate } = await begun();
  await recordEvents(database, principal, runId, [touch(gate, 20)], after(20));
  const [told] = await sent([line('1', 14, { start: [0, 'deg'] })]);
  expect(told).toMatchObject({ state: 'taken', with: 'putt' });
  const [putt, ...others] = await puttsOf(id);
  expect(others).toEqual([]);
  expect(putt!.outcomes).toEqual({ [gate]: 'left' });
  expect(putt!.measured.start!.value).toBe(0);
});

test('a line is not of a putt that was undone: it makes a putt of its own', async () => {
  const { id, runId, gate } = await begun();
  const touched = touch(gate, 20);
  await recordEvents(database, principal, runId, [touched], after(20));
  await recordEvents(
    database,
    principal,
    runId,
    [{ type: 'undo', id: touched.id, at: after(21) }],
    after(21),
  );
  const [told] = await sent([line('1', 14, { start: [0, 'deg'] })]);
  expect(told).toMatchObject({ state: 'taken' });
  expect(told).not.toHaveProperty('with');
  const [putt, ...others] = await puttsOf(id);
  expect(others).toEqual([]);
  expect(putt!.id).not.toBe(touched.id);
  expect(putt!.measured.start!.value).toBe(0);
});

test('half lines, unknown quantities, wrong units and what cannot be are told and kept; the rest goes on', async () => {
  const { id } = await begun();
  const told = await sent([
    '{"id":"1","values":{"fa',
    line('2', 10, { bounce: [1, 'deg'] }),
    line('3', 10, { face: [1, 'mm'] }),
    line('4', 10, { face: [1e6, 'deg'] }),
    JSON.stringify({ id: '5', values: {} }),
    line('6', 10, { face: [1, 'deg'] }),
  ]);
  expect(told.map(({ state }) => state)).toEqual([...Array<string>(5).fill('refused'), 'taken']);
  const words = told.map((one) => ('message' in one ? one.message : ''));
  expect(words[0]).toContain('cut off');
  expect(words[1]).toContain('“bounce” is not a known quantity');
  expect(words[2]).toContain('“mm” is not a unit for this quantity. Use one of rad, deg.');
  expect(words[3]).toContain('is out of range');
  expect(words[4]).toContain('empty');
  expect(await puttsOf(id)).toHaveLength(1);
  expect(await leftLines(database, principal, instrumentId)).toHaveLength(5);
  expect((await listInstruments(database, principal))[0]).toMatchObject({ refused: 5, waiting: 0 });
});

test('a line with no session waits for one of its time; with two open it asks beside which it stands', async () => {
  const [none] = await sent([line('1', 10, { face: [1, 'deg'] })]);
  expect(none).toMatchObject({ state: 'waiting' });
  const first = await begun();
  const sender = (await senderBy(database, secret))!;
  expect(await takeWaiting(database, sender, after(90))).toHaveLength(1);
  expect(await puttsOf(first.id)).toHaveLength(1);
  const second = await begun();
  const [two] = await sent([line('2', 40, { face: [1, 'deg'] })]);
  expect(two).toMatchObject({ state: 'waiting', message: expect.stringContaining('2 sessions') });
  await standBeside(database, principal, instrumentId, second.id);
  expect(await takeWaiting(database, (await senderBy(database, secret))!, after(95))).toHaveLength(
    1,
  );
  expect(await puttsOf(second.id)).toHaveLength(1);
});

test('a line of the time before a session was finished still comes in; one of a later time does not', async () => {
  const { id } = await begun();
  await sent([line('0', 5, { face: [1, 'deg'] })]);
  await finishSession(database, principal, id, after(100));
  const [late, later, soon] = await sent(
    [
      line('1', 80, { face: [1, 'deg'] }),
      line('2', 900, { face: [1, 'deg'] }),
      // An instrument that goes on for a moment after Finish.
      line('3', 110, { face: [1, 'deg'] }),
    ],
    after(1000),
  );
  expect(late!.state).toBe('taken');
  expect(later!.state).toBe('waiting');
  expect(soon!.state).toBe('waiting');
  expect(await puttsOf(id)).toHaveLength(2);
});

test('a secret is one coach’s, and opens nothing once it was ended', async () => {
  await expect(standBeside(database, stranger(), instrumentId, null)).rejects.toThrow('instrument');
  await expect(endInstrument(database, stranger(), instrumentId, now)).rejects.toThrow(
    'instrument',
  );
  expect(await senderBy(database, 'x'.repeat(32))).toBeNull();
  await endInstrument(database, principal, instrumentId, now);
  expect(await senderBy(database, secret)).toBeNull();
  expect(await listInstruments(database, principal)).toEqual([]);
});

test('a simulated instrument marks its putts, leaves real ones alone and moves no score', async () => {
  const { id, runId, gate } = await begun();
  const real: RunEvent = { type: 'putt', id: v4(), at: after(10), outcomes: { [gate]: 'left' } };
  await recordEvents(database, principal, runId, [real], after(11));
  const sender = (await senderBy(database, secret))!;
  const simulated = { ...sender, simulated: true as const };
  await takeLines(database, simulated, [line('s1', 11, { face: [1, 'deg'] })], after(12));
  await sent([line('r1', 12, { path: [2, 'deg'] })], after(13));
  const putts = await puttsOf(id);
  expect(putts.map(({ manner, measured }) => [manner, Object.keys(measured)])).toEqual([
    ['usual', ['path']],
    ['simulated', ['face']],
  ]);
  expect(isUsual('simulated')).toBe(false);
});
