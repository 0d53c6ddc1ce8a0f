import { once } from 'node:events';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { setImmediate } from 'node:timers/promises';
import { v4 } from 'uuid';
import { expect, test } from './test';
import { openDatabase, seedDemo } from '@/data';
import { addDrill, addStudent, expectCount, finish, logByKeys, startSession } from './coach';
import { serve } from './server';
import { ownPort } from './ports';

let folder: string;
test.beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'dirigo-e2e-'));
});
test.afterEach(() => rmSync(folder, { recursive: true, force: true }));

test('a server killed in the middle of a session loses nothing, nor do putts logged while it is dead', async ({
  browser,
}) => {
  const database = join(folder, 'coach.db');
  let server = await serve(ownPort('never lost'), database);
  const context = await browser.newContext({
    baseURL: server.url,
    viewport: { width: 390, height: 844 },
  });
  const page = await context.newPage();
  await addStudent(page, 'Wil Ferry');
  await addDrill(page, 'Ferry gate');
  await startSession(page, 'Wil Ferry', 'Ferry gate');
  await logByKeys(page, 'CCLC');
  await expect(page.getByText('all saved')).toBeVisible();

  await server.kill();
  await logByKeys(page, 'RRC');
  await expectCount(page, 4, 7);
  await expect(page.getByText('3 kept here, no connection')).toBeVisible();

  server = await serve(ownPort('never lost'), database);
  await expect(page.getByText('all saved')).toBeVisible({ timeout: 15_000 });
  await page.reload();
  await expectCount(page, 4, 7);
  await expect(page.getByText('all saved')).toBeVisible();

  await test.step('a putt logged while the server is dead survives a reload', async () => {
    await server.kill();
    await logByKeys(page, 'C');
    await expect(page.getByText('1 kept here, no connection')).toBeVisible();
    server = await serve(ownPort('never lost'), database);
    await page.reload();
    await expectCount(page, 5, 8);
    await expect(page.getByText('all saved')).toBeVisible();
  });

  await test.step('a session finished while the server is dead is reviewed once it is back', async () => {
    await server.kill();
    await finish(page);
    await expect(page.getByRole('heading', { name: 'Session finished' })).toBeVisible();
    server = await serve(ownPort('never lost'), database);
    await expect(
      page.getByText('5 of 8 through, 1 hit the left tee, 2 hit the right'),
    ).toBeVisible();
  });
  await context.close();
  await server.kill();
});

test('with no server the tab is closed and opened again: twenty putts logged meanwhile are all there', async ({
  browser,
}) => {
  const database = join(folder, 'coach.db');
  let server = await serve(ownPort('never lost'), database);
  const context = await browser.newContext({ baseURL: server.url });
  const page = await context.newPage();
  await addStudent(page, 'Otto Offline');
  await addDrill(page, 'Offline gate');
  await startSession(page, 'Otto Offline', 'Offline gate');
  const session = page.url();
  await logByKeys(page, 'CCLCR');
  await expect(page.getByText('all saved')).toBeVisible();
  // The page is kept once the worker holds it.
  await expect
    .poll(() =>
      page.evaluate(async () => {
        const name = (await caches.keys()).find((one) => one.startsWith('dirigo-pages-'));
        const pages = name ? await (await caches.open(name)).keys() : [];
        return pages.map(({ url }) => url);
      }),
    )
    .toContain(session);

  await server.kill();
  await logByKeys(page, 'CCCCLCCCCRCCCCCCCCCC');
  await expectCount(page, 21, 25);
  await expect(page.getByText('20 kept here, no connection')).toBeVisible();
  await page.close();

  const again = await context.newPage();
  await again.goto(session);
  await expectCount(again, 21, 25);
  await expect(again.getByText('20 kept here, no connection')).toBeVisible();
  await logByKeys(again, 'L');
  await expectCount(again, 21, 26);

  server = await serve(ownPort('never lost'), database);
  await expect(again.getByText('all saved')).toBeVisible();
  await again.reload();
  await expectCount(again, 21, 26);
  await context.close();
  await server.kill();
});

