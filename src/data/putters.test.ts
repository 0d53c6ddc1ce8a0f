import { v4 } from 'uuid';
import { libraryDrill } from '@/core/drill';
import { STANDARD_FITTING, type PutterValues } from '@/core/people';
import { emptyCard } from '@/core/setup';
import { DEGREE } from '@/core/units';
import {
  addDrill,
  addPutter,
  dropPutter,
  getSession,
  getStudent,
  lastCard,
  listChanges,
  listPutters,
  listStudents,
  recordEvents,
  savePutter,
  startSession,
  takePutter,
  undoChange,
  addStudent,
  type CoachPrincipal,
  type Database,
} from '.';
import { TEST_STUDENT, openTestBook, stranger, type TestBook } from './test-book';

const mallet: PutterValues = {
  name: 'Lock mallet',
  headLength: 0.1,
  headDepth: 0.09,
  lieAngle: 72 * DEGREE,
  length: 0.8636,
  loft: 3 * DEGREE,
  shape: 'mallet',
  mass: 0.36,
  inertia: null,
  grip: 'thick, no taper',
};

let book: TestBook;
let database: Database;
let principal: CoachPrincipal;
let studentId: string;

beforeEach(async () => {
  book = await openTestBook();
  ({ database, principal } = book);
  studentId = await addStudent(database, principal, TEST_STUDENT);
});
afterEach(() => book.close());

describe('putters', () => {
  it('begin with the student’s own, in use, of which little is measured', async () => {
    expect(await listPutters(database, principal, studentId)).toMatchObject([
      { name: 'Own putter', inUse: true, length: null, loft: null, shape: null, grip: '' },
    ]);
  });

  it('are fitted to once they are taken into use, one at a time', async () => {
    const id = await addPutter(database, principal, studentId, mallet);
    const before = await getStudent(database, principal, studentId);
    expect(before.putter.headLength).toBe(STANDARD_FITTING.headLength);
    await takePutter(database, principal, id);
    const after = await getStudent(database, principal, studentId);
    expect(after.putter).toEqual({ headLength: 0.1, headDepth: 0.09, lieAngle: 72 * DEGREE });
    expect(after.version).toBe(before.version + 1);
    expect((await listStudents(database, principal))[0]!.putter).toEqual(after.putter);
    const all = await listPutters(database, principal, studentId);
    expect(all.map(({ name, inUse }) => [name, inUse])).toEqual([
      ['Lock mallet', true],
      ['Own putter', false],
    ]);
    // Taken once more it is still one.
    await takePutter(database, principal, id);
    expect((await getStudent(database, principal, studentId)).version).toBe(after.version);
  });

  it('are changed, taken out and put back; the one in use stays', async () => {
    const id = await addPutter(database, principal, studentId, mallet);
    await savePutter(database, principal, id, { ...mallet, loft: 2 * DEGREE });
    expect((await listPutters(database, principal, studentId))[1]!.loft).toBe(2 * DEGREE);
    await dropPutter(database, principal, id);
    expect(await listPutters(database, principal, studentId)).toHaveLength(1);
    const [change] = await listChanges(database, [studentId]);
    expect(change!.what).toBe('putter removed');
    await undoChange(database, principal, change!.id);
    expect((await listPutters(database, principal, studentId))[1]).toMatchObject({
      ...mallet,
      loft: 2 * DEGREE,
      id,
      inUse: false,
    });
    await takePutter(database, principal, id);
    await expect(dropPutter(database, principal, id)).rejects.toThrow(/Lock mallet is in use/);
  });

  it('are nobody else’s', async () => {
    const other = stranger();
    const id = await addPutter(database, principal, studentId, mallet);
    for (const work of [
      () => listPutters(database, other, studentId),
      () => addPutter(database, other, studentId, mallet),
      () => savePutter(database, other, id, mallet),
      () => takePutter(database, other, id),
      () => dropPutter(database, other, id),
      () => lastCard(database, other, studentId),
    ])
      await expect(work()).rejects.toThrow(/does not exist/);
  });
});

describe('the last set-up card', () => {
  it('is the last that was looked at, of that student alone', async () => {
    const { name, layout, key: origin, ...details } = libraryDrill('straight-gate')!;
    const drillId = await addDrill(
      database,
      principal,
      { name, layout, details, origin },
      new Date('2026-03-01T09:00:00Z'),
    );
    const sessionOf = async (whose: string, at: string) => {
      const startedAt = new Date(at);
      const id = await startSession(database, principal, { studentId: whose, drillId, startedAt });
      return (await getSession(database, principal, id)).runs[0]!.id;
    };
    const other = await addStudent(database, principal, { ...TEST_STUDENT, name: 'Runa Lock' });
    const write = (run: string, pressure: number, at: string) =>
      recordEvents(
        database,
        principal,
        run,
        [
          {
            type: 'mark',
            id: v4(),
            at: new Date(at),
            mark: { type: 'card', card: { ...emptyCard(), pressure } },
          },
        ],
        new Date(at),
      );
    expect(await lastCard(database, principal, studentId)).toBeNull();
    const first = await sessionOf(studentId, '2026-03-01T10:00:00Z');
    await write(first, 3, '2026-03-01T10:01:00Z');
    await write(first, 4, '2026-03-01T10:05:00Z');
    await write(await sessionOf(other, '2026-03-02T10:00:00Z'), 9, '2026-03-02T10:01:00Z');
    expect(await lastCard(database, principal, studentId)).toMatchObject({
      card: { pressure: 4, grip: null },
      at: new Date('2026-03-01T10:05:00Z'),
    });
  });
});
