import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { addStudent } from './coach';
import { FAULTS, faultSession, tryFault } from './faults';
import { serve } from './server';
import { expect, test } from './test';
import { ownPort } from './ports';

test('nothing logged is lost, whatever the browser or the server does', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  const session = await faultSession(page, 'Nel Weir');
  for (const fault of FAULTS.filter(({ long }) => !long)) {
    await test.step(fault.tried, async () => {
      const { logged, kept } = await tryFault(browser, session, fault);
      expect(kept).toBe(logged);
    });
  }
});

test('a copy is looked at, and gone back to; a damaged file says what it is and the way back', async ({
  browser,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'dirigo-kept-'));
  const database = join(folder, 'coach.db');
  let server = await serve(ownPort('kept'), database);
  const context = await browser.newContext({ baseURL: server.url });
  const page = await context.newPage();

  await test.step('going back', async () => {
    await addStudent(page, 'Before Lock');
    await page.goto('/records/backups', { waitUntil: 'networkidle' });
    await page.getByRole('button', { name: 'Make a copy now' }).click();
    await expect(page.getByText('A copy is made, and checked.')).toBeVisible();
    await addStudent(page, 'Since Lock');
    await page.goto('/records/backups', { waitUntil: 'networkidle' });
    await page.getByRole('button', { name: 'Look at the copy of' }).first().click();
    await expect(page.getByRole('row', { name: 'Students 2 1' })).toBeVisible();
    await page.getByRole('button', { name: 'Go back to this copy' }).click();
    await page.getByRole('button', { name: 'Yes, put it in the place of what is here' }).click();
    await expect(page.getByText(/^Done\. What was here is kept as/)).toBeVisible();
    await page.goto('/students');
    await expect(page.getByText('Before Lock').first()).toBeVisible();
    await expect(page.getByText('Since Lock')).toHaveCount(0);
  });

  await test.step('a folder that nothing can be written in is told beside its field', async () => {
    await page.goto('/records/backups', { waitUntil: 'networkidle' });
    await page.getByLabel('Folder of the copies').fill('elsewhere');
    await page.getByRole('button', { name: 'Save the folder' }).click();
    await expect(page.getByText('"elsewhere" is no whole path: begin it with a /.')).toBeVisible();
  });

  await test.step('damage while it runs', async () => {
    const [copy] = readdirSync(join(folder, 'copies'));
    await server.kill();
    const bytes = readFileSync(database);
    bytes.fill(0x5a, 4096, Math.floor(bytes.length * 0.8));
    writeFileSync(database, bytes);
    for (const ending of ['-wal', '-shm']) rmSync(database + ending, { force: true });
    server = await serve(ownPort('kept'), database);
    await page.goto('/students');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('The records cannot be read');
    await expect(page.getByText('is damaged')).toContainText(copy!);
    await server.kill();
    const { stdout } = spawnSync('npm', ['run', '--silent', 'restore', '--', '--newest'], {
      env: { ...process.env, DIRIGO_DB: database },
      encoding: 'utf8',
    });
    expect(stdout).toContain('What was there is kept:');
    server = await serve(ownPort('kept'), database);
    await page.goto('/students');
    await expect(page.getByText('Before Lock').first()).toBeVisible();
  });
  await context.close();
  await server.kill();
  rmSync(folder, { recursive: true });
});
