import { rmSync } from 'node:fs';
import { chromium, type Browser, type Page } from '@playwright/test';
import {
  headCoach,
  makeLink,
  listDrills,
  listGreens,
  listProgrammes,
  listSessions,
  listStudents,
  openDatabase,
  seedDemo,
} from '@/data';
import { serve } from '../e2e/server';
import { ownPort } from '../e2e/ports';

/** The day the pictures are made on, so that they only change when a view does. */
const DAY = new Date('2026-11-24T09:00:00');
const FOLDER = 'docs/screenshots';
const LAPTOP = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** A table of made-up putts. */
const WINTER = `Player;Date;Face angle (deg);Putter path;Impact spot (mm);Tempo
Oona Brandt;12.01.2026 17:05;0,4;-1,2;3,5;2,1
Oona Brandt;12.01.2026 17:06;-0,2;0,7;-1,0;2,0
Yusra Malkey;19.01.2026 17:01;1,1;0,2;0,4;1,9
Yusra Malkey;19.01.2026 17:02;open;0,2;0,4;1,9
`;

interface Shot {
  name: string;
  path: string;
  size?: typeof LAPTOP;
  theme?: 'light' | 'dark' | 'glare';
  before?: (page: Page) => Promise<void>;
}

async function lookAtFor(page: Page, name: string): Promise<void> {
  await page.getByRole('combobox', { name: 'Show for' }).click();
  await page.getByRole('option', { name }).click();
}

/** Starts a built-in drill for some students, from its page. */
async function begin(page: Page, students: string[]): Promise<void> {
  await page.getByRole('button', { name: 'Start session' }).click();
  for (const [index, student] of students.entries()) {
    if (index > 0) await page.getByRole('button', { name: 'Add student to the rotation' }).click();
    const name = index === 0 ? 'Student' : `Student ${index + 1}`;
    await page.getByRole('combobox', { name, exact: true }).click();
    await page.getByRole('option', { name: student }).click();
  }
  await page.getByRole('button', { name: 'Start session' }).click();
  await page.getByRole('button', { name: 'Start putting' }).click();
}

/** Touches the picture of the logging screen, at shares of its width and height. */
async function point(page: Page, across: number, down: number): Promise<void> {
  await page.waitForTimeout(350);
  const box = await page.getByRole('img', { name: /[Tt]ap where/ }).boundingBox();
  if (box) await page.mouse.click(box.x + across * box.width, box.y + down * box.height);
}

