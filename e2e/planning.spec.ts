import { readFileSync } from 'node:fs';
import { expect, test, type Page } from './test';
import ICAL from 'ical.js';
import {
  addDrill,
  addStudent,
  finish,
  logByKeys,
  makeHome,
  setUp,
  startSession,
  type,
} from './coach';
import { serve, type OwnServer } from './server';
import { ownPort } from './ports';

const DAY = 86_400_000;
/** A day so many days on, as a field of dates has it; in the coach's zone, where the tests' machine may not be. */
const dayOn = (days: number): string =>
  new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/Amsterdam' }).format(
    Date.now() + days * DAY,
  );

let own: OwnServer | undefined;
test.afterEach(async () => {
  await own?.kill();
  own = undefined;
});

const blocks = (page: Page) => page.getByRole('list', { name: 'Drills in the plan, in order' });
const namesOf = async (page: Page): Promise<string[]> =>
  blocks(page).getByRole('listitem').getByRole('link').allTextContents();

async function proposeFor(page: Page, student: string, minutes: string): Promise<void> {
  await page.goto('/programme/hours/new');
  // Tried again, somebody of that name is there already.
  const of = page.getByRole('toolbar', { name: 'Students' }).getByRole('button', { name: student });
  await of.first().click();
  await page.getByRole('radio', { name: minutes, exact: true }).click();
  await page.getByRole('button', { name: 'Suggest a plan' }).click();
  await expect(blocks(page)).toBeVisible();
}

