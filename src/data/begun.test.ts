import { addHours } from 'date-fns';
import { v4 } from 'uuid';
import { beginOn } from '@/core/drill';
import { fittingOf } from '@/core/people';
import type { Begun } from './begun';
import {
  addStudent,
  archiveStudent,
  finishSession,
  getDrill,
  getSession,
  keepBegun,
  noteSession,
  recordEvents,
  saveDrill,
  swapDrill,
} from '.';
import { addDrill } from './drills';
import { TEST_STUDENT, asStudent, openTestBook, stranger, type TestBook } from './test-book';
import { bareDetails } from '@/core/drill';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout } from '@/core/layout';

const at = new Date('2026-11-26T09:00:00Z');
const layout = ballGateLayout(DEFAULT_PUTT, { distance: 0.4572, gap: 0.06, shank: 0.005 });
const gate = layout.elements.find(({ kind }) => kind === 'ballGate')!.id;

let book: TestBook;
let studentId: string;
let drillId: string;
beforeEach(async () => {
  book = await openTestBook();
  const { database, principal } = book;
  studentId = await addStudent(database, principal, TEST_STUDENT);
  const kept = { name: 'Quay gate', layout, details: bareDetails() };
  drillId = await addDrill(database, principal, kept, at);
});
afterEach(() => book.close());

const runOf = (block: number, id = v4()): Begun['runs'][number] => ({
  ...{ id, drillId, drillName: 'Quay gate', rung: null, block, cold: false, rule: null },
  layout: beginOn({ layout, ladder: [], rule: bareDetails().rule }, fittingOf(TEST_STUDENT)).layout,
});
const begunOf = (changes: Partial<Begun> = {}): Begun => ({
  ...{ id: v4(), studentId, groupId: null, place: 1, homeworkId: null, startedAt: at },
  ...{ note: '', noteWas: '', runs: [runOf(1)] },
  ...changes,
});
const later = addHours(at, 26);

test('a session comes in a day later as it was begun; sent again it is the same, with more it goes on', async () => {
  const { database, principal } = book;
  const begun = begunOf();
  await keepBegun(database, principal, begun, later);
  const first = await getSession(database, principal, begun.id);
  expect(first.startedAt).toEqual(at);
  expect(first.runs.map(({ id, layout: played }) => [id, played])).toEqual([
    [begun.runs[0]!.id, begun.runs[0]!.layout],
  ]);
  await keepBegun(database, principal, begun, later);
  expect(await getSession(database, principal, begun.id)).toEqual(first);
  const more = { ...begun, runs: [...begun.runs, runOf(1), runOf(2)] };
  await keepBegun(database, principal, more, later);
  const { runs } = await getSession(database, principal, begun.id);
  expect(runs.map(({ id, block }) => [id, block])).toEqual(
    more.runs.map(({ id, block }) => [id, block]),
  );
});

test('what somebody else did meanwhile comes before, and neither is lost', async () => {
  const { database, principal } = book;
  const begun = begunOf();
  await keepBegun(database, principal, begun, at);
  await swapDrill(database, principal, begun.id, { drillId, rung: null });
  const more = { ...begun, runs: [...begun.runs, runOf(1), runOf(2)] };
  await keepBegun(database, principal, more, later);
  const { runs } = await getSession(database, principal, begun.id);
  expect(runs).toHaveLength(4);
  expect(runs.map(({ id }) => more.runs.findIndex((run) => run.id === id))).toEqual([0, -1, 1, 2]);
  // The rung that was climbed to belongs to the going that it was climbed in; the new drill is a going of its own.
  const blocks = runs.map(({ block }) => block);
  expect(blocks[2]).toBe(blocks[0]);
  expect(new Set(blocks).size).toBe(3);
});

test('a session that was finished elsewhere takes the runs and the putts that come late', async () => {
  const { database, principal } = book;
  const begun = begunOf();
  await keepBegun(database, principal, begun, at);
  await finishSession(database, principal, begun.id, addHours(at, 1));
  const run = runOf(2);
  await keepBegun(database, principal, { ...begun, runs: [...begun.runs, run] }, later);
  const putt = {
    type: 'putt' as const,
    id: v4(),
    outcomes: { [gate]: 'clear' },
    at: addHours(at, 2),
  };
  const place = { station: 0, again: 0, spot: null };
  const told = await recordEvents(
    database,
    principal,
    run.id,
    [{ ...putt, place, manner: 'usual' }],
    later,
  );
  expect(told).toMatchObject({ finished: true, late: 1, refused: [] });
});

test('notes: one alone stays, the same says nothing new, two are told and neither is lost', async () => {
  const { database, principal } = book;
  const begun = begunOf({ note: 'From the green.' });
  expect(await keepBegun(database, principal, begun, later)).toEqual({
    note: 'From the green.',
    conflict: false,
  });
  const known = { ...begun, noteWas: 'From the green.' };
  await noteSession(database, principal, begun.id, 'From the desk.');
  // The device has changed nothing since: the desk's stays.
  expect(await keepBegun(database, principal, known, later)).toEqual({
    note: 'From the desk.',
    conflict: false,
  });
  const both = { ...known, note: 'From the green, later.' };
  expect(await keepBegun(database, principal, both, later)).toEqual({
    note: 'From the desk.',
    conflict: true,
  });
  expect((await getSession(database, principal, begun.id)).note).toBe('From the desk.');
});

test('the version of the drill that was putted on is kept, though there is a newer one', async () => {
  const { database, principal } = book;
  const before = await getDrill(database, principal, drillId);
  await saveDrill(database, principal, drillId, { ...before, name: 'Quay gate, new' }, later);
  const run = { ...runOf(1), versionId: before.versionId };
  const begun = begunOf({ runs: [run] });
  await keepBegun(database, principal, begun, later);
  const row = await database.models.run.findByPk(run.id);
  expect(row!.drillVersionId).toBe(before.versionId);
});

test('a clock that cannot be right is not believed', async () => {
  const { database, principal } = book;
  for (const startedAt of [addHours(later, 5), new Date('2020-01-01T00:00:00Z')]) {
    const begun = begunOf({ startedAt });
    await keepBegun(database, principal, begun, later);
    expect((await getSession(database, principal, begun.id)).startedAt).toEqual(later);
  }
});

test('nobody begins for a student, on a drill, or in a session that is not theirs', async () => {
  const { database, principal } = book;
  const begun = begunOf();
  await expect(keepBegun(database, stranger(), begun, later)).rejects.toThrow('no longer yours');
  await expect(keepBegun(database, principal, begunOf({ studentId: v4() }), later)).rejects.toThrow(
    'no longer exists',
  );
  const unknown = begunOf({ runs: [{ ...runOf(1), drillId: v4() }] });
  await expect(keepBegun(database, principal, unknown, later)).rejects.toThrow('Quay gate');
  // A student begins what they were given, and nothing else.
  const home = asStudent(principal, studentId);
  await expect(keepBegun(database, home, begun, later)).rejects.toThrow('no longer yours');
  await keepBegun(database, principal, begun, later);
  const other = await addStudent(database, principal, { ...TEST_STUDENT, name: 'Another Test' });
  await expect(
    keepBegun(database, principal, { ...begun, studentId: other }, later),
  ).rejects.toThrow('session does not exist');
  // One who was put away meanwhile was there when it was putted.
  await archiveStudent(database, principal, other, later);
  await keepBegun(database, principal, begunOf({ studentId: other }), later);
});
