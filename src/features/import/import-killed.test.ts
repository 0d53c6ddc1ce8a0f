import { spawn } from 'node:child_process';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { guessMapping } from '@/core/table';
import { addStudent, endImports, openDatabase } from '@/data';
import { TEST_STUDENT, openTestBook, type TestBook } from '@/data/test-book';
import { rowsOf, tableFile } from './table-file';
import { takeFile } from './take';

jest.mock('server-only', () => ({}));

const ROWS = 6000;

let book: TestBook;
beforeEach(async () => {
  book = await openTestBook();
});
afterEach(() => book.close());

/** Imports a file in a process of its own that kills itself once so many putts are in, as a power cut would. */
const killedAfter = (database: string, file: string, coachId: string, putts: number) =>
  new Promise<NodeJS.Signals | null>((resolve) => {
    spawn(
      process.execPath,
      [
        ...['--conditions=react-server', '--import', 'tsx', 'scripts/import-killed.ts'],
        ...[database, file, coachId, String(putts)],
      ],
      { stdio: 'ignore' },
    ).once('exit', (_code, signal) => resolve(signal));
  });

// The fault run kills at twenty points.
test.each([500, 3000, 5500])(
  'an import that was killed after %i putts and is started again has every row, once',
  async (putts) => {
    const { database, principal, folder } = book;
    await addStudent(database, principal, { ...TEST_STUDENT, name: 'Ama Lock' });
    const lines = Array.from(
      { length: ROWS },
      (_, i) => `Ama Lock,2025-10-${String(1 + (i % 28)).padStart(2, '0')},${i / 9000}`,
    );
    const path = join(folder, 'old.csv');
    await writeFile(path, `player,date,face (deg)\n${lines.join('\n')}\n`);
    await database.close();
    expect(await killedAfter(database.path, path, principal.coachId, putts)).toBe('SIGKILL');

    book.database = await openDatabase(database.path);
    expect(await book.database.models.putt.count()).toBeGreaterThanOrEqual(putts);
    const file = await tableFile(path);
    const rows: string[][] = [];
    for await (const batch of rowsOf(file)) rows.push(...batch);
    const { mapping } = guessMapping(rows.slice(0, 30));
    // As the server starts: the clean-up first; the import is asked for at once and waits for it.
    const cleaned = endImports(book.database);
    const taken = await takeFile(
      book.database,
      principal,
      file,
      mapping,
      'old.csv',
      () => undefined,
    );
    await cleaned;
    expect(taken).toMatchObject({ putts: ROWS, sessions: 28 });
    // The next start deletes nothing of it.
    await endImports(book.database);
    const [{ shown, all }] = (await book.database.read.all<{ shown: number; all: number }>(
      `SELECT count(*) AS "all", count(*) FILTER (WHERE session.abandonedAt IS NULL) AS shown
         FROM putt JOIN run ON run.id = putt.runId JOIN session ON session.id = run.sessionId`,
    )) as [{ shown: number; all: number }];
    expect([shown, all]).toEqual([ROWS, ROWS]);
  },
);

test('rows of an import that was never finished are not taken for known', async () => {
  const { database, principal, folder } = book;
  await addStudent(database, principal, { ...TEST_STUDENT, name: 'Ama Lock' });
  const path = join(folder, 'old.csv');
  await writeFile(
    path,
    'player,date,face (deg)\nAma Lock,2025-10-03,0.4\nAma Lock,2025-10-03,0.1\n',
  );
  const file = await tableFile(path);
  const rows: string[][] = [];
  for await (const batch of rowsOf(file)) rows.push(...batch);
  const { mapping } = guessMapping(rows);
  const take = () => takeFile(database, principal, file, mapping, 'old.csv', () => undefined);
  const { id } = await take();
  // As a kill in the middle leaves it: there, hidden, and not finished.
  await database.directly(() =>
    database.write.all('UPDATE import SET undoneAt = at WHERE id = $id', { $id: id }),
  );
  const cleaned = endImports(database);
  expect(await take()).toMatchObject({ putts: 2 });
  await cleaned;
  expect(await database.models.putt.count()).toBe(2);
});
