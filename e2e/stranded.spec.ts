import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  addCoach,
  addStudent as addTo,
  headCoach,
  openDatabase,
  saveCoach,
  shareStudent,
  signIn,
  type Database,
} from '@/data';
import { coachSettings, STANDARD_FITTING } from '@/core/people';
import type { Browser, BrowserContext } from '@playwright/test';
import {
  addDrill,
  addStudent,
  apartFrom,
  expectCount,
  finish,
  logByKeys,
  makeHome,
  setUp,
  startBuiltIn,
  startSession,
} from './coach';
import { ownPort } from './ports';
import { serve } from './server';
import { expect, test, type Page } from './test';

const banner = (page: Page) => page.locator('.waiting-banner');
const waits = (page: Page, putts: number) =>
  expect(page.getByText(`${putts} kept here, no connection`)).toBeVisible();

/** A phone whose browser has no background sync: what waits is sent by a page, or not at all. */
const phoneOf = (browser: Browser, baseURL: string | undefined) =>
  browser.newContext({ baseURL, serviceWorkers: 'block', viewport: { width: 390, height: 844 } });

/** Logs with no signal, and closes the tab. */
async function strand(page: Page, context: BrowserContext, putts: string) {
  await context.setOffline(true);
  await logByKeys(page, putts);
  await waits(page, putts.length);
  await page.close();
}

test('putts of a closed tab are sent from any page, into a session that was finished elsewhere', async ({
  page,
  browser,
  baseURL,
}) => {
  await addStudent(page, 'Stranded Weir');
  await addDrill(page, 'Stranded gate');
  const phone = await phoneOf(browser, baseURL);
  const onPhone = await phone.newPage();
  await startSession(onPhone, 'Stranded Weir', 'Stranded gate');
  await logByKeys(onPhone, 'C');
  await expect(onPhone.getByText('all saved')).toBeVisible();
  const session = onPhone.url();
  await strand(onPhone, phone, 'CLC');
  // The coach finishes it on another device meanwhile.
  await page.goto(session);
  await finish(page);
  await expect(page.getByText('1 of 1 through').first()).toBeVisible();
  // The phone has a signal again, and another page is opened.
  await phone.setOffline(false);
  const other = await phone.newPage();
  await other.goto('/students');
  await expect(banner(other)).toHaveText('Everything has been sent.');
  await page.reload();
  await expect(page.getByText('3 of 4 through').first()).toBeVisible();
  await phone.close();
});

test('a student’s putts at home are sent from the student’s own page, not only from the session’s', async ({
  page,
  browser,
  baseURL,
}) => {
  await addStudent(page, 'Stranded Sluis');
  const student = new URL(page.url()).pathname;
  await page.goto(`${student}/homework`);
  await page.getByRole('combobox', { name: 'Drill', exact: true }).click();
  await page.getByRole('option', { name: /^Straight gate/ }).click();
  await page.getByRole('button', { name: 'Assign' }).click();
  await expect(page.getByRole('region', { name: 'Current homework' })).toContainText(
    'Straight gate',
  );
  const home = await makeHome(page);
  const phone = await phoneOf(browser, baseURL);
  const onPhone = await phone.newPage();
  await onPhone.goto(home);
  await onPhone
    .getByRole('button', { name: /^(Start|Begin)/ })
    .first()
    .click();
  await setUp(onPhone);
  await strand(onPhone, phone, 'CC');
  await phone.setOffline(false);
  const start = await phone.newPage();
  await start.goto(home);
  await expect(banner(start)).toHaveText('Everything has been sent.');
  await start
    .getByRole('button', { name: /^Resume/ })
    .first()
    .click();
  await expect(start.getByRole('status', { name: 'count' })).toContainText('2');
  await phone.close();
});

