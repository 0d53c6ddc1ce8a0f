import { LIBRARY } from '../src/core/drill';
import { libraryRef } from '../src/features/programme/library-ref';
import { addStudent, finish, setUp } from './coach';
import { expect, test, type Page } from './test';

/** Logs one putt by what stands on the screen: a read is said, then all is as it should be. */
async function logOne(page: Page): Promise<void> {
  const read = page.getByRole('button', { name: 'Straight', exact: true });
  const all = page.getByRole('button', { name: 'All good' });
  const next = page.getByRole('button', { name: 'Next', exact: true });
  if (await read.isVisible()) await read.click();
  if (await all.isVisible()) await all.click();
  else await page.keyboard.press('Space');
  if ((await next.isVisible()) && (await next.isEnabled())) await next.click();
  // A guess comes first: then the putt itself.
  const logged = page.getByRole('button', { name: 'View or correct putts' });
  if (!(await logged.isEnabled())) await page.keyboard.press('Space');
  await expect(logged).toBeEnabled();
}

// One beside the other.
test.describe.configure({ mode: 'parallel' });

for (const half of [0, 1]) {
  test(`every method of the library is set, played and told through the screen: half ${half + 1} of 2`, async ({
    page,
  }) => {
    test.setTimeout(420_000);
    const who = `Method ${['One', 'Two'][half]}`;
    await addStudent(page, who);
    const student = new URL(page.url()).pathname;
    const methods = LIBRARY.filter((_, index) => index % 2 === half);
    for (const { key, name } of methods) {
      await test.step(key, async () => {
        await page.goto(`/start?student=${student.split('/').at(-1)}&drill=${libraryRef(key)}`);
        await page.getByRole('button', { name: 'Start session' }).click();
        await setUp(page);
        await logOne(page);
        await finish(page);
        const told = page.getByRole('region', { name, exact: true });
        await expect(told).toContainText(/[01] of 1 /);
        await expect(told).not.toContainText(/undefined|NaN|, ;|; ;/);
      });
    }
    await page.goto(student);
    for (const ruler of ['Start line', 'Face', 'Path', 'Strike', 'Pace'])
      await expect(page.getByText(ruler, { exact: true }).first()).toBeVisible();
    // Strokes made otherwise than usual, and what only an eye saw, score nothing: all the rest does.
    const sub = await page.getByText(/\d+ sessions?, \d+ putts? since/).innerText();
    expect(Number(/(\d+) sessions?/.exec(sub)![1])).toBeGreaterThan(0.7 * methods.length);
    const looked = page.getByRole('region', { name: 'Checks by eye' }).getByRole('listitem');
    await expect(looked.first()).toBeVisible();
    expect(await looked.count()).toBeGreaterThan(3);
  });
}
