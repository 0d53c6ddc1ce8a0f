import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { addDrill, addStudent, expectCount, finish, logByKeys, startSession, type } from './coach';

test('every place passes the accessibility rules, in every theme and at both widths', async ({
  page,
}) => {
  test.setTimeout(180_000);
  await addStudent(page, 'Ada Weir');
  const student = new URL(page.url()).pathname;
  await addDrill(page, 'Weir gate');
  const drill = new URL(page.url()).pathname;
  await startSession(page, 'Ada Weir', 'Weir gate');
  await logByKeys(page, 'CCCLCRC');
  await expect(page.getByText('all saved')).toBeVisible();
  const session = new URL(page.url()).pathname;
  await startSession(page, 'Ada Weir', 'Weir gate');
  await logByKeys(page, 'CLCC');
  await finish(page);
  await expect(page.getByText('3 of 4 clear')).toBeVisible();
  const review = new URL(page.url()).pathname;
  await page.goto('/greens/new');
  await type(page, 'Name', 'Mole green');
  await type(page, 'Spot 1', 'Low side');
  await page.getByRole('button', { name: 'Add green' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Mole green' })).toBeVisible();
  const green = new URL(page.url()).pathname;
  const places = [
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
  ];
  /** Everything once in the light at both widths; in the other themes what can differ there: the contrast. */
  const looks = [
    { theme: 'light', width: 1280, contrastOnly: false },
    { theme: 'light', width: 390, contrastOnly: false },
    { theme: 'dark', width: 1280, contrastOnly: true },
    { theme: 'glare', width: 390, contrastOnly: true },
  ];
  for (const { theme, width, contrastOnly } of looks) {
    await page.evaluate((name) => localStorage.setItem('theme', name), theme);
    await page.setViewportSize({ width, height: width === 390 ? 844 : 800 });
    // What is not used on the green keeps its roles and names on a narrow screen: only its width is looked at there.
    const onGreen = ['/', student, drill, '/drills/three-in-one', session, review, green];
    for (const path of contrastOnly ? onGreen : places) {
      await page.goto(path);
      await page.waitForTimeout(150);
      const axe = new AxeBuilder({ page });
      const lookedAt = width === 1280 || onGreen.includes(path);
      const { violations } = !lookedAt
        ? { violations: [] }
        : await (
            contrastOnly
              ? axe.withRules(['color-contrast'])
              : axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
          ).analyze();
      expect(
        violations.map(
          ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 120)).join(' | ')}`,
        ),
        `${path}, ${theme}, ${width}`,
      ).toEqual([]);
      const overflow = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
      expect(overflow, `${path} is wider than the screen at ${width}`).toBeLessThanOrEqual(0);
    }
  }
});

test('a session can be logged with the keyboard alone, from Tab and Enter', async ({ page }) => {
  await addStudent(page, 'Kit Barge');
  await addDrill(page, 'Barge gate');
  await startSession(page, 'Kit Barge', 'Barge gate');
  const left = page.getByRole('button', { name: '◀ left tee A' });
  await left.focus();
  await page.keyboard.press('Enter');
  await expectCount(page, 0, 1);
  await page.waitForTimeout(300);
  await page.keyboard.press('Space');
  await expectCount(page, 0, 2);
  await page.keyboard.press('Tab');
  await page.waitForTimeout(300);
  await page.keyboard.press('Enter');
  await expectCount(page, 1, 3);
});

test('a double touch is one putt', async ({ page }) => {
  await addStudent(page, 'Bo Mooring');
  await addDrill(page, 'Mooring gate');
  await startSession(page, 'Bo Mooring', 'Mooring gate');
  await page.getByRole('button', { name: 'Clear through the gate' }).dblclick();
  await expectCount(page, 1, 1);
});