test('an hour is proposed, moved, kept, put on a page, and run drill by drill', async ({
  page,
}) => {
  await addStudent(page, 'Rika Sluice');
  await addStudent(page, 'Lina Sluice');
  await page.goto('/programme/hours/new');
  await page.getByRole('button', { name: 'Suggest a plan' }).click();
  await expect(page.getByText('Choose at least one student.')).toBeVisible();
  await proposeFor(page, 'Lina Sluice', '45');
  const proposed = await namesOf(page);
  expect(proposed.length).toBeGreaterThan(2);
  // The median keeps to what was asked, and the parts come before the whole.
  const head = page.getByRole('banner').or(page.locator('header')).first();
  const [, median] = /(\d+) minutes, 90 % chance of finishing within/.exec(await head.innerText())!;
  expect(Number(median)).toBeLessThanOrEqual(45);
  await expect(page.getByText('The order is unusual.')).toHaveCount(0);

  // By keys: the first goes below the second.
  await page.getByRole('button', { name: `Move ${proposed[0]}`, exact: true }).focus();
  // What is said aloud tells when a move is done.
  const aloud = page.locator('[id^=DndLiveRegion]');
  await page.keyboard.press('Space');
  await expect(aloud).not.toBeEmpty();
  const lifted = await aloud.innerText();
  await page.keyboard.press('ArrowDown');
  await expect(aloud).not.toHaveText(lifted);
  await page.keyboard.press('Space');
  await expect.poll(() => namesOf(page)).toEqual([proposed[1], proposed[0], ...proposed.slice(2)]);

  // By mouse: it goes back above.
  const grip = page.getByRole('button', { name: `Move ${proposed[0]}`, exact: true });
  const from = (await grip.boundingBox())!;
  const onto = (await page
    .getByRole('button', { name: `Move ${proposed[1]}`, exact: true })
    .boundingBox())!;
  await page.mouse.move(from.x + 8, from.y + 12);
  await page.mouse.down();
  await page.mouse.move(from.x + 8, from.y - 20, { steps: 4 });
  await page.mouse.move(onto.x + 8, onto.y, { steps: 8 });
  await page.mouse.up();
  await expect.poll(() => namesOf(page)).toEqual(proposed);

  // One is swapped, one is taken out, and the totals follow.
  const before = await head.innerText();
  await page.getByRole('button', { name: `Remove ${proposed.at(-1)}` }).click();
  await expect.poll(() => head.innerText()).not.toBe(before);
  await page.getByRole('button', { name: `Replace ${proposed[1]}` }).click();
  const choice = page.getByRole('dialog').getByRole('button').nth(1);
  await choice.click();
  await expect.poll(async () => (await namesOf(page))[1]).not.toBe(proposed[1]);
  const wanted = await namesOf(page);

  // What is kept stays when the rest is proposed anew.
  await page.getByRole('button', { name: 'Suggest again around the locked drills' }).click();
  await expect(page.getByRole('button', { name: 'Calculating…' })).toHaveCount(0);
  expect(await namesOf(page)).toContain(wanted[1]);

  await page.getByRole('button', { name: /^Save (appointment|plan|programme)/ }).click();
  await page.getByRole('link', { name: 'Open printable plan' }).click();
  const order = await page.getByRole('listitem').allTextContents();
  const planned = order.map((words) => words.slice(1));
  await expect(page.getByText('Bring')).toBeVisible();
  const pdf = await page.pdf({ format: 'A4' });
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1);
  await page.getByRole('link', { name: 'Plan' }).click();

  // For somebody else the times are others: it is not run before they are reckoned.
  const others = page
    .getByRole('toolbar', { name: 'Students' })
    .getByRole('button', { name: 'Rika Sluice' })
    .first();
  await others.click();
  await expect(page.getByText('This plan was made for other students')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start session' })).toBeDisabled();
  await others.click();
  await expect(page.getByRole('button', { name: 'Start session' })).toBeEnabled();
  await expect(
    page.getByText(/^Times are based on Lina at 25 s per putt \(assumed\)/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Archive' }).click();
  await expect(page.getByText(/Nothing is deleted/)).toBeVisible();
  await page.getByRole('button', { name: 'Restore' }).click();

  await page.getByRole('button', { name: 'Start session' }).click();
  await setUp(page);
  await expect(page.getByText(`drill 1 of ${planned.length}`)).toBeVisible();
  const next = page.getByRole('button', { name: /^Next: / }).first();
  const name = (await next.innerText()).replace('Next: ', '');
  expect(planned[1]).toContain(name);
  await page.keyboard.press('Space');
  await expect(page.getByText('all saved')).toBeVisible();
  await next.click();
  await expect(page.getByText(`drill 2 of ${planned.length}`)).toBeVisible();
  await expect(page.getByText(name).first()).toBeVisible();
});

test('a programme that two days were missed of changes, and says why', async ({ page }, info) => {
  test.setTimeout(120_000);
  const file = info.outputPath('programme.db');
  own = await serve(ownPort('planning'), file);
  await page.goto(`${own.url}/students/new`, { waitUntil: 'networkidle' });
  await type(page, 'Name', 'Mats Quay');
  await page.getByRole('button', { name: 'Add student' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Mats Quay' })).toBeVisible();
  await page.goto(`${own.url}/programme/new`, { waitUntil: 'networkidle' });
  await page.getByRole('button', { name: 'Create programme' }).click();
  await expect(page.getByText('Choose a student.')).toBeVisible();
  await page.getByRole('combobox', { name: 'Student', exact: true }).click();
  await page.getByRole('option', { name: 'Mats Quay' }).click();
  await type(page, 'Weeks', '40');
  await page.getByRole('button', { name: 'Create programme' }).click();
  await expect(page.getByText('Too long: use 1 to 26 weeks.')).toBeVisible();
  await type(page, 'Weeks', '6');
  // The fourth week is off: a day that ends before it begins is told beside it.
  const off = page.getByRole('group', { name: 'Time off 1' });
  await page.getByRole('button', { name: 'Add time off' }).click();
  await off.getByLabel('First day', { exact: true }).fill(dayOn(21));
  await off.getByLabel('Last day', { exact: true }).fill(dayOn(20));
  await off.getByLabel('Reason (optional)').fill('harvest');
  await page.getByRole('button', { name: 'Create programme' }).click();
  await expect(off.getByRole('alert')).toContainText('is before the first day');
  await off.getByLabel('Last day', { exact: true }).fill(dayOn(27));
  await page.getByRole('button', { name: 'Create programme' }).click();
  await expect(
    page.getByRole('heading', { level: 1, name: 'Mats Quay’s programme' }),
  ).toBeVisible();
  await expect(page.getByText('No changes yet.')).toBeVisible();
  const days = page.getByRole('list', { name: 'Weeks' }).getByRole('link');
  const planned = await days.allTextContents();
  // Two a week, and none in the week that is off.
  expect(planned.length).toBeGreaterThanOrEqual(9);
  expect(planned.length).toBeLessThanOrEqual(11);
  const path = new URL(page.url()).pathname;
  await own.kill();

  // Nine days go by, in which nobody putts.
  own = await serve(ownPort('planning'), file, { ahead: 9 * DAY });
  await page.goto(`${own.url}${path}`);
  await expect(page.getByText('No changes yet.')).toHaveCount(0);
  const missed = page.getByRole('list', { name: 'Weeks' }).getByText('missed');
  expect(await missed.count()).toBeGreaterThanOrEqual(2);
  await expect(page.getByText(/was missed\./).first()).toBeVisible();
  // The days themselves stand where they stood.
  expect((await days.allTextContents()).map((day) => day.replace(', today', ''))).toEqual(
    planned.map((day) => day.replace(', today', '')),
  );
  const told = await page.getByRole('region', { name: 'Progress' }).innerText();
  await page.reload();
  expect(await page.getByRole('region', { name: 'Progress' }).innerText()).toBe(told);
  await page.goto(own.url);
  const toDo = page
    .getByRole('region', { name: 'Missed, changed or due' })
    .getByRole('list', { name: 'To do for Mats Quay' });
  await expect(toDo.getByRole('link', { name: /^Missed: / }).first()).toBeVisible();
  await expect(toDo.getByRole('link', { name: /Programme updated/ })).toBeVisible();
});

test('an aim out of reach is told to be, and one within reach is taken with one touch', async ({
  page,
}) => {
  await addStudent(page, 'Reed Causeway');
  await addDrill(page, 'Causeway gate');
  await startSession(page, 'Reed Causeway', 'Causeway gate');
  await logByKeys(page, 'CLCRCCLRCCCLCRCCLCCR');
  await finish(page);
  await page.goto('/programme/new');
  await page.getByRole('combobox', { name: 'Student', exact: true }).click();
  await page.getByRole('option', { name: 'Reed Causeway' }).click();
  await type(page, 'Window, ± °', '0.2');
  const told = page.getByRole('status').filter({ hasText: 'Now ±' });
  await expect(told).toContainText('fewer than 1 in 10 players like this would meet this goal');
  const take = told.getByRole('button', { name: /^Use ±/ });
  const offered = Number(/±([\d.]+)°/.exec(await take.innerText())![1]);
  const [, now] = /Now ±([\d.]+)°/.exec(await told.innerText())!;
  expect(offered).toBeGreaterThan(0.2);
  expect(offered).toBeLessThan(Number(now));
  await take.click();
  await expect(take).toHaveCount(0);
  expect(Number(await page.getByLabel('Window, ± °').inputValue())).toBeCloseTo(offered, 1);
  // What is no day is no question.
  await page.getByLabel('Target date', { exact: true }).fill('31 Feb');
  await page.getByLabel('Target date', { exact: true }).blur();
  await expect(page.getByText('“31 Feb” is not a date')).toBeVisible();
  await expect(told).toHaveCount(0);
  await page.getByLabel('Target date', { exact: true }).fill(dayOn(40));
  await expect(told).toBeVisible();
});

test('homework is done on the student’s own page, which shows nothing else', async ({
  page,
  browser,
  baseURL,
}) => {
  await addStudent(page, 'Other Ferry');
  await addDrill(page, 'Ferry gate');
  await startSession(page, 'Other Ferry', 'Ferry gate');
  const lesson = new URL(page.url()).pathname;
  const run = page.waitForRequest(/\/api\/runs\//);
  await logByKeys(page, 'CC');
  const lessonRun = new URL((await run).url()).pathname.split('/')[3]!;
  await addStudent(page, 'Jolie Weir');
  const student = new URL(page.url()).pathname;
  await page.goto(`${student}/edit`);
  await page.getByLabel('Notes').fill('Bad knee since May');
  await page.getByRole('button', { name: 'Save' }).click();
  await page.goto(`${student}/homework`);
  await page.getByRole('button', { name: 'Assign' }).click();
  await expect(page.getByText('Choose a drill.')).toBeVisible();
  await page.getByRole('combobox', { name: 'Drill', exact: true }).click();
  await page.getByRole('option', { name: /^Straight gate/ }).click();
  await page.getByLabel('Message to the student').fill('On the hall carpet, before tea.');
  await page.getByRole('button', { name: 'Assign' }).click();
  await expect(page.getByRole('region', { name: 'Current homework' })).toContainText(
    'Straight gate',
  );
  const home = await makeHome(page);
  expect(home).toMatch(/^\/home\/[\w-]{32}$/);

  // On another device, with the link alone.
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL });
  const there = await phone.newPage();
  await there.goto(home);
  await expect(there.getByText('On the hall carpet, before tea.')).toBeVisible();
  await expect(there.getByRole('img', { name: '0 of 3 done' })).toBeVisible();
  const html = await there.content();
  for (const hidden of ['Bad knee', 'Other Ferry', 'Ferry gate', '/students/', '/records']) {
    expect(html).not.toContain(hidden);
  }
  await there.getByRole('link', { name: /How to set up/ }).click();
  await expect(there.locator('svg text').filter({ hasText: 'Jolie Weir' }).first()).toBeVisible();
  await there.goBack();
  await there.getByRole('button', { name: 'Start Straight gate' }).click();
  await setUp(there);
  // Homework is done when its drill is: until 25 have passed.
  await logByKeys(there, `L${'C'.repeat(25)}`);
  await expect(there.getByText('all saved')).toBeVisible();
  await there.getByRole('button', { name: 'More' }).click();
  await expect(there.getByText('Change drill')).toHaveCount(0);
  await there.keyboard.press('Escape');
  await finish(there);
  await expect(there.getByRole('heading', { name: 'Done and saved' })).toBeVisible();
  await there.getByRole('link', { name: 'Back to your page' }).click();
  await expect(there.getByRole('img', { name: '1 of 3 done' })).toBeVisible();

  // What is somebody else's, or the coach's, does not open through it.
  for (const path of [`${home}${lesson}`, `${home}${lesson}/done`, '/home/nobody-at-all']) {
    expect((await there.goto(path))?.status(), path).toBe(404);
  }
  const refused = await there.request.post(`${home}/runs/${lessonRun}`, {
    data: { events: [] },
    headers: { origin: baseURL! },
  });
  expect(refused.status()).toBe(404);

  // The coach sees it done; an ended link opens nothing.
  await page.reload();
  await expect(page.getByRole('img', { name: '1 of 3 done' })).toBeVisible();
  await expect(page.getByText(/Link created .*, last opened/)).toBeVisible();
  expect(await makeHome(page)).not.toBe(home);
  expect((await there.goto(home))?.status()).toBe(410);
  await phone.close();
});

test('the diary shows who comes, and is taken along as a calendar', async ({ page }) => {
  await addStudent(page, 'Rafe Lock');
  const student = new URL(page.url()).pathname.split('/').at(-1)!;
  await page.goto(`/programme/dates/new?student=${student}`);
  await type(page, 'Minutes', '5');
  await page.getByRole('button', { name: /^Save (appointment|plan|programme)/ }).click();
  await expect(page.getByText('Too short: use 10 to 240 minutes.')).toBeVisible();
  await type(page, 'Minutes', '50');
  await page.getByLabel('Note').fill('Bring the wedge; by the lock, at the steps');
  await page.getByRole('button', { name: /^Save (appointment|plan|programme)/ }).click();
  const agenda = page.getByRole('list', { name: 'Agenda' });
  await expect(agenda.getByRole('link', { name: 'Rafe Lock' })).toBeVisible();
  await page.goto('/');
  await page.getByRole('link', { name: 'Start a session with Rafe Lock' }).click();
  await expect(page.getByRole('combobox', { name: 'Student' })).toContainText('Rafe Lock');

  for (const view of ['week', 'month']) {
    await page.goto(`/programme?view=${view}`);
    await expect(page.getByRole('region', { name: 'Diary' })).toContainText('Rafe');
  }
  await page.getByRole('button', { name: /Rafe, lesson/ }).click();
  await expect(page.getByRole('list', { name: 'Week' })).toContainText('Rafe Lock');

  const event = (text: string) => {
    const all = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
    const found = all
      .map((one) => new ICAL.Event(one))
      .find(({ summary }) => summary.startsWith('Rafe'));
    return (
      found && {
        minutes: found.duration.toSeconds() / 60,
        about: found.description,
        at: new Intl.DateTimeFormat('sv-SE', {
          timeZone: 'Europe/Amsterdam',
          dateStyle: 'short',
          timeStyle: 'short',
        }).format(found.startDate.toJSDate()),
      }
    );
  };
  const expected = {
    minutes: 50,
    about: 'Bring the wedge; by the lock, at the steps',
    at: `${dayOn(0)} 17:00`,
  };
  await page.goto('/programme');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Download calendar' }).click();
  expect(event(readFileSync(await (await download).path(), 'utf8'))).toEqual(expected);
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.getByRole('button', { name: 'Create link to the calendar' }).click();
  await page.getByRole('button', { name: 'Copy link' }).click();
  await expect(page.getByText('Link to the calendar copied.')).toBeVisible();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  const feed = await page.request.get(link);
  expect(feed.headers()['content-type']).toContain('text/calendar');
  expect(event(await feed.text())).toEqual(expected);
  expect((await page.request.get(`${link}x`)).status()).toBe(404);

  await page.getByRole('list', { name: 'Agenda' }).getByRole('link', { name: 'Rafe Lock' }).click();
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByText('Removed from the diary.')).toBeVisible();
  expect(event(await (await page.request.get(link)).text())).toBeUndefined();
});

test('the whole cold test is one button: five parts, the same for everyone, one after the other', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await addStudent(page, 'Maren Kade');
  const student = new URL(page.url()).pathname;
  await addDrill(page, 'Kade gate');
  await page.goto(`/start?student=${student.split('/').at(-1)}`);
  await page.getByRole('button', { name: 'Start five-part cold test (20 min)' }).click();
  for (let part = 1; part <= 5; part++) {
    await expect(page.getByText(`drill ${part} of 5`)).toBeVisible();
    await page.getByRole('button', { name: 'Start putting' }).click();
    await page.keyboard.press('Space');
    await expect(page.getByRole('button', { name: 'View or correct putts' })).toBeEnabled();
    if (part === 2) {
      // Stopped after two parts, it goes on from the review with the third.
      await finish(page);
      await expect(page.getByText('2 of 5 parts done.')).toBeVisible();
      await page.getByRole('button', { name: 'Resume with Cold test 3, path' }).click();
    } else if (part < 5) await page.getByRole('button', { name: /^Next: Cold test/ }).click();
  }
  await finish(page);
  for (let part = 1; part <= 5; part++)
    await expect(
      page.getByRole('heading', { name: new RegExp(`^Cold test ${part}`) }),
    ).toBeVisible();
  // It is nobody's hour: no plan of it is left over.
  await page.goto('/programme');
  await expect(page.getByText('Cold test', { exact: true })).toHaveCount(0);
});
