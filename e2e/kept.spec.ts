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

test('a backup is checked and restored; a damaged file says what it is and the way back', async ({
  browser,
}) => {
  // It starts three servers and derives a key three times, each slow on purpose.
  test.setTimeout(240_000);
  const folder = mkdtempSync(join(tmpdir(), 'dirigo-kept-'));
  const database = join(folder, 'coach.db');
  let server = await serve(ownPort('kept'), database);
  const context = await browser.newContext({ baseURL: server.url });
  const page = await context.newPage();

  await test.step('restoring', async () => {
    await addStudent(page, 'Before Lock');
    await page.goto('/records/backups', { waitUntil: 'networkidle' });
    await page.getByRole('button', { name: 'Back up now' }).click();
    await expect(page.getByText('Backup made and checked.')).toBeVisible();
    await addStudent(page, 'Since Lock');
    await page.goto('/records/backups', { waitUntil: 'networkidle' });
    await page.getByRole('button', { name: 'View the backup of' }).first().click();
    await page.getByRole('button', { name: 'Check this backup' }).click();
    await expect(page.getByRole('row', { name: 'Students 2 1' })).toBeVisible();
    await page.getByRole('button', { name: 'Restore this backup' }).click();
    await page.getByRole('button', { name: 'Yes, replace the database' }).click();
    await expect(page.getByText(/^Restored\. The database that was here is kept as/)).toBeVisible();
    await page.goto('/students');
    await expect(page.getByText('Before Lock').first()).toBeVisible();
    await expect(page.getByText('Since Lock')).toHaveCount(0);
  });

  await test.step('an encrypted backup asks for its passphrase', async () => {
    await page.goto('/records/backups', { waitUntil: 'networkidle' });
    await page.getByLabel('Backup passphrase').fill('barge lantern moss quay');
    await page.getByLabel('Repeat the passphrase').fill('barge lantern moss key');
    await page.getByRole('button', { name: 'Encrypt backups' }).click();
    await expect(page.getByText('The two passphrases do not match.')).toBeVisible();
    await page.getByLabel('Repeat the passphrase').fill('barge lantern moss quay');
    await page.getByRole('button', { name: 'Encrypt backups' }).click();
    await expect(page.getByText('New backups are encrypted. Restoring one asks')).toBeVisible();
    await page.getByRole('button', { name: 'Back up now' }).click();
    await expect(page.getByText(/· backup, encrypted,/)).toBeVisible();
    await page.getByRole('button', { name: 'View the backup of' }).first().click();
    await page.getByLabel('Passphrase of this backup').fill('barge lantern moss key');
    await page.getByRole('button', { name: 'Check this backup' }).click();
    await expect(page.getByText('The passphrase does not open this backup.')).toBeVisible();
    await page.getByLabel('Passphrase of this backup').fill('barge lantern moss quay');
    await page.getByRole('button', { name: 'Check this backup' }).click();
    await expect(page.getByRole('row', { name: 'Students 1 1' })).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Stop encrypting' }).click();
    await expect(page.getByText('Backups are not encrypted.')).toBeVisible();
    await page.getByRole('button', { name: 'Back up now' }).click();
    await expect(page.getByText('Backup made and checked.').first()).toBeVisible();
  });

  await test.step('a folder that nothing can be written in is told beside its field', async () => {
    await page.goto('/records/backups', { waitUntil: 'networkidle' });
    await page.getByLabel('Backup folder').fill('elsewhere');
    await page.getByRole('button', { name: 'Save folder' }).click();
    await expect(
      page.getByText('"elsewhere" is not an absolute path: start it with a /.'),
    ).toBeVisible();
  });

  await test.step('damage while it runs', async () => {
    const backup = readdirSync(join(folder, 'copies')).find((name) => name.endsWith('.db'));
    await server.kill();
    const bytes = readFileSync(database);
    bytes.fill(0x5a, 4096, Math.floor(bytes.length * 0.8));
    writeFileSync(database, bytes);
    for (const ending of ['-wal', '-shm']) rmSync(database + ending, { force: true });
    server = await serve(ownPort('kept'), database);
    await page.goto('/students');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Your data cannot be read');
    await expect(page.getByText('is damaged')).toContainText(backup!);
    await server.kill();
    const { stdout } = spawnSync('npm', ['run', '--silent', 'restore', '--', '--newest'], {
      env: { ...process.env, DIRIGO_DB: database },
      encoding: 'utf8',
    });
    expect(stdout).toContain('The database that was there is kept:');
    server = await serve(ownPort('kept'), database);
    await page.goto('/students');
    await expect(page.getByText('Before Lock').first()).toBeVisible();
  });
  await context.close();
  await server.kill();
  rmSync(folder, { recursive: true });
});
