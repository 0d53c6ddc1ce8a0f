import { deserialize, serialize } from 'node:v8';
import { spawnSync } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync, strFromU8 } from 'fflate';
import Papa from 'papaparse';
import { judge } from '@/core/layout';
import { COMMON_KIT } from '@/core/people';
import {
  addStudent,
  bookLines,
  counted,
  headCoach,
  listDrills,
  listHomework,
  listPutters,
  listProgrammes,
  listSessions,
  listStudents,
  makeBackup,
  openDatabase,
  openReader,
  seedDemo,
  sessionBatches,
  takeBook,
  type CoachPrincipal,
  type Database,
  type Session,
} from '@/data';
import { zipped } from '../export/package';
import { partsOf } from '../export/parts';
import { guessMapping } from '@/core/table';
import { rowsOf, tableFile } from '../import/table-file';
import { WORKS, type WorkName } from './works';

jest.mock('server-only', () => ({}));
// Tables ask for scores by way of another process; here the work is done in place.
jest.mock('./pool', () => ({
  reckon: (name: WorkName, principal: CoachPrincipal, with_: never) =>
    jest.requireActual<typeof import('./works')>('./works').WORKS[name](reader, principal, with_),
}));

let folder: string;
let database: Database;
let reader: Database;
let head: CoachPrincipal;
let asked: { [Name in WorkName]: unknown };

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'dirigo-works-'));
  database = await openDatabase(join(folder, 'works.db'));
  await seedDemo(database, new Date('2026-11-20T12:00:00Z'));
  head = await headCoach(database);
  reader = await openReader(database.path);
  const students = await listStudents(database, head);
  const [drill] = await listDrills(database, head);
  const [homework] = await listHomework(database, head);
  const [programme] = await listProgrammes(database, head);
  const studentId = students[0]!.id;
  const [{ id: sessionId }] = (await listSessions(database, head, { studentId })) as [Session];
  const frame = {
    ...{ name: 'An hour', minutes: 40, place: 'green', kit: COMMON_KIT, goals: [] },
    studentIds: [studentId],
  };
  const csv = join(folder, 'old.csv');
  await writeFile(csv, `player,date,face (deg)\n${students[0]!.name},2025-10-03,0.4\n`);
  const table = await tableFile(csv);
  const rows = await rowsOf(table).next();
  const book = join(folder, 'book.zip');
  await writeFile(book, await bytesOf(zipped([{ name: 'book.jsonl', text: bookLines(database) }])));
  const item = { id: homework!.id, ref: drill!.id, rungs: {}, locked: false, why: '' };
  const backup = await makeBackup(database.path, new Date('2026-11-20T12:00:00Z'));
  asked = {
    student: { studentId, rate: 0.7 },
    lines: { studentIds: null },
    review: { studentId, sessionId },
    scores: { studentId },
    compared: { skill: 'start', studentId },
    everything: { studentId },
    homework: { studentId: homework!.studentId },
    setup: { studentId },
    trials: { studentId },
    kept: undefined,
    needs: students.map(({ id }) => id),
    standing: { studentId: programme!.studentId, skill: programme!.aim.skill },
    reach: { studentId: programme!.studentId, skill: programme!.aim.skill, by: '2099-01-01' },
    hour: { frame, kept: [item] },
    block: { frame, item },
    plan: { frame, items: [item], choosing: true },
    accuracy: undefined,
    importCheck: { file: table, mapping: guessMapping(rows.value!).mapping, name: 'old.csv' },
    exportCheck: { path: book },
    backupKey: { passphrase: 'barge lantern moss quay' },
    backupContents: { file: backup.file, passphrase: '' },
  };
}, 180_000);

afterAll(async () => {
  await reader.close();
  await database.close();
  await rm(folder, { recursive: true });
});

const work = (name: WorkName, of: Database, principal = head): Promise<unknown> =>
  WORKS[name](of, principal, asked[name] as never);

test.each(Object.keys(WORKS) as WorkName[])(
  'what is reckoned of “%s” goes whole from process to process',
  async (name) => {
    const value = await work(name, reader);
    expect(value).toBeTruthy();
    expect(deserialize(serialize(value))).toEqual(value);
  },
);

