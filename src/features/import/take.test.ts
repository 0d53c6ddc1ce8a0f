import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { guessMapping, type Mapping } from '@/core/table';
import { scoreHistory } from '@/core/scoring';
import { DEGREE } from '@/core/units';
import {
  addDrill,
  addStudent,
  counted,
  listImports,
  listSessions,
  listStudents,
  toLogged,
  undoImport,
} from '@/data';
import { TEST_STUDENT, openTestBook, stranger, type TestBook } from '@/data/test-book';
import { libraryDrill } from '@/core/drill';
import { rowsOf, tableFile } from './table-file';
import { checkFile, takeFile } from './take';

jest.mock('server-only', () => ({}));

let book: TestBook;
let ama: string;

beforeEach(async () => {
  book = await openTestBook();
  ama = await addStudent(book.database, book.principal, { ...TEST_STUDENT, name: 'Ama Lock' });
});
afterEach(() => book.close());

async function written(text: string | Buffer, name = 'old.csv') {
  const path = join(book.folder, name);
  await writeFile(path, text);
  const file = await tableFile(path);
  const rows: string[][] = [];
  for await (const batch of rowsOf(file)) rows.push(...batch);
  return { file, rows, mapping: guessMapping(rows.slice(0, 30)).mapping };
}

const OLD = `Player;Date;Face (deg);Path (deg);Result;Note
Ama Lock;03.10.2025;0,4;-1,2;left;
ama lock;03.10.2025;-0,2;0,7;clear;=SUM(A1)
Ama Lock;13.10.2025;0,1;0,2;clear;
Nobody Here;13.10.2025;0,1;0,2;clear;
Ama Lock;13.10.2025;open;0,2;clear;
Ama Lock;13.10.2035;0,1;0,2;clear;
`;

const check = (file: Awaited<ReturnType<typeof tableFile>>, mapping: Mapping) =>
  checkFile(book.database, book.principal, file, mapping, 'old.csv');
const take = (
  file: Awaited<ReturnType<typeof tableFile>>,
  mapping: Mapping,
  told: (putts: number) => void = () => undefined,
) => takeFile(book.database, book.principal, file, mapping, 'old.csv', told);

async function gateDrill(): Promise<string> {
  const { name, layout, key: origin, ...details } = libraryDrill('straight-gate')!;
  const kept = { name, layout, details, origin };
  return addDrill(book.database, book.principal, kept, new Date());
}

test('a spreadsheet of an old year: looked through, taken in, taken in again, and taken back as one', async () => {
  const { file, mapping } = await written(OLD);
  expect(file).toMatchObject({ format: 'table', delimiter: ';', encoding: 'utf8' });
  const own = { ...mapping, drillId: await gateDrill() };
  const checked = await check(file, own);
  expect(checked).toMatchObject({
    rows: 6,
    fresh: 3,
    doubled: 0,
    refused: 3,
    students: 1,
    days: 2,
  });
  expect(checked.reasons).toEqual([
    { row: 5, reason: '“Nobody Here” is not a student here.' },
    { row: 6, reason: 'Face: “open” is not a number, or its unit does not fit.' },
    { row: 7, reason: '2035-10-13 is in the future.' },
  ]);
  const taken = await take(file, own);
  expect(taken).toMatchObject({ putts: 3, sessions: 2 });
  const sessions = await listSessions(book.database, book.principal, { studentId: ama });
  expect(sessions.map(({ startedAt }) => startedAt.toDateString())).toEqual([
    'Mon Oct 13 2025',
    'Fri Oct 03 2025',
  ]);
  const [first, second] = counted(sessions[1]!.runs[0]!.putts);
  // Open, for a left-hander, is left of the line.
  expect(first!.measured.face).toEqual({ value: -0.4 * DEGREE, by: 'old.csv' });
  // What the file says was seen stays, whatever the reading would make of it.
  expect(Object.values(first!.outcomes)).toEqual(['left']);
  expect(first!.filled).toEqual([]);
  expect(second!.note).toBe('=SUM(A1)');
  expect(scoreHistory(sessions.map(toLogged)).map(({ basis }) => basis.face)).toEqual([2, 1]);
  expect(second!.at.getTime() - first!.at.getTime()).toBe(1000);

  expect(await check(file, own)).toMatchObject({ fresh: 0, doubled: 3 });
  await expect(take(file, own)).rejects.toThrow('already here');
  expect(await listImports(book.database, book.principal)).toHaveLength(1);

  await expect(undoImport(book.database, stranger(), taken.id, new Date())).rejects.toThrow(
    'import',
  );
  await undoImport(book.database, book.principal, taken.id, new Date());
  expect(await listSessions(book.database, book.principal)).toEqual([]);
  await expect(undoImport(book.database, book.principal, taken.id, new Date())).rejects.toThrow();
  expect(await take(file, own)).toMatchObject({ putts: 3 });
});