test('a session is finished with no signal, and the finish is sent like a putt', async ({
  browser,
  baseURL,
}) => {
  const context = await phoneOf(browser, baseURL);
  const page = await context.newPage();
  await addStudent(page, 'Finished Weir');
  await addDrill(page, 'Finished gate');
  await startSession(page, 'Finished Weir', 'Finished gate');
  await logByKeys(page, 'CCL');
  await expect(page.getByText('all saved')).toBeVisible();
  const session = page.url();
  await context.setOffline(true);
  await logByKeys(page, 'C');
  await finish(page);
  await expect(page.getByRole('heading', { name: 'Session finished' })).toBeVisible();
  await expect(page.getByText('You are offline. Everything is saved on this device')).toBeVisible();
  await page.close();
  await context.setOffline(false);
  const next = await context.newPage();
  await next.goto('/drills');
  await expect(banner(next)).toHaveText('Everything has been sent.');
  const desk = await browser.newContext({ baseURL });
  const review = await desk.newPage();
  await review.goto(session);
  await expect(review).toHaveURL(/\/review$/);
  await expect(review.getByText('3 of 4 through').first()).toBeVisible();
  await desk.close();
  await context.close();
});

test('the service worker sends what waits when no page is open', async ({ page, context }) => {
  await addStudent(page, 'Synced Weir');
  await addDrill(page, 'Synced gate');
  await startSession(page, 'Synced Weir', 'Synced gate');
  const session = page.url();
  await page.waitForFunction(() => navigator.serviceWorker.controller !== null);
  const other = await context.newPage();
  await other.goto('/icon.svg');
  const tools = await context.newCDPSession(other);
  const registered = new Promise<string>((resolve) => {
    tools.on('ServiceWorker.workerRegistrationUpdated', ({ registrations }) => {
      const [one] = registrations;
      if (one) resolve(one.registrationId);
    });
  });
  await tools.send('ServiceWorker.enable');
  const registrationId = await registered;
  await strand(page, context, 'CLL');
  await context.setOffline(false);
  await tools.send('ServiceWorker.dispatchSyncEvent', {
    origin: new URL(session).origin,
    registrationId,
    tag: 'dirigo-send',
    lastChance: false,
  });
  // Seen from a device that has nothing of its own to send.
  const desk = await context.browser()!.newContext();
  const review = await desk.newPage();
  await expect(async () => {
    await review.goto(session);
    await expectCount(review, 1, 3);
  }).toPass();
  await desk.close();
});

test('Undo takes back the newest putt of this screen and names it, and asks about another device’s', async ({
  page,
  browser,
  baseURL,
}) => {
  await addStudent(page, 'Ann Kade');
  await addStudent(page, 'Ben Kade');
  await startBuiltIn(page, 'straight-gate', 'Ann Kade', 'Ben Kade');
  await page.getByRole('combobox', { name: 'next student' }).selectOption('1');
  const undo = page.getByRole('button', { name: 'Undo' });
  const count = page.getByRole('status', { name: 'count' });
  // First through, second left, first through: each logged, the next comes to the front.
  await logByKeys(page, 'C');
  await expect(page.getByText('all saved')).toBeVisible();
  await expect(undo).toBeEnabled();
  await logByKeys(page, 'L');
  await logByKeys(page, 'C');
  await undo.click();
  await expect(page.getByText(/^Undone: Ann, /)).toBeVisible();
  // Ann putts again; Ben's putt is where it was.
  await expect(
    page.getByRole('navigation', { name: 'Students' }).locator('[aria-current=true]'),
  ).toContainText('Ann');
  await expect(count).toContainText('1');
  await undo.click();
  await expect(page.getByText(/^Undone: Ben, /)).toBeVisible();
  await logByKeys(page, 'L');
  await expect(page.getByText('all saved')).toBeVisible();

  // Another device logs the newest putt of all.
  const phone = await browser.newContext({ baseURL });
  const onPhone = await phone.newPage();
  await onPhone.goto(page.url());
  await logByKeys(onPhone, 'C');
  await expect(onPhone.getByText('all saved')).toBeVisible();
  // From the phone its own is undone first; then nothing of its own is left, and it asks.
  await onPhone.getByRole('button', { name: 'Undo' }).click();
  await expect(onPhone.getByText(/^Undone: /)).toBeVisible();
  await onPhone.getByRole('button', { name: 'Undo' }).click();
  const question = onPhone.getByRole('alert').filter({ hasText: 'not logged on this screen' });
  await expect(question).toContainText('Ben');
  await question.getByRole('button', { name: 'Keep it' }).click();
  await expect(question).toHaveCount(0);
  await phone.close();
});

