import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strFromU8, unzipSync } from 'fflate';
import { headCoach, listSessions, listStudents, openDatabase, type Session } from '@/data';
import { addDrill, addStudent, expectCount, logByKeys, makeHome } from './coach';
import { serve, type OwnServer } from './server';
import { expect, test, type Page } from './test';
import { ownPort } from './ports';

const PORT = ownPort('offline');

let folder: string;
let file: string;
let server: OwnServer;
test.beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'dirigo-offline-'));
  file = join(folder, 'coach.db');
  server = await serve(PORT, file);
});
test.afterEach(async () => {
  await server.kill();
  rmSync(folder, { recursive: true, force: true });
});

/** A phone that has everything it needs to go on without the server, what was made last too: told by what it keeps, not by a time. */
async function ready(page: Page, last: string, at = '/') {
  await page.goto(at);
  await expect(async () => {
    const there = await page.evaluate(async (last) => {
      // Asked for, a database that is not there yet would be made, empty.
      const made = await indexedDB.databases();
      if (!made.some(({ name }) => name === 'dirigo-kept')) return false;
      const pages = (await caches.keys()).find((name) => name.startsWith('dirigo-pages-'));
      const kept = await new Promise<unknown[]>((resolve) => {
        const asked = indexedDB.open('dirigo-kept');
        asked.onsuccess = () => {
          const all = asked.result.transaction('kept').objectStore('kept').getAll();
          all.onsuccess = () => {
            asked.result.close();
            resolve(all.result);
          };
        };
      });
      const shell = pages ? await (await caches.open(pages)).keys() : [];
      return (
        JSON.stringify(kept).includes(last) && shell.some(({ url }) => url.endsWith('/offline'))
      );
    }, last);
    expect(there).toBe(true);
  }).toPass({ timeout: 30_000 });
}

async function choose(page: Page, what: string, name: string | RegExp) {
  await page.getByRole('combobox', { name: what, exact: true }).click();
  await page.getByRole('option', { name }).first().click();
}

const stands = (page: Page) => page.getByRole('button', { name: 'Start putting' }).click();

async function finishHere(page: Page) {
  await page.getByRole('button', { name: 'Finish' }).first().click();
  await page.getByRole('button', { name: 'Finish, all collected' }).click();
}

async function note(page: Page, text: string) {
  await page.getByLabel('Private note').fill(text);
  await page.getByRole('button', { name: 'Save note' }).click();
}

/** What the server has, read from its file. */
async function kept(): Promise<{ sessions: Session[]; nameOf: (id: string) => string }> {
  const database = await openDatabase(file);
  const head = await headCoach(database);
  const sessions = await listSessions(database, head);
  const students = await listStudents(database, head);
  await database.close();
  return {
    sessions: sessions.toReversed(),
    nameOf: (id) => students.find((one) => one.id === id)?.name ?? '',
  };
}