test('stopped in the middle, nothing of it is left, and nobody saw half of it', async () => {
  const rows = Array.from(
    { length: 3000 },
    (_, i) => `New Player ${i % 7},2025-10-${10 + (i % 9)},${i / 5000}`,
  );
  const { file, mapping } = await written(`player,date,face (deg)\n${rows.join('\n')}\n`);
  const own = { ...mapping, addStudents: true };
  expect(await check(file, own)).toMatchObject({ fresh: 3000, students: 7 });
  const seen: number[] = [];
  const stopped = take(file, own, (putts) => {
    if (putts > 1000) throw new Error('enough');
  });
  const looking = (async () => {
    for (let time = 0; time < 20; time++) {
      seen.push((await listSessions(book.database, book.principal)).length);
    }
  })();
  await expect(stopped).rejects.toThrow('enough');
  await looking;
  expect(new Set(seen)).toEqual(new Set([0]));
  const { putt, run, session } = book.database.models;
  expect([await putt.count(), await run.count(), await session.count()]).toEqual([0, 0, 0]);
  expect(await listStudents(book.database, book.principal)).toHaveLength(1);
  expect(await take(file, own)).toMatchObject({ putts: 3000, sessions: 63 });
  expect(await check(file, { ...own, addStudents: false })).toMatchObject({
    fresh: 0,
    doubled: 3000,
  });
});

test('lines of JSON and a list of it are the same as a table, whatever is nested', async () => {
  const putts = [
    { student: 'Ama Lock', at: '2025-10-03T14:05:00', read: { face: 0.4, rise: 2.1 } },
    { student: 'Ama Lock', at: '2025-10-03T14:06:00', read: { face: 0.1, rise: 1.9 } },
  ];
  const list = await written(JSON.stringify(putts), 'putts.json');
  const lines = await written(
    `${putts.map((one) => JSON.stringify(one)).join('\n')}\n{"student": "Ama Lo`,
    'putts.jsonl',
  );
  expect(list.mapping.columns.map(({ target }) => target)).toEqual([
    'student',
    'when',
    'face',
    'rise',
  ]);
  expect(lines.rows.slice(0, 3)).toEqual(list.rows);
  expect(await check(lines.file, lines.mapping)).toMatchObject({ fresh: 2, refused: 1 });
  await take(list.file, list.mapping);
  // Where nobody says on which drill, the readings alone are scored.
  const sessions = await listSessions(book.database, book.principal);
  const [score] = scoreHistory(sessions.map(toLogged));
  expect(score!.basis).toMatchObject({ face: 2, rise: 2, start: 2, path: 0 });
  expect(await check(lines.file, lines.mapping)).toMatchObject({ fresh: 0, doubled: 2 });
});

test('what is no table is refused in a sentence', async () => {
  const refused = async (content: string | Buffer): Promise<string> =>
    written(content, 'odd').then(
      () => 'taken',
      (error: Error) => error.message,
    );
  expect(await refused('')).toContain('empty');
  expect(await refused(Buffer.from([0x50, 0x4b, 3, 4, 0, 0]))).toContain('ZIP archive');
  expect(await refused(Buffer.from([0x1f, 0x8b, 8, 0, 0, 0]))).toContain('gzip');
  expect(await refused(Buffer.from([1, 0, 2, 0, 0, 3]))).toContain('not a text file');
  expect(await refused('one\ntwo\nthree\n')).toContain('columns could not be separated');
  expect(await refused(`${'a,'.repeat(1000)}a\n`)).toContain(
    '1001 columns, which is too many: use at most 200',
  );
  expect(await refused('[{"face": 1}, {"fa')).toContain('may be incomplete');
  expect(await refused('[]')).toContain('no putt');
});

test('Western letters and UTF-16 are read, and told where they were taken for granted', async () => {
  const table = 'Spieler;Face (°)\nZoë;0,4\n';
  const western = await written(Buffer.from(table, 'latin1'), 'western.csv');
  expect(western.file.notes).toHaveLength(1);
  expect(western.rows[1]![0]).toBe('Zoë');
  const wide = await written(Buffer.from(`\ufeff${table}`, 'utf16le'), 'wide.csv');
  expect(wide.rows).toEqual(western.rows);
  expect(wide.mapping.columns[1]).toEqual({ target: 'face', unit: 'deg', plus: 'open' });
});
