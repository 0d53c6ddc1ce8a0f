import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { addStudent, logByKeys, startBuiltIn, untilNextTouch } from './coach';
import { ownPort } from './ports';
import { serve } from './server';
import { expect, test } from './test';

/** What stands over the middle of a control, when that is not the control itself; scrolled to, as a finger would. */
const hidden = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('main button, main a[href]')].flatMap((control) => {
      if (control.offsetWidth === 0 || control.offsetHeight === 0) return [];
      control.scrollIntoView({ block: 'nearest' });
      const { left, top, width, height } = control.getBoundingClientRect();
      const at = document.elementFromPoint(left + width / 2, top + height / 2);
      return at && control.contains(at)
        ? []
        : [control.getAttribute('aria-label') ?? control.textContent];
    }),
  );

const tooWide = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

test('an empty book comes to its first putt in at most twelve touches, with nothing explained elsewhere', async ({
  browser,
}) => {
  const folder = await mkdtemp(join(tmpdir(), 'dirigo-first-'));
  const server = await serve(ownPort('in the hand'), join(folder, 'empty.db'));
  try {
    for (const viewport of [
      { width: 390, height: 844 },
      { width: 1280, height: 800 },
    ]) {
      const page = await (
        await browser.newContext({ viewport, baseURL: server.url, timezoneId: 'Pacific/Auckland' })
      ).newPage();
      let touches = 0;
      const touch = async (name: string | RegExp, role: 'button' | 'radio' = 'button') => {
        await page.getByRole(role, { name }).first().click();
        touches += 1;
      };
      if (viewport.width === 390) {
        await page.goto('/');
        await expect(page.getByRole('heading', { level: 1 })).toHaveText('Your first putts');
        // Touched to type into: each counts as one.
        await page.getByLabel('Your name').fill('Marit Quay');
        touches += 1;
        await touch('metres', 'radio');
        await touch('a student', 'radio');
        await touch('Set up and start');
        await expect(page.getByText('Enter the student’s name.')).toBeVisible();
        await page.getByLabel('Student’s name').fill('Ilse Bollard');
        touches += 1;
        await touch('left-handed', 'radio');
        await touch(/Straight gate/, 'radio');
        await touch('Set up and start');
        await touch('Start putting');
        await touch(/^Through/);
        await expect(page.getByRole('status', { name: 'count' })).toContainText('1');
        expect(touches).toBeLessThanOrEqual(12);
        await page.goto('/students');
        await expect(page.getByRole('link', { name: 'Ilse Bollard' })).toBeVisible();
        await expect(page.getByText('left-handed').first()).toBeVisible();
        // The clock of the book is the browser's.
        await page.goto('/records');
        await expect(page.getByLabel('Time zone')).toHaveValue('Pacific/Auckland');
      } else {
        // The book is empty no more: nobody is asked again.
        await page.goto('/');
        await expect(page.getByRole('heading', { level: 1 })).toHaveText('Today');
      }
      await page.context().close();
    }
  } finally {
    await server.kill();
    await rm(folder, { recursive: true, force: true });
  }
});

test('the start form shows the chosen drill, and how the student has done on it', async ({
  page,
}) => {
  await addStudent(page, 'Wim Locker');
  await page.goto('/start');
  const choose = async (name: string, option: RegExp) => {
    await page.getByRole('combobox', { name, exact: true }).click();
    await page.getByRole('option', { name: option }).first().click();
  };
  await choose('Drill', /^Held finish/);
  const chosen = page.getByRole('region', { name: 'Chosen drill' });
  await expect(chosen.getByRole('heading', { name: 'Held finish' })).toBeVisible();
  await expect(chosen.locator('svg')).toBeVisible();
  await choose('Student', /^Wim Locker/);
  await expect(chosen).toContainText('no putts on this drill yet');
});

test('every control of the logging screen is reached at every size, before and after the device is turned', async ({
  page,
}) => {
  await addStudent(page, 'Turn Staithe');
  for (const drill of ['three-in-one', 'read-first', 'routine-kept']) {
    await page.setViewportSize({ width: 1280, height: 720 });
    await startBuiltIn(page, drill, 'Turn Staithe');
    for (const [width, height] of [
      [1280, 720],
      [844, 390],
      [390, 844],
      [320, 568],
      [568, 320],
      [820, 1180],
      [1180, 820],
    ] as const) {
      await page.setViewportSize({ width, height });
      await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible();
      await expect
        .poll(() => hidden(page), { message: `${drill} at ${width} × ${height}` })
        .toEqual([]);
      expect(await tooWide(page)).toBe(0);
    }
  }
});

