import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import {
  addCoach,
  addPasskey,
  addStudent,
  bookLines,
  coachByPassphrase,
  findPasskey,
  headCoach,
  listStudents,
  lookInBook,
  openDatabase,
  setPassphrase,
  signIn,
  takeBook,
  whoAsks,
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
  expect(await refusedOf(tables)).toContain('Extract putts.csv from the archive');
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
  expect(await refusedOf(bomb, 1024 * 1024)).toContain('larger than 1 MB');
});

it.each([
  [
    'a table that is none of a book',
    (row: object) => ({ table: 'sqlite_master', row }),
    'does not name a table',
  ],
  ['a column that is none', (row: object) => ({ table: 'student', row: { ...row, x: 1 } }), 'fit'],
  ['a row twice', (row: object) => ({ table: 'student', row }), 'does not fit'],
  [
    'a row that names what is not there',
    (row: object) => ({ table: 'student', row: { ...row, id: 'n', coachId: 'nobody' } }),
    'does not fit',
  ],
  ['cells that are no cells', () => ({ table: 'student', row: { id: {} } }), 'not a row in JSON'],
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

/** A full export of the book, after a change to the lines that hold a coach. */
async function withCoach(change: (row: Record<string, unknown>) => object): Promise<string> {
  const lines = (await all(bookLines(book.database))).flatMap((piece) => piece.trim().split('\n'));
  const changed = lines.map((line) => {
    const parsed = JSON.parse(line) as { table?: string; row?: Record<string, unknown> };
    return parsed.table === 'coach'
      ? JSON.stringify({ ...parsed, row: change(parsed.row!) })
      : line;
  });
  return written(zipSync({ 'book.jsonl': strToU8(changed.join('\n')) }));
}

it.each([
  ['broken settings', (row: object) => ({ ...row, settings: '{"units":7}' }), 'coach, settings'],
  ['settings that are no JSON', (row: object) => ({ ...row, settings: '{' }), 'coach, settings'],
  ['no head coach', (row: object) => ({ ...row, role: 'coach' }), 'no head coach'],
  ['an archived head coach', (row: object) => ({ ...row, archivedAt: '2026-01-01' }), 'no head'],
])(
  'a full export with %s is refused when it is looked at, and when it comes in',
  async (_name, change, words) => {
    const path = await withCoach(change);
    await expect(lookInBook(empty, bookIn(path))).rejects.toThrow(words);
    await expect(takeBook(empty, bookIn(path))).rejects.toThrow(words);
    // What was here before is still here, and opens.
    expect(await listStudents(empty, await headCoach(empty))).toEqual([]);
  },
);

it('20 MB of blank lines are refused at once', async () => {
  const octets = zipSync({ 'book.jsonl': strToU8('\n'.repeat(20 * 1024 * 1024)) });
  expect(await refusedOf(octets)).toContain('too many lines');
});

it('people who are here and in the full export stay signed in, with their passkeys and passphrases', async () => {
  const at = new Date('2026-11-26T09:00:00Z');
  const own = await headCoach(empty);
  await addCoach(book.database, book.principal, { name: 'Mees Loods', role: 'coach' });
  const mees = await addCoach(empty, own, { name: 'mees loods', role: 'coach' });
  const gone = await addCoach(empty, own, { name: 'Nobody There', role: 'coach' });
  const secrets = await Promise.all(
    [own.coachId, mees, gone].map((id) => signIn(empty, id, 'link', 'A device', at)),
  );
  await setPassphrase(empty, { ...own, coachId: mees }, 'twelve letters or more');
  const key = { id: 'key-1', publicKey: new Uint8Array([1]), counter: 0, transports: [] };
  await addPasskey(empty, own, key, 'A key', at);
  await takeBook(empty, bookIn(await written(await taken())));
  const [asHead, asMees, asGone] = await Promise.all(
    secrets.map((secret) => whoAsks(empty, secret, at)),
  );
  expect(asHead).toMatchObject({ as: 'head', coachId: book.principal.coachId });
  expect(asMees).toMatchObject({ as: 'coach' });
  expect(asGone).toBeNull();
  expect((await findPasskey(empty, 'key-1'))!.coachId).toBe(book.principal.coachId);
  expect(await coachByPassphrase(empty, 'Mees Loods', 'twelve letters or more')).toBe(
    asMees!.coachId,
  );
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