test('a block that is set says whether it will end; of all that suits nobody asks', async () => {
  const { offers, own } = (await work('plan', reader)) as Awaited<ReturnType<typeof WORKS.plan>>;
  expect(offers.length).toBeGreaterThan(20);
  expect(offers.every(({ players }) => players.every(({ hardly }) => hardly === null))).toBe(true);
  expect(Object.keys(own)).toHaveLength(1);
});

test('a reader sees what is written after it was opened, and writes nothing itself', async () => {
  const before = (await work('lines', reader)) as object;
  const { models } = database;
  const putts = await models.putt.count();
  expect(await reader.models.putt.count()).toBe(putts);
  const [run] = await models.run.findAll({ limit: 1, order: [['id', 'ASC']] });
  await models.putt.create({
    ...{ id: '0b2c6b0e-6f0a-4a0e-9c70-222222222222', runId: run!.id, position: 9999 },
    ...{ outcomes: {}, at: new Date(), savedAt: new Date() },
  });
  // As all that records does.
  await models.run.increment('revision', { where: { id: run!.id } });
  expect(await reader.models.putt.count()).toBe(putts + 1);
  expect(Object.keys(before).length).toBeGreaterThan(0);
  expect(() => reader.change(head, 'nothing', async () => null)).toThrow('read-only');
  await expect(reader.models.putt.destroy({ where: {} })).rejects.toThrow(/READONLY/);
});

test('an assistant is told nothing of students who are not shared with them', async () => {
  const { models } = database;
  const assistant = await models.coach.findOne({ where: { role: 'assistant' } });
  const as: CoachPrincipal = { as: 'assistant', coachId: assistant!.id, deviceId: null };
  await models.share.update({ endedAt: new Date() }, { where: {}, hooks: false });
  expect(await work('lines', reader, as)).toEqual({});
  await expect(work('student', reader, as)).rejects.toThrow('student does not exist');
});

const bytesOf = async (stream: ReadableStream<Uint8Array>) =>
  new Uint8Array(await new Response(stream).arrayBuffer());

/** Lines one by one, as they are read from a file. */
async function* linesOf(pieces: AsyncIterable<string>): AsyncGenerator<string> {
  for await (const piece of pieces) yield* piece.split('\n');
}