test('a coach with no signal begins, logs, climbs, finishes, notes, and begins the next; all of it reaches the server', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const context = await browser.newContext({
    baseURL: server.url,
    viewport: { width: 390, height: 844 },
  });
  const page = await context.newPage();
  await addStudent(page, 'Ama Sluice');
  await addStudent(page, 'Bo Wharf', 'Left-handed');
  await addDrill(page, 'Quay gate');
  await ready(page, 'Quay gate');
  await server.kill();

  await test.step('who, what, and the right rung', async () => {
    await page.goto('/');
    await expect(page.getByRole('heading', { level: 1, name: 'Offline' })).toBeVisible();
    await page.getByRole('button', { name: 'Start session for Ama Sluice' }).click();
    await choose(page, 'Drill', /^Gate ladder/);
    // Nothing is known of her: the rung that teaches is one of the wide ones.
    await expect(page.getByRole('combobox', { name: 'Rung' })).not.toContainText('as designed');
    await choose(page, 'Rung', /^2/);
    await page.getByRole('button', { name: 'Start session' }).click();
    await stands(page);
  });

  await test.step('logging, climbing, finishing', async () => {
    await logByKeys(page, 'CC');
    // That it stands, and two putts.
    await expect(page.getByText('3 kept here, no connection')).toBeVisible();
    // The page is closed and opened again, with no server; the rule goes on where it was.
    await page.reload();
    await expect(page.getByText('Gate ladder, rung 2')).toBeVisible();
    // It is left open, and gone on with.
    await page.getByRole('link', { name: 'Finish later' }).click();
    await page.getByRole('region', { name: 'In progress' }).getByRole('button').click();
    await expect(page.getByText('Gate ladder, rung 2')).toBeVisible();
    await logByKeys(page, 'C');
    await expect(page.getByText('Move up to rung 3: gap 58 mm.')).toBeVisible();
    await page.getByRole('button', { name: 'Ready on new rung' }).click();
    await expect(page.getByText('Gate ladder, rung 3')).toBeVisible();
    await logByKeys(page, 'LC');
    await finishHere(page);
    await expect(page.getByText('3 of 3 through')).toBeVisible();
    await expect(page.getByText('1 of 2 through')).toBeVisible();
    await note(page, 'Begun under the bridge.');
    await expect(page.getByText('Note saved on this device.')).toBeVisible();
  });

  await test.step('the next: two in rotation, who change stations', async () => {
    await page.getByRole('button', { name: 'Start next session' }).click();
    await page.getByRole('button', { name: 'Start session for Ama Sluice' }).click();
    await choose(page, 'Drill', /^Quay gate/);
    await page.getByRole('button', { name: 'Add student to the rotation' }).click();
    await choose(page, 'Student 2', 'Bo Wharf');
    await choose(page, 'Drill for student 2', /^Straight gate/);
    await page.getByRole('button', { name: 'Start session' }).click();
    await stands(page);
    await logByKeys(page, 'CC');
    await page.getByRole('button', { name: 'More' }).first().click();
    await page.getByRole('button', { name: 'Move everyone on one station' }).click();
    await stands(page);
    await logByKeys(page, 'L');
    await page.getByRole('button', { name: /^Bo/ }).first().click();
    await logByKeys(page, 'C');
    await finishHere(page);
    await expect(page.getByRole('heading', { level: 1, name: /Ama|Bo/ })).toBeVisible();
  });

  await test.step('the server answers again', async () => {
    await page.goto('/offline?view=phone');
    await expect(page.getByText('Sessions not sent yet')).toBeVisible();
    server = await serve(PORT, file);
    await page.goto('/offline');
    await expect(page.getByText('online')).toBeVisible({ timeout: 30_000 });
    await expect
      .poll(async () => (await kept()).sessions.map(({ finishedAt }) => finishedAt !== null), {
        timeout: 30_000,
      })
      .toEqual([true, true, true]);
    const { sessions, nameOf } = await kept();
    const told = sessions.map(({ studentId, note, groupId, finishedAt, runs }) => ({
      who: nameOf(studentId),
      note,
      grouped: groupId !== null,
      finished: finishedAt !== null,
      runs: runs.map(({ drillName, rung, putts }) => [drillName, rung, putts.length]),
    }));
    expect(told).toHaveLength(3);
    expect(told[0]).toEqual({
      who: 'Ama Sluice',
      note: 'Begun under the bridge.',
      grouped: false,
      finished: true,
      runs: [
        ['Gate ladder', 1, 3],
        ['Gate ladder', 2, 2],
      ],
    });
    const pair = told.slice(1).sort((a, b) => a.who.localeCompare(b.who));
    expect(pair[0]).toMatchObject({
      who: 'Ama Sluice',
      grouped: true,
      finished: true,
      runs: [
        ['Quay gate', null, 2],
        ['Straight gate', null, 1],
      ],
    });
    expect(pair[1]).toMatchObject({ who: 'Bo Wharf', grouped: true, finished: true });
    expect(pair[1]!.runs.map(([name, , putts]) => [name, putts])).toEqual([
      ['Straight gate', 0],
      ['Quay gate', 1],
    ]);
    await page.getByRole('button', { name: 'Continue online' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Today' })).toBeVisible();
  });
  await context.close();
});

test('two devices, one away for a day: both are kept, two notes are settled once, and who is erased meanwhile is told', async ({
  browser,
}) => {
  test.setTimeout(240_000);
  const phone = await (
    await browser.newContext({ baseURL: server.url, viewport: { width: 390, height: 844 } })
  ).newPage();
  await addStudent(phone, 'Cas Mole');
  await addStudent(phone, 'Dee Gone');
  await addDrill(phone, 'Mole gate');
  await ready(phone, 'Mole gate');
  await server.kill();

  await phone.goto('/');
  await phone.getByRole('button', { name: 'Start session for Cas Mole' }).click();
  await choose(phone, 'Drill', /^Mole gate/);
  await phone.getByRole('button', { name: 'Start session' }).click();
  await stands(phone);
  await logByKeys(phone, 'CC');
  const session = new URL(phone.url()).searchParams.get('session')!;

  // It is sent while it goes on; then the phone is away for a day.
  server = await serve(PORT, file);
  await expect(phone.getByText('all saved')).toBeVisible({ timeout: 30_000 });
  await server.kill();
  await logByKeys(phone, 'LRC');
  await expectCount(phone, 3, 5);
  await finishHere(phone);
  await note(phone, 'Note of the phone.');
  await expect(phone.getByText('Note saved on this device.')).toBeVisible();
  await phone.getByRole('button', { name: 'Start next session' }).click();
  await phone.getByRole('button', { name: 'Start session for Dee Gone' }).click();
  await choose(phone, 'Drill', /^Mole gate/);
  await phone.getByRole('button', { name: 'Start session' }).click();
  await stands(phone);
  await logByKeys(phone, 'C');
  await finishHere(phone);
  // Until the desk has done its part, the phone has no server.
  await phone.context().setOffline(true);

  server = await serve(PORT, file, { ahead: 24 * 3_600_000 });
  const desk = await (await browser.newContext({ baseURL: server.url })).newPage();
  await desk.goto(`/sessions/${session}`);
  await logByKeys(desk, 'C');
  await expect(desk.getByText('all saved')).toBeVisible();
  await finishHere(desk);
  await note(desk, 'Note of the desk.');
  await expect(desk.getByText('Note saved.')).toBeVisible();
  await desk.goto('/students');
  await desk.getByRole('link', { name: 'Dee Gone' }).click();
  await desk.getByRole('button', { name: 'Manage data' }).click();
  await desk.getByRole('button', { name: 'Erase Dee…' }).click();
  await desk.getByRole('button', { name: 'Yes, erase Dee permanently' }).click();
  await expect(desk.getByRole('heading', { level: 1, name: 'Students' })).toBeVisible();
  await desk.goto('/records');
  await expect(desk.getByText('a student with 0 sessions and 0 putts')).toBeVisible();

  await phone.context().setOffline(false);
  await phone.goto('/offline');
  const notes = phone.getByRole('alert', { name: 'Two notes: Cas Mole' });
  await expect(notes).toContainText('Note of the desk.', { timeout: 30_000 });
  const gone = phone.getByRole('alert', { name: 'Refused: Dee Gone' });
  await expect(gone).toContainText('no longer exists');
  await notes.getByRole('button', { name: 'Keep both' }).click();
  await expect(notes).toBeHidden();
  const saving = phone.waitForEvent('download');
  await gone.getByRole('button', { name: 'Save as a file and delete it here' }).click();
  expect((await saving).suggestedFilename()).toMatch(/^session-.*\.json$/);
  await expect(gone).toBeHidden();
  await expect
    .poll(async () => (await kept()).sessions[0]?.note, { timeout: 30_000 })
    .toBe('Note of the desk.\n\nNote of the phone.');

  const { sessions, nameOf } = await kept();
  expect(sessions.map(({ studentId }) => nameOf(studentId))).toEqual(['Cas Mole']);
  const [only] = sessions;
  expect(only!.runs.flatMap(({ putts }) => putts)).toHaveLength(6);
});

test('a student at home has the same; a device that is emptied, or signed out, keeps nothing of anybody', async ({
  browser,
}) => {
  test.setTimeout(180_000);
  const desk = await (await browser.newContext({ baseURL: server.url })).newPage();
  await addStudent(desk, 'Eli Lock');
  await desk.goto('/students');
  await desk.getByRole('link', { name: 'Eli Lock' }).click();
  await desk.getByRole('link', { name: 'Homework' }).click();
  await choose(desk, 'Drill', /^Straight gate/);
  await desk.getByRole('button', { name: 'Assign' }).click();
  await expect(desk.getByRole('region', { name: 'Current homework' })).toContainText(
    'Straight gate',
  );
  const home = await makeHome(desk);

  const phone = await (
    await browser.newContext({ baseURL: server.url, viewport: { width: 390, height: 844 } })
  ).newPage();
  await ready(phone, 'Straight gate', home);
  const holds = await phone.evaluate(async () => {
    const asked = indexedDB.open('dirigo-kept');
    return new Promise<string>((resolve) => {
      asked.onsuccess = () => {
        const all = asked.result.transaction('kept').objectStore('kept').getAll();
        all.onsuccess = () => resolve(JSON.stringify(all.result));
      };
    });
  });
  expect(holds).toContain('Eli Lock');
  expect(holds).not.toContain('"mean"');
  await server.kill();
  await phone.goto(home);
  await phone.getByRole('button', { name: 'Start Straight gate' }).click();
  await stands(phone);
  await logByKeys(phone, 'CLC');
  await finishHere(phone);
  await expect(phone.getByText('2 of 3 through')).toBeVisible();
  server = await serve(PORT, file);
  await phone.goto(`${home}/offline`);
  await expect
    .poll(
      async () =>
        (await kept()).sessions.map(({ homeworkId, finishedAt, runs }) => [
          homeworkId !== null,
          finishedAt !== null,
          runs.map(({ putts }) => putts.length),
        ]),
      { timeout: 30_000 },
    )
    .toEqual([[true, true, [3]]]);

  await desk.goto('/students');
  await desk.getByRole('link', { name: 'Eli Lock' }).click();
  await desk.getByRole('button', { name: 'Manage data' }).click();
  await desk.getByRole('button', { name: 'Create file' }).click();
  const saving = desk.waitForEvent('download');
  await desk.getByRole('link', { name: 'Yes, export with notes' }).click();
  const zip = unzipSync(readFileSync(await (await saving).path()));
  expect(Object.keys(zip).sort()).toEqual([
    'everything.json',
    'putts.csv',
    'read me.txt',
    'report.html',
    'sessions.csv',
  ]);
  const text = (name: string) => strFromU8(zip[name]!);
  expect(text('putts.csv').trim().split('\n')).toHaveLength(1 + 3);
  expect(text('sessions.csv')).toContain('Straight gate');
  expect(text('report.html')).toContain('Eli Lock: how you putt');
  expect((JSON.parse(text('everything.json')) as { putt: unknown[] }).putt).toHaveLength(3);

  await ready(desk, 'Eli Lock');
  await desk.goto('/offline?view=phone');
  await desk.getByRole('button', { name: 'Delete data on this device…' }).click();
  await desk.getByRole('button', { name: 'Yes, delete the data' }).click();
  await expect(desk.getByRole('heading', { name: 'Not ready to work offline' })).toBeVisible();
});