test('in a rotation a double tap does not log the next player’s putt', async ({ page }) => {
  await addStudent(page, 'Ann Twice');
  await addStudent(page, 'Ben Twice');
  await startBuiltIn(page, 'straight-gate', 'Ann Twice', 'Ben Twice');
  await page.getByRole('combobox', { name: 'next student' }).selectOption('1');
  await apartFrom(page, 400);
  await page
    .getByRole('button', { name: /Through/ })
    .first()
    .dblclick();
  await expect(page.getByText('Second tap ignored.')).toBeVisible();
  const players = page.getByRole('navigation', { name: 'Students' });
  await expect(players.getByRole('button', { name: /^Ann 1/ })).toBeVisible();
  await expect(players.getByRole('button', { name: /^Ben 0/ })).toBeVisible();
});

test('a double tap is one putt and says so; a second putt after 0.4 s counts', async ({ page }) => {
  await addStudent(page, 'Tapped Weir');
  await addDrill(page, 'Tapped gate');
  await startSession(page, 'Tapped Weir', 'Tapped gate');
  const clear = page.getByRole('button', { name: /Through/ }).first();
  await clear.dblclick({ delay: 20 });
  await expectCount(page, 1, 1);
  await expect(page.getByText('Second tap ignored.')).toBeVisible();
  await page.getByRole('button', { name: 'Count it as a putt' }).click();
  await expectCount(page, 2, 2);
  await expect(page.getByText('Second tap ignored.')).toHaveCount(0);
  await apartFrom(page, 400);
  await clear.click();
  await apartFrom(page, 400);
  await clear.click();
  await expectCount(page, 4, 4);
  await expect(page.getByText('Second tap ignored.')).toHaveCount(0);
});

test.describe('on a server of its own, where coaches sign in', () => {
  let folder: string;
  let database: Database;
  let server: Awaited<ReturnType<typeof serve>>;
  test.beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'dirigo-stranded-'));
    database = await openDatabase(join(folder, 'coach.db'));
    server = await serve(ownPort('stranded'), database.path, { env: { DIRIGO_OPEN: '0' } });
  });
  test.afterAll(async () => {
    await server.kill();
    await database.close();
    rmSync(folder, { recursive: true, force: true });
  });

  test('on a shared phone a coach’s putts wait for that coach, and the next one is told', async ({
    browser,
  }) => {
    const head = await headCoach(database);
    const settings = coachSettings.parse({});
    await saveCoach(database, head, { name: 'Tilda Vrane', settings });
    const mees = await addCoach(database, head, { name: 'Mees Loods', role: 'coach' });
    const studentId = await addTo(database, head, {
      ...{ name: 'Shared Weir', hand: 'right', level: 'steady', seated: false, notes: '' },
      ...{ school: 'arc', groups: '', kit: [], putter: STANDARD_FITTING },
    });
    await shareStudent(database, head, { studentId, coachId: mees, consent: 'asked' }, new Date());
    const as = async (coachId: string) => ({
      name: 'dirigo',
      value: await signIn(database, coachId, 'link', 'The shared phone', new Date()),
      url: server.url,
    });
    const phone = await phoneOf(browser, server.url);
    await phone.addCookies([await as(head.coachId)]);
    const page = await phone.newPage();
    await startBuiltIn(page, 'straight-gate', 'Shared Weir');
    await strand(page, phone, 'CLC');
    // Mees signs in on the same phone.
    await phone.addCookies([await as(mees)]);
    await phone.setOffline(false);
    const other = await phone.newPage();
    await other.goto('/students');
    await expect(banner(other)).toHaveText(
      '3 putts of Tilda Vrane not sent yet: sign in as Tilda Vrane to send them.',
    );
    const savedBy = async () => (await database.models.putt.findAll()).map((putt) => putt.savedBy);
    // Every page has tried by then; the server took nothing under another's name.
    await other.goto('/drills');
    await expect(banner(other)).toContainText('3 putts of Tilda Vrane');
    expect(await savedBy()).not.toContain(mees);
    await phone.addCookies([await as(head.coachId)]);
    await other.goto('/students');
    await expect(banner(other)).toHaveText('Everything has been sent.');
    expect(await savedBy()).toEqual([head.coachId, head.coachId, head.coachId]);
    await phone.close();
  });
});