describe('all that is taken out', () => {
  test('is a whole book: taken into an empty file, every score is the same to the last digit', async () => {
    const empty = await openDatabase(join(folder, 'empty.db'));
    const { rows } = await takeBook(empty, linesOf(bookLines(reader)));
    expect(rows).toBeGreaterThan(1000);
    const other = await headCoach(empty);
    expect(other.coachId).toBe(head.coachId);
    for (const { id } of await listStudents(reader, head)) {
      const [here, there] = await Promise.all([
        WORKS.scores(reader, head, { studentId: id }),
        WORKS.scores(empty, other, { studentId: id }),
      ]);
      expect(there).toEqual(here);
    }
    // And so is what a second book says, but for the doors that were left behind.
    const [first, second] = await Promise.all([
      textOf(bookLines(reader)),
      textOf(bookLines(empty)),
    ]);
    expect(second.split('\n').sort()).toEqual(first.split('\n').sort());
    await expect(takeBook(empty, linesOf(bookLines(reader)))).rejects.toThrow('already');
    await empty.close();
  });

  test('one odd row is reported, and ends nothing', async () => {
    const odd = join(folder, 'odd.db');
    await reader.read.all(`VACUUM INTO '${odd}'`);
    const there = await openDatabase(odd);
    const sessions = await there.models.session.count();
    const [run] = await there.models.run.findAll({ limit: 1 });
    await there.directly(async () => {
      // A layout that no version reads, and a name longer than any that can be typed.
      await there.write.all(`UPDATE run SET layout = '{"odd":true}' WHERE id = $id`, {
        $id: run!.id,
      });
      await there.write.all('UPDATE student SET name = $name WHERE id = $id', {
        $name: 'N'.repeat(100),
        $id: (await there.models.student.findOne())!.id,
      });
    });
    const parts = await partsOf(there, head, { whole: false, writing: 'csv' }, new Date());
    const files = unzipSync(await bytesOf(zipped(parts)));
    const rowsIn = (name: string) =>
      Papa.parse<Record<string, string>>(strFromU8(files[name]!), {
        header: true,
        skipEmptyLines: true,
      }).data;
    expect(rowsIn('students.csv').some(({ name }) => name === 'N'.repeat(100))).toBe(true);
    expect(rowsIn('sessions.csv')).toHaveLength(sessions - 1);
    const [problem, ...more] = strFromU8(files['problems.jsonl']!).trim().split('\n');
    expect(more).toEqual([]);
    expect(JSON.parse(problem!)).toMatchObject({
      table: 'session',
      id: run!.sessionId,
      rows: { run: expect.arrayContaining([expect.objectContaining({ id: run!.id })]) },
    });
    await there.close();
  });

  test('half a book is taken in not at all', async () => {
    const empty = await openDatabase(join(folder, 'half.db'));
    const text = await textOf(bookLines(reader));
    const half = text.slice(0, Math.floor(text.length / 2));
    const taking = takeBook(empty, linesOf(one(half)));
    await expect(taking).rejects.toThrow('not a row in JSON');
    expect(await listStudents(empty, await headCoach(empty))).toEqual([]);
    const strange = one('{"book":1,"migration":"000-none"}\n');
    await expect(takeBook(empty, linesOf(strange))).rejects.toThrow('not from this version');
    await empty.close();
  });

  test('is read by its schema alone, by another program, which finds the same numbers', async () => {
    const parts = await partsOf(
      reader,
      head,
      { whole: false, writing: 'csv' },
      new Date('2026-11-20T12:00:00Z'),
    );
    const file = join(folder, 'export.zip');
    await writeFile(file, await bytesOf(zipped(parts)));
    const { stdout, stderr } = spawnSync('python3', ['tests/read_export.py', file]);
    expect(String(stderr)).toBe('');
    const read = JSON.parse(String(stdout)) as {
      putts: number;
      passed: number;
      cards: number;
      putters: Record<string, string>;
      windows: Record<string, number>;
    };
    let [putts, passed, cards] = [0, 0, 0];
    for await (const batch of sessionBatches(reader, head, {})) {
      for (const run of batch.flatMap(({ runs }) => runs)) {
        const passes = judge(run.layout);
        const own = counted(run.putts);
        putts += own.length;
        cards += run.marks.filter(({ mark }) => mark.type === 'card').length;
        passed += own.filter(({ outcomes }) => passes(outcomes)).length;
      }
    }
    expect(read.putts).toBe(putts);
    expect(read.passed).toBe(passed);
    expect(read.cards).toBe(cards);
    expect(cards).toBeGreaterThan(0);
    const students = await listStudents(reader, head);
    for (const { id, name } of students) {
      const scores = await WORKS.scores(reader, head, { studentId: id });
      const last = scores.at(-1);
      const [putter] = await listPutters(reader, head, id);
      expect(read.putters[name]).toBe(putter!.name);
      if (last) expect(read.windows[name]).toBe(last.carried.start.window.middle);
    }
    expect(Object.keys(read.windows).length).toBeGreaterThan(3);
  });

  test('makes a name that a spreadsheet would reckon with harmless, and is cut to what was asked for', async () => {
    const values = (await listStudents(database, head))[0]!;
    const name = '=HYPERLINK("http://x","y")';
    await addStudent(database, head, { ...values, name });
    const files = unzipSync(
      await bytesOf(
        zipped(
          (await partsOf(reader, head, { whole: false, writing: 'csv' }, new Date())).slice(0, 3),
        ),
      ),
    );
    const cells = Papa.parse<string[]>(strFromU8(files['students.csv']!).trim()).data.flat();
    expect(cells.some((cell) => cell.includes('HYPERLINK'))).toBe(true);
    expect(cells.filter((cell) => /^[=+@\t\r]/.test(cell))).toEqual([]);
    const from = new Date('2026-10-01T00:00:00');
    const some = unzipSync(
      await bytesOf(
        zipped(
          await partsOf(
            reader,
            head,
            { whole: false, writing: 'jsonl', studentId: values.id, from },
            new Date(),
          ),
        ),
      ),
    );
    const rows = strFromU8(some['sessions.jsonl']!)
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, string>);
    expect(rows.length).toBeGreaterThan(0);
    for (const row of rows) {
      expect(row.student).toBe(values.id);
      expect(new Date(row.started_at!).getTime()).toBeGreaterThanOrEqual(from.getTime());
    }
    expect(Object.keys(some)).not.toContain('book.jsonl');
  });
});

async function textOf(pieces: AsyncIterable<string>): Promise<string> {
  let text = '';
  for await (const piece of pieces) text += piece;
  return text;
}
async function* one(text: string): AsyncGenerator<string> {
  yield text;
}
