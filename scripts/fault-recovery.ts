import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { addDays, addHours } from 'date-fns';
import { v4 } from 'uuid';
import { bareDetails } from '@/core/drill';
import { DEFAULT_PUTT } from '@/core/green';
import { ballGateLayout } from '@/core/layout';
import { guessMapping } from '@/core/table';
import {
  addDrill,
  addStudent,
  backupState,
  backupWhenDue,
  checkHealth,
  contentsOf,
  endImports,
  getSession,
  headCoach,
  makeBackup,
  openDatabase,
  recordEvents,
  restore,
  startSession,
  type Database,
} from '@/data';
import { TEST_STUDENT } from '@/data/test-book';
import { rowsOf, tableFile } from '@/features/import/table-file';
import { takeFile } from '@/features/import/take';
import { ownPort } from '../e2e/ports';
import { serve, starterAfterCrash } from '../e2e/server';
import type { FileFault } from './fault-files';

const PORT = ownPort('faults');

/** A database with a session, and so many putts that were acknowledged. */
async function withPutts(file: string, putts: number): Promise<Database> {
  const database = await openDatabase(file);
  const principal = await headCoach(database);
  const now = new Date();
  const studentId = await addStudent(database, principal, { ...TEST_STUDENT, name: 'Ama Lock' });
  const gate = { distance: 0.4572, gap: 0.06, shank: 0.005 };
  const kept = { name: 'Gate', layout: ballGateLayout(DEFAULT_PUTT, gate), details: bareDetails() };
  const drillId = await addDrill(database, principal, kept, now);
  const id = await startSession(database, principal, { studentId, drillId, startedAt: now });
  const [run] = (await getSession(database, principal, id)).runs;
  for (let putt = 0; putt < putts; putt++) {
    const event = { type: 'putt' as const, id: v4(), outcomes: { gate: 'clear' }, at: now };
    await recordEvents(database, principal, run!.id, [event], now);
  }
  return database;
}

async function restoreBack(file: string) {
  const at = new Date();
  const database = await withPutts(file, 0);
  const backup = await makeBackup(file, at);
  await database.close();
  rmSync(file);
  const full = await withPutts(file, 20);
  const { putts } = await contentsOf(file);
  // As a kill leaves it: the newest rows lie in the second file.
  const kept = `${file}.kept`;
  for (const ending of ['', '-wal']) copyFileSync(file + ending, kept + ending);
  await full.close();
  await restore(file, backup.file, addHours(at, 1));
  const { contents } = await restore(file, kept, addHours(at, 2));
  return { said: `${contents.putts} of ${putts} putts`, ok: contents.putts === putts };
}

async function stopped(file: string) {
  await (await withPutts(file, 200)).close();
  const server = await serve(PORT, file);
  const session = await fetch(`${server.url}/students`);
  const began = process.hrtime.bigint();
  process.kill(server.pid, 'SIGTERM');
  const code = await server.ended();
  const seconds = Number(process.hrtime.bigint() - began) / 1e9;
  const files = readdirSync(dirname(file)).filter((name) => /^coach\.db(-|$)/.test(name));
  return {
    said: `exit ${code} after ${seconds.toFixed(1)} s, ${files.length} file, ${session.status} before`,
    ok: code === 0 && seconds < 5 && files.length === 1,
  };
}

async function clockAhead(file: string) {
  const at = new Date();
  const database = await withPutts(file, 1);
  await makeBackup(file, addDays(at, 30));
  let hours = 0;
  while (hours < 48 && !(await backupWhenDue(file, addHours(at, hours)))) hours += 1;
  await database.close();
  return { said: `the next backup after ${hours} h`, ok: hours === 0 };
}

async function diskFull(file: string) {
  const database = await withPutts(file, 1);
  writeFileSync(join(dirname(file), 'copies'), '');
  mkdirSync(`${file}.copies.json.part`);
  const refused = await makeBackup(file, new Date()).then(
    () => false,
    () => true,
  );
  const { failed } = await backupState(file);
  const { ok } = await checkHealth(database, file, new Date());
  await database.close();
  return {
    said: `${failed ? 'told under Today' : 'NOT TOLD'}, health check ${ok ? 'GOOD' : '503'}`,
    ok: refused && failed !== null && !ok,
  };
}

async function starterCode(file: string) {
  const code = await starterAfterCrash(PORT, file);
  return { said: `exit ${code}`, ok: code === 1 };
}

const ROWS = 4000;
const POINTS = 20;

/** Imports the same file after a kill at so many points. */
async function importKilled(file: string) {
  let [whole, killed] = [0, 0];
  for (let point = 0; point < POINTS; point++) {
    for (const ending of ['', '-wal', '-shm']) rmSync(file + ending, { force: true });
    const database = await openDatabase(file);
    const principal = await headCoach(database);
    await addStudent(database, principal, { ...TEST_STUDENT, name: 'Ama Lock' });
    await database.close();
    const table = `${file}.csv`;
    const lines = Array.from(
      { length: ROWS },
      (_, i) => `Ama Lock,2025-10-${String(1 + (i % 28)).padStart(2, '0')},${i / 9000}`,
    );
    writeFileSync(table, `player,date,face (deg)\n${lines.join('\n')}\n`);
    const { signal } = spawnSync(process.execPath, [
      ...['--conditions=react-server', '--import', 'tsx', 'scripts/import-killed.ts'],
      ...[file, table, principal.coachId, String(1 + Math.floor((ROWS * point) / POINTS))],
    ]);
    if (signal === 'SIGKILL') killed += 1;
    const again = await openDatabase(file);
    const cleaned = endImports(again);
    const read = await tableFile(table);
    const { value: rows } = await rowsOf(read).next();
    const { mapping } = guessMapping(rows!.slice(0, 30));
    await takeFile(again, principal, read, mapping, 'old.csv', () => undefined);
    await cleaned;
    await endImports(again);
    const [{ shown }] = (await again.read.all<{ shown: number }>(
      `SELECT count(*) AS shown FROM putt JOIN run ON run.id = putt.runId
         JOIN session ON session.id = run.sessionId WHERE session.abandonedAt IS NULL`,
    )) as [{ shown: number }];
    if (shown === ROWS && (await again.models.putt.count()) === ROWS) whole += 1;
    await again.close();
  }
  return {
    said: `${whole} of ${POINTS} whole, ${killed} killed`,
    ok: whole === POINTS && killed === POINTS,
  };
}

