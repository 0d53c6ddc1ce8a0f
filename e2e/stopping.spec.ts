import { existsSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { request as httpRequest } from 'node:http';
import { connect, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v4 } from 'uuid';
import {
  addStudent,
  contentsOf,
  headCoach,
  makeLink,
  openDatabase,
  signIn,
  type Database,
} from '@/data';
import { STANDARD_FITTING, type StudentValues } from '@/core/people';
import { ownPort } from './ports';
import { serve, starterAfterCrash, type OwnServer } from './server';
import { expect, test } from './test';

const PORT = ownPort('stopping');
const HOME = 'home.wharf.example';
const STUDENT: StudentValues = {
  name: 'Stopped Weir',
  hand: 'right',
  level: 'steady',
  seated: false,
  notes: '',
  school: 'arc',
  groups: '',
  kit: [],
  putter: STANDARD_FITTING,
};

let folder: string;
let file: string;
let server: OwnServer | undefined;
test.beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'dirigo-stopping-'));
  file = join(folder, 'coach.db');
});
test.afterEach(async () => {
  await server?.kill();
  rmSync(folder, { recursive: true, force: true });
});

interface Answer {
  status: number;
  text: string;
  headers: Record<string, string | string[] | undefined>;
}

/** One request, just as it is written: no client mends its path or its headers. */
const ask = (
  path: string,
  { method = 'GET', headers = {} }: { method?: string; headers?: Record<string, string> } = {},
): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const sent = httpRequest(
      { host: '127.0.0.1', port: PORT, path, method, headers, agent: false },
      (response) => {
        let text = '';
        response.on('data', (part: Buffer) => (text += String(part)));
        response.on('end', () =>
          resolve({ status: response.statusCode!, text, headers: response.headers }),
        );
      },
    );
    sent.once('error', reject);
    sent.end();
  });

/** Does something with the database while the server has it too. */
async function beside<T>(work: (database: Database) => Promise<T>): Promise<T> {
  const database = await openDatabase(file);
  try {
    return await work(database);
  } finally {
    await database.close();
  }
}

