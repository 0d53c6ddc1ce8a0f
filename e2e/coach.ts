import { libraryRef } from '../src/features/programme/library-ref';
import { SAME_KEY } from '../src/features/session/seen';
import { expect, type Page } from './test';

/** Types into a field; again where the page woke up between choosing what stood in it and typing over that. */
export async function type(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await expect(async () => {
    await field.fill(text);
    await expect(field).toHaveValue(text, { timeout: 300 });
  }).toPass();
}

export async function addStudent(
  page: Page,
  name: string,
  hand: 'Right-handed' | 'Left-handed' = 'Right-handed',
) {
  await page.goto('/students/new');
  await type(page, 'Name', name);
  await page.getByRole('radio', { name: hand }).click();
  await page.getByRole('button', { name: 'Add student' }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
}

export async function addDrill(page: Page, name: string, gap = '60 mm') {
  await page.goto('/drills/new');
  await type(page, 'Name', name);
  await type(page, 'Gap', gap);
  await page.getByRole('button', { name: 'Save drill' }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
}

/** Makes a link to a student's own page, from their homework, and answers with its path. */
export async function makeHome(page: Page): Promise<string> {
  await page.getByRole('button', { name: /^(Create link to|Replace link)/ }).click();
  await expect(page.getByText('the link is shown only once')).toBeVisible();
  const href = await page.getByRole('link', { name: 'Open link' }).getAttribute('href');
  return new URL(href!).pathname;
}

/** Chooses student and drill and starts; leaves the page on the logging screen. */
export async function startSession(page: Page, student: string, drill: string) {
  await page.goto('/start');
  await page.getByRole('combobox', { name: 'Student' }).click();
  // Tried again, somebody of that name is there already.
  await page.getByRole('option', { name: student }).first().click();
  await page.getByRole('combobox', { name: 'Drill' }).click();
  await page.getByRole('option', { name: drill }).first().click();
  await page.getByRole('button', { name: 'Start session' }).click();
  await setUp(page);
  await expect(page.getByRole('button', { name: /Through/ }).first()).toBeVisible();
}

/** Starts a built-in drill for students who are there already. */
export async function startBuiltIn(page: Page, drill: string, ...students: string[]) {
  await page.goto(`/start?drill=${libraryRef(drill)}`);
  for (const [index, student] of students.entries()) {
    if (index > 0) await page.getByRole('button', { name: 'Add student to the rotation' }).click();
    const name = index === 0 ? 'Student' : `Student ${index + 1}`;
    await page.getByRole('combobox', { name, exact: true }).click();
    // Tried again, somebody of that name is there already.
    await page.getByRole('option', { name: student }).first().click();
  }
  await page.getByRole('button', { name: 'Start session' }).click();
  await setUp(page);
}

/** Waits until so many ms have passed, by the clock that touches have. */
export async function apartFrom(page: Page, apart: number) {
  const now = await page.evaluate(() => performance.now());
  await page.waitForFunction(([since, ms]) => performance.now() - since > ms, [
    now,
    apart,
  ] as const);
}

/** Waits until a touch is no second one of the touch before. */
export const untilNextTouch = (page: Page): Promise<void> => apartFrom(page, SAME_KEY);

/** Touches a picture at shares of its width and height. */
export async function touchPicture(page: Page, name: RegExp, across: number, down: number) {
  await untilNextTouch(page);
  const box = (await page.getByRole('img', { name }).boundingBox())!;
  await page.mouse.click(box.x + across * box.width, box.y + down * box.height);
}

/** Says that the layout stands, once the screen can take a putt. */
export async function setUp(page: Page) {
  await page.getByRole('button', { name: 'Start putting' }).click();
  await expect(page.getByText('all saved')).toBeVisible();
}

/** Finishes; all that was put out is counted in. */
export async function finish(page: Page) {
  await page.getByRole('button', { name: 'Finish' }).first().click();
  await page.getByRole('button', { name: 'Finish, all collected' }).click();
}

/** Logs by keys: C clear, L left, R right. */
export async function logByKeys(page: Page, putts: string) {
  for (const putt of putts) {
    await page.keyboard.press({ C: 'Space', L: 'ArrowLeft', R: 'ArrowRight' }[putt] ?? putt);
  }
}

/** The large count: "3 of 5 through". */
export const expectCount = (page: Page, clear: number, putts: number) =>
  expect(page.getByRole('status', { name: 'count' })).toHaveText(`${clear}of ${putts} through`);