/** What is around a database that once lost putts: restoring, stopping, backing up, importing. */
export const recoveryFaults: FileFault[] = [
  {
    tried: '1: restore a backup, then the file that was kept and still has a second file',
    must: 'all 20 putts',
    run: restoreBack,
  },
  { tried: '2: SIGTERM', must: 'exit 0 within 5 s, one file', run: stopped },
  { tried: '3: the clock a month ahead once', must: 'the next backup at once', run: clockAhead },
  { tried: '4: the disk is full', must: 'told under Today, health check 503', run: diskFull },
  { tried: '12: the server crashes', must: 'the starter ends with 1', run: starterCode },
  {
    tried: `16: an import killed at ${POINTS} points, the same file again`,
    must: 'every row, once',
    run: importKilled,
  },
];

/** The browser tests whose titles are rows of the table. */
const SPECS = ['e2e/stranded.spec.ts', 'e2e/stopping.spec.ts', 'e2e/kept.spec.ts'];

interface Spec {
  title: string;
  ok: boolean;
}
interface Suite {
  specs?: Spec[];
  suites?: Suite[];
}

const specsOf = ({ specs = [], suites = [] }: Suite): Spec[] => [
  ...specs,
  ...suites.flatMap(specsOf),
];

/** Runs the browser tests of what once lost putts or locked somebody out; each is a row. */
export function browserRows(): Spec[] {
  const { stdout } = spawnSync(
    'npx',
    ['playwright', 'test', ...SPECS, '--reporter=json', '--workers=1'],
    { encoding: 'utf8', maxBuffer: 64 * 1024 * 1024 },
  );
  const report = JSON.parse(stdout.slice(stdout.indexOf('{'))) as { suites: Suite[] };
  return report.suites.flatMap(specsOf);
}

/** Rows that unit tests hold: what is tried, the file, and the tests of it by their names. */
const UNIT_ROWS: { tried: string; file: string; names: string }[] = [
  { tried: '1, 10: restores, and what stays revoked', file: 'src/data/restore.test.ts', names: '' },
  {
    tried: '3, 4: clocks, full disks, encryption, rehearsals, health',
    file: 'src/data/backups.test.ts',
    names: 'clock|full|encrypted|rehears|health',
  },
  {
    tried: '6, 17: what waits is sent as its owner’s, and nothing is emptied on a limit',
    file: 'src/features/offline/send-waiting.test.ts',
    names: '',
  },
  {
    tried: '7: a refused event is on the disk before the batch counts as done',
    file: 'src/features/session/queue.test.ts',
    names: 'refuses|shared phone',
  },
  { tried: '8: times of a table', file: 'src/features/import/moment.test.ts', names: '' },
  {
    tried: '9: full exports that come in',
    file: 'src/features/import/archive.test.ts',
    names: 'full export|blank|signed in',
  },
  {
    tried: '9: one odd row in an export',
    file: 'src/features/reckoning/works.test.ts',
    names: 'odd row',
  },
  { tried: '11: mutants of lines', file: 'src/data/lines.test.ts', names: 'undone' },
  { tried: '11: mutants of merge', file: 'src/features/session/merge.test.ts', names: 'anew' },
  { tried: '11: mutants of sessions', file: 'src/data/data.test.ts', names: 'only sees' },
  { tried: '13: erased names', file: 'src/data/rights.test.ts', names: 'name' },
  { tried: '18: pictures', file: 'src/features/home/clean-photo.test.ts', names: '' },
  {
    tried: 'who is slowed down, and who never is',
    file: 'src/features/sign-in/sign-in-delay.test.ts',
    names: '',
  },
  { tried: 'odd requests, proxies, connections, keys', file: 'tests/server.test.ts', names: '' },
];

interface UnitReport {
  numPassedTests: number;
  numFailedTests: number;
}

/** Runs the unit tests of what once lost data or locked somebody out, a row for each. */
export function unitRows(): { tried: string; said: string; ok: boolean }[] {
  return UNIT_ROWS.map(({ tried, file, names }) => {
    const { stdout } = spawnSync('npx', ['jest', file, '-t', names, '--json', '--silent'], {
      encoding: 'utf8',
      maxBuffer: 64 * 1024 * 1024,
    });
    const { numPassedTests: passed, numFailedTests: failed } = JSON.parse(stdout) as UnitReport;
    return {
      tried,
      said: `${passed} of ${passed + failed} tests pass`,
      ok: failed === 0 && passed > 0,
    };
  });
}