test('a file that is not a database is named at start, left as it is, and no stack is shown', async ({
  browser,
}) => {
  const file = join(folder, 'letter.db');
  writeFileSync(file, 'Dear coach, this is a letter. '.repeat(200));
  const ready = spawnSync('npx', ['tsx', 'scripts/ready.ts'], {
    env: { ...process.env, DIRIGO_DB: file },
    encoding: 'utf8',
  });
  expect(ready.status).toBe(1);
  expect(ready.stderr).toContain('letter.db is not a Dirigo database. It was left unchanged.');
  expect(ready.stderr).not.toMatch(/\n\s+at /);

  const server = await serve(ownPort('never lost'), file);
  const page = await browser.newPage({ baseURL: server.url });
  await page.goto('/');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Your data cannot be read');
  await expect(page.getByText('letter.db is not a Dirigo database.')).toBeVisible();
  await expect(page.locator('body')).not.toContainText('SQLITE');
  await page.close();
  await server.kill();
});

/** What was sent before has come to the server: something quick, sent after it, was answered. */
const reached = async (url: string) => expect((await fetch(`${url}/build`)).ok).toBe(true);

test('a server that reckons stops when it is told to; who went away holds up nobody', async () => {
  // All students of the demo are scored from the beginning five times.
  test.setTimeout(300_000);
  const file = join(folder, 'stop.db');
  const database = await openDatabase(file);
  await seedDemo(database, new Date('2026-11-20T12:00:00Z'));
  const students = await database.models.student.findAll({ limit: 4 });
  await database.close();
  const server = await serve(ownPort('never lost'), file);
  try {
    // Nobody waits for these: they are given up one after another, wherever they are in their reading of the file, and what is
    // asked meanwhile, and after them, is answered.
    const left = students.map(({ id }) => {
      const gone = new AbortController();
      const answer = fetch(`${server.url}/students/${id}`, { signal: gone.signal });
      return { gone, answered: answer.then((response) => response.text()).catch(String) };
    });
    await reached(server.url);
    for (const { gone } of left) {
      gone.abort();
      expect((await fetch(`${server.url}/students`)).status).toBe(200);
    }
    expect(await left[0]!.answered).toMatch(/abort/);
    // What was given up is reckoned when it is asked for again.
    expect((await fetch(`${server.url}/students/${students[0]!.id}`)).status).toBe(200);
    // It has five seconds to be answered, and is cut off then.
    const asked = fetch(`${server.url}/students/compare`).catch(() => null);
    await reached(server.url);
    process.kill(server.pid, 'SIGTERM');
    expect(await server.ended()).toBe(0);
    await asked;
  } finally {
    await server.kill();
  }
});

test('what is reckoned stands still while a putt is answered, and ends with a server that is killed', async () => {
  const file = join(folder, 'aside.db');
  const database = await openDatabase(file);
  await seedDemo(database, new Date('2026-11-20T12:00:00Z'));
  await database.close();
  const server = await serve(ownPort('never lost'), file);
  try {
    const compared = fetch(`${server.url}/students/compare`).then(({ status }) => status);
    await expect.poll(() => server.children()).toHaveLength(1);
    const [pid] = server.children();
    /** R while it runs, S while it waits, T while it is kept still. */
    const state = () => /\) (\w)/.exec(readFileSync(`/proc/${pid}/stat`, 'utf8'))![1];
    await expect.poll(state).toBe('R');
    const seen = new Set<string | undefined>();
    const putt = () =>
      fetch(`${server.url}/api/runs/${v4()}/putts`, {
        method: 'POST',
        headers: { origin: server.url, 'content-type': 'application/json' },
        body: JSON.stringify({ events: [], since: null }),
      });
    // One whose body does not come keeps nobody still, nor does it keep others from doing so.
    const slow = request(`${server.url}/api/runs/${v4()}/putts`, {
      method: 'POST',
      headers: { origin: server.url, 'content-type': 'application/json', 'content-length': '2' },
    });
    slow.flushHeaders();
    for (let round = 0; round < 50 && !seen.has('T'); round++) {
      let answered = false;
      const all = Promise.all(Array.from({ length: 10 }, putt)).finally(() => (answered = true));
      while (!answered) {
        seen.add(state());
        await setImmediate();
      }
      expect((await all).map(({ status }) => status)).toEqual(Array(10).fill(404));
    }
    expect([...seen]).toEqual(expect.arrayContaining(['R', 'T']));
    slow.end('{}');
    const [answer] = (await once(slow, 'response')) as [{ statusCode: number }];
    expect(answer.statusCode).toBe(422);
    expect(await compared).toBe(200);

    const left = fetch(`${server.url}/students/compare`).catch(() => null);
    await server.kill();
    await left;
    await expect.poll(() => existsSync(`/proc/${pid}`)).toBe(false);
  } finally {
    await server.kill();
  }
});
