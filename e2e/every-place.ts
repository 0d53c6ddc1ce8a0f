import AxeBuilder from '@axe-core/playwright';
import { addDrill, addStudent, finish, logByKeys, makeHome, startSession, type } from './coach';
import { lookOver } from './look-over';
import { expect, type Page } from './test';

/** Every place of a book with something in it, and those of them that are used on the green. */
export interface Places {
  all: string[];
  onGreen: string[];
}

/**
 * Fills a book by hand, so that every place has something to show.
 *
 * @param name of the student, the drill and the green in it: one word that no other test uses
 */
export async function everyPlace(page: Page, name: string): Promise<Places> {
  await addStudent(page, `Ada ${name}`);
  const student = new URL(page.url()).pathname;
  await addDrill(page, `${name} gate`);
  const drill = new URL(page.url()).pathname;
  await startSession(page, `Ada ${name}`, `${name} gate`);
  await logByKeys(page, 'CCCLCRC');
  await expect(page.getByText('all saved')).toBeVisible();
  const session = new URL(page.url()).pathname;
  await startSession(page, `Ada ${name}`, `${name} gate`);
  await logByKeys(page, 'CLCC');
  await finish(page);
  await expect(page.getByText('3 of 4 through')).toBeVisible();
  const review = new URL(page.url()).pathname;
  await page.goto('/greens/new');
  await type(page, 'Name', `${name} green`);
  await type(page, 'Spot 1', 'Low side');
  await page.getByRole('button', { name: 'Add green' }).click();
  await expect(page.getByRole('heading', { level: 1, name: `${name} green` })).toBeVisible();
  const green = new URL(page.url()).pathname;
  await page.goto('/programme/hours/new');
  await page
    .getByRole('toolbar', { name: 'Students' })
    .getByRole('button', { name: `Ada ${name}` })
    .click();
  await page.getByRole('radio', { name: '30' }).click();
  await page.getByRole('button', { name: 'Suggest a plan' }).click();
  await page.getByRole('button', { name: /^Save (appointment|plan)/ }).click();
  await expect(page.getByRole('link', { name: 'Open printable plan' })).toBeVisible();
  const hour = new URL(page.url()).pathname;
  const who = student.split('/').at(-1);
  await page.goto(`/programme/new?student=${who}`);
  await page.getByRole('button', { name: 'Create programme' }).click();
  await expect(
    page.getByRole('heading', { level: 1, name: `Ada ${name}’s programme` }),
  ).toBeVisible();
  const programme = new URL(page.url()).pathname;
  await page.goto(`${student}/homework`);
  const home = await makeHome(page);
  const all = [
    `${student}/set-up`,
    '/programme',
    '/programme?view=week',
    '/programme?view=month',
    '/programme/new',
    '/programme/dates/new',
    programme,
    hour,
    `${hour}/sheet`,
    `${student}/homework`,
    home,
    '/',
    '/students',
    student,
    `${student}/edit`,
    `${student}/report`,
    `/students/compare?student=${student.split('/').at(-1)}`,
    '/drills',
    drill,
    `${drill}/sheet`,
    '/drills/three-in-one',
    session,
    review,
    '/start',
    '/greens',
    '/greens/new',
    green,
    '/records',
    '/records/sign-in',
    '/records/academy',
    '/records/accuracy',
    '/records/backups',
    '/records/files',
    '/offline?view=phone',
  ];
  const onGreen = [
    '/',
    '/programme',
    '/programme?view=month',
    hour,
    home,
    student,
    drill,
    '/drills/three-in-one',
    session,
    review,
    green,
    '/offline?view=phone',
  ];
  return { all, onGreen };
}

/** How a place is looked at. */
export interface Look {
  theme: 'light' | 'dark' | 'glare';
  width: 1280 | 390;
  /** All the rules; or what can differ in another theme, the contrast. */
  by: 'rules' | 'contrast';
}

/** Looks at some places by the rules, in every way that is named, and whether they are wider than the screen; at last as an eye would. */
export async function lookAt(page: Page, places: string[], looks: Look[]): Promise<void> {
  for (const path of places) {
    await page.goto(path);
    for (const { theme, width, by } of looks) {
      await page.setViewportSize({ width, height: width === 390 ? 844 : 800 });
      await page.evaluate((name) => (document.documentElement.dataset.theme = name), theme);
      await page.evaluate(() =>
        Promise.all(document.getAnimations().map((one) => one.finished.catch(() => null))),
      );
      await expectRules(page, by, `${path}, ${theme}, ${width}`);
      await expectNoOverflow(page, path, width);
    }
    await lookOver(page, path);
  }
}

async function expectRules(page: Page, by: 'rules' | 'contrast', where: string): Promise<void> {
  // No page has frames: a window of its own to gather what they say would only take time.
  const axe = new AxeBuilder({ page }).setLegacyMode(true);
  const { violations } = await (
    by === 'contrast'
      ? axe.withRules(['color-contrast'])
      : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
  ).analyze();
  expect(
    violations.map(
      ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`,
    ),
    where,
  ).toEqual([]);
}

/** No place is wider than the screen, once what is drawn has followed its size. */
async function expectNoOverflow(page: Page, path: string, width: number): Promise<void> {
  await expect(async () => {
    const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    expect(over, `${path} is wider than the screen at ${width}`).toBeLessThanOrEqual(0);
  }).toPass({ timeout: 3_000 });
}
