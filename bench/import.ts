import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { guessMapping } from '@/core/table';
import { headCoach, openDatabase } from '@/data';
import { rowsOf, tableFile } from '../src/features/import/table-file';
import { checkFile, takeFile } from '../src/features/import/take';

/** How long a file of a hundred thousand putts takes to come in, and what memory it needs. */
const ROWS = Number(process.env.ROWS ?? 100_000);

const megabytes = () => Math.round(process.memoryUsage().rss / 1024 / 1024);

async function main(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'dirigo-import-'));
  const path = join(folder, 'year.csv');
  const rows = Array.from({ length: ROWS }, (_, i) => {
    const day = new Date(Date.UTC(2024, 0, 1 + Math.floor(i / 500))).toISOString().slice(0, 10);
    const z = (k: number) => (Math.sin(i * k) * 2).toFixed(3);
    return `Player ${i % 5},${day},${z(1)},${z(2)},${z(3)},${z(5)},note ${i}`;
  });
  writeFileSync(
    path,
    `player,date,face (deg),path (deg),strike (mm),rise (deg),note\n${rows.join('\n')}\n`,
  );
  rows.length = 0;
  const database = await openDatabase(join(folder, 'coach.db'));
  const principal = await headCoach(database);
  const file = await tableFile(path);
  const first = (await rowsOf(file).next()).value as string[][];
  const mapping = { ...guessMapping(first.slice(0, 40)).mapping, addStudents: true };
  const before = megabytes();
  let most = before;
  const watch = setInterval(() => (most = Math.max(most, megabytes())), 50);
  const timed = async <T>(name: string, work: () => Promise<T>): Promise<T> => {
    const begun = performance.now();
    const done = await work();
    console.log(`${name}: ${((performance.now() - begun) / 1000).toFixed(1)} s`);
    return done;
  };
  const checked = await timed('looked through', () =>
    checkFile(database, principal, file, mapping, 'year'),
  );
  const taken = await timed('taken in', () =>
    takeFile(database, principal, file, mapping, 'year', () => undefined),
  );
  clearInterval(watch);
  console.log(
    `${checked.fresh} new of ${checked.rows} rows; ${taken.putts} putts in ${taken.sessions} sessions; memory ${before} to at most ${most} MB`,
  );
  await database.close();
  rmSync(folder, { recursive: true });
}

void main();
