import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import {
  addStudent,
  bookLines,
  headCoach,
  listStudents,
  lookInBook,
  openDatabase,
  takeBook,
  type Database,
} from '@/data';
import { TEST_STUDENT, openTestBook, type TestBook } from '@/data/test-book';
import { zipped } from '../export/package';
import { bookIn, isArchive } from './archive';

jest.mock('server-only', () => ({}));

let book: TestBook;
let empty: Database;

beforeEach(async () => {
  book = await openTestBook();
  await addStudent(book.database, book.principal, { ...TEST_STUDENT, name: 'Åse Lock' });
  await addStudent(book.database, book.principal, { ...TEST_STUDENT, name: 'Wren Quay' });
  empty = await openDatabase(join(book.folder, 'empty.db'));
});
afterEach(async () => {
  await empty.close();
  await book.close();
});

async function written(octets: Uint8Array): Promise<string> {
  const path = join(book.folder, 'out.zip');
  await writeFile(path, octets);
  return path;
}

async function all(lines: AsyncIterable<string>): Promise<string[]> {
  const read: string[] = [];
  for await (const line of lines) read.push(line);
  return read;
}

/** As Dirigo makes it: streamed, the book behind the tables. */
async function taken(): Promise<Uint8Array> {
  async function* text(what: string) {
    yield what;
  }
  const parts = [
    { name: 'datapackage.json', text: text('{}') },
    { name: 'putts.csv', text: text('putt,run\n'.repeat(2000)) },
    { name: 'book.jsonl', text: bookLines(book.database) },
  ];
  return new Uint8Array(await new Response(zipped(parts)).arrayBuffer());
}

const refusedOf = (octets: Uint8Array, most?: number) =>
  written(octets)
    .then((path) => all(bookIn(path, most)))
    .then(
      () => 'taken',
      (error: Error) => error.message,
    );

it('a whole book is found in what was taken out, told before it comes in, and comes in whole', async () => {
  const path = await written(await taken());
  expect(await isArchive(path)).toBe(true);
  expect(await lookInBook(empty, bookIn(path))).toEqual({
    ...{ students: 2, sessions: 0, putts: 0, newest: null, earlier: false, room: true },
  });
  expect(await lookInBook(book.database, bookIn(path))).toMatchObject({ room: false });
  await takeBook(empty, bookIn(path));
  const names = (await listStudents(empty, await headCoach(empty))).map(({ name }) => name);
  expect(names.sort()).toEqual(['Wren Quay', 'Åse Lock']);
});

it('lines are the same whatever letters they hold and wherever the pieces of the file end', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.string({ unit: 'grapheme', maxLength: 60 }), { minLength: 1, maxLength: 40 }),
      fc.integer({ min: 0, max: 9 }),
      async (texts, level) => {
        const lines = texts.map((text) => JSON.stringify(text));
        const path = await written(
          zipSync(
            { 'putts.csv': strToU8('x'), 'book.jsonl': strToU8(lines.join('\n')) },
            { level: level as 0 },
          ),
        );
        expect(await all(bookIn(path))).toEqual(lines);
      },
    ),
    { numRuns: 60 },
  );
});

it('what is no whole book is told with what to do', async () => {
  const tables = zipSync({ 'datapackage.json': strToU8('{}'), 'putts.csv': strToU8('putt\n') });
  expect(await refusedOf(tables)).toContain('Take putts.csv out of it');
  const workbook = zipSync({ '[Content_Types].xml': strToU8('<x/>') });
  expect(await refusedOf(workbook)).toContain('Save the sheet as CSV');
  expect(await isArchive(await written(strToU8('Player;Date\n')))).toBe(false);
  expect(await isArchive(await written(strToU8('')))).toBe(false);
});

it('one that is cut off, damaged, or far larger than it looks is refused', async () => {
  const whole = await taken();
  const lines = await all(bookIn(await written(whole)));
  let refused = 0;
  for (let share = 0.02; share < 1; share += 0.02) {
    const path = await written(whole.slice(0, Math.floor(share * whole.length)));
    const read = await all(bookIn(path)).catch((error: Error) => error.message);
    if (typeof read === 'string') refused += 1;
    // Where only what stands behind the book is cut off, it is all there.
    else expect(read).toEqual(lines);
  }
  expect(refused).toBeGreaterThan(30);
  const bomb = zipSync({ 'book.jsonl': new Uint8Array(3 * 1024 * 1024) });
  expect(bomb.length).toBeLessThan(10_000);
  expect(await refusedOf(bomb, 1024 * 1024)).toContain('more than 1 MB');
});

it.each([
  [
    'a table that is none of a book',
    (row: object) => ({ table: 'sqlite_master', row }),
    'no table',
  ],
  ['a column that is none', (row: object) => ({ table: 'student', row: { ...row, x: 1 } }), 'fit'],
  ['a row twice', (row: object) => ({ table: 'student', row }), 'does not fit'],
  [
    'a row that names what is not there',
    (row: object) => ({ table: 'student', row: { ...row, id: 'n', coachId: 'nobody' } }),
    'does not fit',
  ],
  ['cells that are no cells', () => ({ table: 'student', row: { id: {} } }), 'no JSON of a row'],
])('%s comes in not at all, and nothing else of it', async (_name, bad, words) => {
  const lines = (await all(bookLines(book.database))).flatMap((piece) => piece.trim().split('\n'));
  const student = lines.find((line) => line.includes('"table":"student"'))!;
  const { row } = JSON.parse(student) as { row: object };
  const octets = zipSync({
    'book.jsonl': strToU8([...lines, JSON.stringify(bad(row))].join('\n')),
  });
  const path = await written(octets);
  await expect(takeBook(empty, bookIn(path))).rejects.toThrow(words);
  expect(await listStudents(empty, await headCoach(empty))).toEqual([]);
});

it('who has it stopped on the way has nothing of it', async () => {
  const students = Array.from({ length: 600 }, (_, i) => ({ ...TEST_STUDENT, name: `Crew ${i}` }));
  for (const one of students) await addStudent(book.database, book.principal, one);
  const told: number[] = [];
  const stop = (putts: number) => {
    told.push(putts);
    throw new Error('stopped');
  };
  await expect(takeBook(empty, bookIn(await written(await taken())), stop)).rejects.toThrow(
    'stopped',
  );
  expect(told).toHaveLength(1);
  expect(await listStudents(empty, await headCoach(empty))).toEqual([]);
});