async function main(): Promise<void> {
  const folder = 'data/screenshots';
  const file = `${folder}/wharf.db`;
  rmSync(folder, { recursive: true, force: true });
  const database = await openDatabase(file);
  await seedDemo(database, DAY);
  const principal = await headCoach(database);
  const oona = (await listStudents(database, principal)).find(({ name }) => name === 'Oona Brandt');
  const yusra = (await listStudents(database, principal)).find(
    ({ name }) => name === 'Yusra Malkey',
  );
  const three = (await listDrills(database, principal)).find(
    ({ origin }) => origin === 'three-in-one',
  );
  const breaking = (await listDrills(database, principal)).find(
    ({ name }) => name === 'Start gate, crane side',
  );
  const [green] = await listGreens(database, principal);
  const sessions = await listSessions(database, principal, { studentId: oona?.id });
  const open = sessions.find(({ finishedAt }) => !finishedAt);
  const done = sessions.find(({ finishedAt }) => finishedAt);
  const programme = (await listProgrammes(database, principal)).find(
    ({ entries }) => entries.length > 15,
  );
  const home = programme && (await makeLink(database, principal, programme.studentId, new Date()));
  await database.close();

  const shots: Shot[] = [
    { name: 'today', path: '/' },
    { name: 'students', path: '/students' },
    { name: 'student', path: `/students/${yusra?.id}`, size: { width: 1280, height: 1720 } },
    { name: 'drills', path: '/drills' },
    { name: 'designer', path: `/drills/${three?.id}` },
    {
      name: 'sheet',
      path: `/drills/${three?.id}/sheet?student=${oona?.id}`,
      size: { width: 1280, height: 1240 },
    },
    {
      name: 'make-map',
      path: `/drills/${breaking?.id}`,
      before: async (page) => {
        await page.getByRole('tab', { name: 'Make map' }).click();
        await lookAtFor(page, 'Yusra Malkey');
        await page.getByText(/would hole/).waitFor();
      },
    },
    { name: 'green', path: `/greens/${green?.id}` },
    {
      name: 'logging',
      path: '/drills/three-in-one',
      before: async (page) => {
        await begin(page, ['Yusra Malkey']);
        await page.getByRole('button', { name: /Putter gate: tee A/ }).click();
        await page.getByRole('button', { name: 'Ball gate: Through' }).click();
        await point(page, 0.56, 0.44);
      },
    },
    { name: 'logging-glare', path: `/sessions/${open?.id}`, size: PHONE, theme: 'glare' },
    { name: 'set-up', path: `/students/${oona?.id}/set-up` },
    { name: 'review', path: `/sessions/${done?.id}/review` },
    {
      name: 'hour',
      path: `/programme/hours/new?student=${yusra?.id}`,
      before: async (page) => {
        await page.getByRole('button', { name: 'Suggest a plan' }).click();
        await page.getByRole('list', { name: 'Drills in the plan, in order' }).waitFor();
        await page.evaluate(() => scrollTo(0, 0));
      },
    },
    { name: 'programme', path: `/programme/${programme?.id}` },
    {
      name: 'instrument',
      path: '/drills/straight-gate',
      size: PHONE,
      before: async (page) => {
        await begin(page, ['Bram Quistle']);
        await page.getByRole('button', { name: 'More' }).click();
        await page.getByRole('button', { name: 'Simulate a putting sensor' }).click();
        await page.getByRole('button', { name: 'Close', exact: true }).click();
        await page.getByRole('region', { name: /measured/ }).waitFor();
        await page.waitForTimeout(9000);
      },
    },
    {
      name: 'files',
      path: '/records/files',
      size: { width: 1280, height: 1240 },
      before: async (page) => {
        await page.getByLabel('File to import').setInputFiles({
          name: 'winter.csv',
          mimeType: 'text/csv',
          buffer: Buffer.from(WINTER),
        });
        await page.getByRole('button', { name: 'Check the whole file' }).click();
        await page.getByRole('region', { name: 'Import preview' }).waitFor();
      },
    },
    { name: 'home', path: `/home/${home}`, size: PHONE },
    { name: 'accuracy', path: '/records/accuracy' },
    {
      name: 'no-signal',
      path: '/',
      size: PHONE,
      before: async (page) => {
        // Until the device has kept what it needs.
        await page.waitForTimeout(12_000);
        await page.context().setOffline(true);
        await page.goto('/');
        await page.getByRole('heading', { name: 'Today’s lessons' }).waitFor();
      },
    },
  ];

  const server = await serve(ownPort('screenshots'), file, { ahead: DAY.getTime() - Date.now() });
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox'],
  });
  try {
    // All of them, or those that are named.
    const named = process.argv.slice(2);
    const wanted = shots.filter(({ name }) => named.length === 0 || named.includes(name));
    for (const shot of wanted) await take(browser, server.url, shot);
  } finally {
    // A server that outlived a failure would answer the next run, from a database that is gone.
    await browser.close();
    await server.kill();
    rmSync(folder, { recursive: true });
  }
}

async function take(
  browser: Browser,
  baseURL: string,
  { name, path, size = LAPTOP, theme = 'light', before }: Shot,
): Promise<void> {
  const context = await browser.newContext({
    timezoneId: 'Europe/Amsterdam',
    viewport: size,
    baseURL,
  });
  await context.addInitScript((value) => localStorage.setItem('theme', value), theme);
  const page = await context.newPage();
  await page.clock.setFixedTime(DAY);
  await page.goto(path, { waitUntil: 'networkidle' });
  await before?.(page);
  await page.waitForTimeout(500);
  await page.screenshot({ path: `${FOLDER}/${name}.png` });
  await context.close();
}

void main();