test('told to stop, the server finishes, leaves one file and ends with 0', async ({ browser }) => {
  server = await serve(PORT, file);
  const page = await (await browser.newContext({ baseURL: server.url })).newPage();
  await page.goto('/students/new');
  await page.getByLabel('Name', { exact: true }).fill('Stopped Weir');
  await page.getByRole('button', { name: 'Add student' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Stopped Weir' })).toBeVisible();
  expect(existsSync(`${file}-wal`)).toBe(true);
  process.kill(server.pid, 'SIGTERM');
  expect(await server.ended()).toBe(0);
  const own = readdirSync(folder).filter((name) => /^coach\.db(-|$)/.test(name));
  expect(own).toEqual(['coach.db']);
  expect((await contentsOf(file)).students).toBe(1);
});

test('the starter ends as the server does, so that a supervisor starts it again', async () => {
  expect(await starterAfterCrash(PORT, file)).toBe(1);
});

test('the health check tells of the database, the backups and the jobs, under any name', async () => {
  server = await serve(PORT, file);
  await expect(async () => {
    const { status, text } = await ask('/health', { headers: { host: 'monitor.example' } });
    expect(status).toBe(200);
    expect(JSON.parse(text)).toMatchObject({
      ok: true,
      version: expect.stringMatching(/^\d+\.\d+/),
      database: { readable: true, writable: true },
      backup: { failed: false },
      jobs: { computations: 0, imports: 0 },
    });
    expect(text).not.toContain(folder);
  }).toPass({ timeout: 60_000 });
  await server.kill();
  // A day later, before the next backup is made.
  server = await serve(PORT, file, { ahead: 25 * 3_600_000 });
  const late = await ask('/health');
  expect(late.status).toBe(503);
  expect(JSON.parse(late.text)).toMatchObject({ ok: false, database: { readable: true } });
});

test('odd requests get a plain answer, and the host is looked at before anything is redirected', async () => {
  server = await serve(PORT, file);
  for (const path of [
    '/%E0%A4%A',
    '/students/%E0%A4%A',
    '/home/%ff',
    '//elsewhere.example/x',
    '*',
  ]) {
    const { status, text } = await ask(path);
    expect(status, path).toBe(400);
    expect(text).not.toMatch(/at .*\.(m?js|ts):\d+/);
  }
  for (const method of ['OPTIONS', 'TRACE', 'PUT', 'DELETE', 'PATCH']) {
    const { status, headers, text } = await ask('/', { method });
    expect([status, headers.allow], method).toEqual([405, 'GET, HEAD, POST']);
    expect(text).not.toMatch(/at .*\.(m?js|ts):\d+/);
  }
  // The framework would take the slash away, whoever asks.
  const foreign = await ask('/students/', { headers: { host: 'elsewhere.example' } });
  expect([foreign.status, foreign.headers.location]).toEqual([403, undefined]);
  // What holds much is not fetched by another site's page.
  for (const path of [
    '/students/x/report/pdf',
    '/programme/hours/x/sheet/pdf',
    '/records/backup',
  ]) {
    const { status } = await ask(path, { headers: { 'sec-fetch-site': 'cross-site' } });
    expect(status, path).toBe(403);
  }
});

test('many idle connections from elsewhere hold nobody up', async () => {
  server = await serve(PORT, file);
  const idle: Socket[] = [];
  const open = () =>
    new Promise<void>((resolve) => {
      const socket = connect(PORT, '127.0.0.1', resolve);
      socket.on('error', () => undefined);
      idle.push(socket);
    });
  for (let some = 0; some < 520; some++) await open();
  const statuses = await Promise.all(Array.from({ length: 20 }, () => ask('/build')));
  expect(statuses.map(({ status }) => status)).toEqual(Array<number>(20).fill(200));
  idle.forEach((socket) => socket.destroy());
});

test('a valid link opens, whatever its address has tried; a revoked one says so, and too many are slowed down', async () => {
  server = await serve(PORT, file, { env: { DIRIGO_OPEN: '0', DIRIGO_HOME: HOME } });
  const link = await beside(async (database) => {
    const head = await headCoach(database);
    const id = await addStudent(database, head, STUDENT);
    const ended = await makeLink(database, head, id, new Date());
    return { ended, stands: await makeLink(database, head, id, new Date()) };
  });
  let slowed: Answer | undefined;
  for (let tries = 0; tries < 40 && !slowed; tries++) {
    const answer = await ask(`/home/${v4()}/kept`);
    if (answer.status === 429) slowed = answer;
    else expect(answer.status).toBe(404);
  }
  expect(Number(slowed!.headers['retry-after'])).toBeGreaterThan(0);
  expect(JSON.parse(slowed!.text)).toMatchObject({ code: 'slow' });
  // All of them through one tunnel, under the students' own name: whoever has a link gets in.
  const forwarded = { host: HOME, 'x-forwarded-for': '10.1.2.3', 'x-forwarded-proto': 'https' };
  for (const headers of [{}, forwarded]) {
    expect((await ask(`/home/${link.stands}/kept`, { headers })).status).toBe(200);
  }
  const revoked = await ask(`/home/${link.ended}/kept`);
  expect([revoked.status, (JSON.parse(revoked.text) as { code: string }).code]).toEqual([
    410,
    'revoked',
  ]);
  const page = await ask(`/home/${link.ended}`, { headers: { accept: 'text/html' } });
  expect([page.status, page.text]).toEqual([410, expect.stringContaining('This link was revoked')]);
});

test('a live stream ends when its device is signed out, and a device that was signed out hears “revoked”', async () => {
  server = await serve(PORT, file, { env: { DIRIGO_OPEN: '0' } });
  const [coachId, secret] = await beside(async (database) => {
    const head = await headCoach(database);
    return [head.coachId, await signIn(database, head.coachId, 'link', 'A laptop', new Date())];
  });
  const cookie = `dirigo=${secret}`;
  const stream = ask('/api/live', { headers: { cookie } });
  expect((await ask('/kept', { headers: { cookie } })).status).toBe(200);
  await beside(async (database) => {
    await database.models.device.update(
      { endedAt: new Date() },
      { where: { coachId }, hooks: false },
    );
  });
  // It ends by itself, at its next beat.
  expect((await stream).text).toContain(': here');
  const kept = await ask('/kept', { headers: { cookie } });
  expect([kept.status, (JSON.parse(kept.text) as { code: string }).code]).toEqual([401, 'revoked']);
  const never = await ask('/kept', { headers: { cookie: 'dirigo=no-such-secret' } });
  expect([never.status, (JSON.parse(never.text) as { code: string }).code]).toEqual([
    401,
    'refused',
  ]);
  expect(statSync(file).size).toBeGreaterThan(0);
});