test('two taps on one key are one putt, the arrows log after a button was pressed, and what was logged is said', async ({
  page,
}) => {
  await addStudent(page, 'Pier Trembath');
  await startBuiltIn(page, 'straight-gate', 'Pier Trembath');
  const count = page.getByRole('status', { name: 'count' });
  const clear = page.getByRole('button', { name: /^Through/ });
  await clear.dblclick();
  await expect(count).toHaveText(/^1/);
  await untilNextTouch(page);
  await clear.click();
  await expect(count).toHaveText(/^2/);
  const said = page.getByRole('status', { name: 'logged' });
  await expect(said).toHaveText('Through; 2 of 2 through');
  // The focus stays on a button that was pressed by its key: arrows are none of its business.
  await page.getByRole('button', { name: 'View or correct putts' }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(said).toHaveText('Left, tee A; 2 of 3 through');
  await page.keyboard.press('u');
  await expect(said).toHaveText('Undone; 2 of 2 through');
  await expect(page.getByText('all saved')).not.toHaveAttribute('role', 'status');
});

test('a mark is pointed at by keys: arrows move a cross, Enter sets it', async ({ page }) => {
  await addStudent(page, 'Keys Lanyard');
  await startBuiltIn(page, 'marked-face', 'Keys Lanyard');
  const picture = page.getByRole('application', { name: /^Mark position/ });
  await picture.focus();
  for (let step = 0; step < 3; step++) await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status', { name: 'count' })).toHaveText(/^[01]/);
  await expect(page.getByRole('status', { name: 'logged' })).toHaveText(
    /mm towards the (heel|toe)/,
  );
});

test('letters go nowhere in a list or when they are switched off, and unsaved work is asked about', async ({
  page,
}) => {
  await addStudent(page, 'Lettie Fairway');
  await page.goto('/drills/new');
  await page.getByLabel('Name', { exact: true }).fill('Half made');
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('s');
  const ask = page.getByRole('alertdialog', { name: 'Leave without saving?' });
  await expect(ask).toBeVisible();
  await ask.getByRole('button', { name: 'Stay on this page' }).click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Half made');
  // So is going back, where the browser lets it be asked.
  await page.goto('/drills');
  await page.getByRole('link', { name: 'Create drill' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Half made');
  await page.evaluate(() => window.history.back());
  await ask.getByRole('button', { name: 'Stay on this page' }).click();
  await expect(page).toHaveURL(/\/drills\/new$/);
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Half made');
  await page.evaluate(() => window.history.back());
  await ask.getByRole('button', { name: 'Leave and lose changes' }).click();
  await expect(page).toHaveURL(/\/drills$/);
  await page.getByRole('link', { name: 'Create drill' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Half made');
  await page.getByRole('link', { name: 'Students' }).click();
  await ask.getByRole('button', { name: 'Leave and lose changes' }).click();
  await expect(page).toHaveURL(/\/students$/);
  await page.getByRole('combobox', { name: 'Sort by' }).click();
  await page.keyboard.press('s');
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/\/students$/);
  await page.keyboard.press('?');
  await page.getByRole('switch', { name: /Single-key shortcuts/ }).click();
  await page.keyboard.press('Escape');
  await page.keyboard.press('3');
  // Keys pressed together still mean what they mean: by then the letter has been heard.
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog', { name: 'Search' })).toBeVisible();
  await expect(page).toHaveURL(/\/students$/);
});

for (const timezoneId of ['UTC', 'America/St_Johns', 'Asia/Tokyo', 'Europe/Amsterdam']) {
  test(`times are the coach's in a browser of ${timezoneId}, and nothing is rendered twice`, async ({
    browser,
    baseURL,
  }) => {
    const page = await (await browser.newContext({ timezoneId, baseURL })).newPage();
    const wrong: string[] = [];
    page.on('pageerror', ({ message }) => wrong.push(message));
    page.on('console', (said) => said.type() === 'error' && wrong.push(said.text()));
    await addStudent(page, `Hour of ${timezoneId.replace('/', ' ')}`);
    await startBuiltIn(page, 'straight-gate', `Hour of ${timezoneId.replace('/', ' ')}`);
    await logByKeys(page, 'CCL');
    await page.getByRole('button', { name: 'Finish' }).first().click();
    await page.getByRole('button', { name: 'Finish, all collected' }).click();
    const head = await page.locator('header p').first().textContent();
    await page.getByText('Putt by putt').first().click();
    const [from] = /\d\d:\d\d/.exec(head!)!;
    const clock = new Intl.DateTimeFormat('en-GB', {
      timeZone: 'Europe/Amsterdam',
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    });
    const now = clock.format(new Date());
    const minutes = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));
    expect((minutes(now) - minutes(from) + 1440) % 1440).toBeLessThan(5);
    // It stands there, or does not, before the page is drawn: nothing moves under a finger.
    await page.reload({ waitUntil: 'commit' });
    const note = page.locator('header').getByText('· Amsterdam time');
    await note.waitFor({ state: 'attached' });
    expect(await note.isVisible()).toBe(timezoneId !== 'Europe/Amsterdam');
    expect(wrong.filter((one) => /hydrat|did not match|#4\d\d/i.test(one))).toEqual([]);
    await page.context().close();
  });
}
