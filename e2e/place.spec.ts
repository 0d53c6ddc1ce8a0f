import { expect, test, type Page } from './test';
import { addStudent, finish, startBuiltIn, touchPicture, untilNextTouch } from './coach';

const where = (page: Page) => page.getByRole('button', { name: /^Next putt: / });
const count = (page: Page) => page.getByRole('status', { name: 'count' });

/** Somebody new starts a built-in drill. */
async function start(page: Page, drill: string, student: string) {
  await addStudent(page, student);
  await startBuiltIn(page, drill, student);
}

/** Touches the green round the hole, at shares of its width and height. */
const rest = (page: Page, across: number, down: number) =>
  touchPicture(page, /Tap where it stopped/, across, down);

test('each putt says where it is made from: round the hole, and a length farther than where the last one stopped', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await start(page, 'four-round', 'Quill Mast');
  await expect(where(page)).toContainText('3 ft, 1st of 4 spots, downhill');
  await page.keyboard.press('Space');
  await expect(where(page)).toContainText(/3 ft, 2nd of 4 spots, .* the right edge/);
  await page.keyboard.press('Space');
  await expect(where(page)).toContainText('3 ft, 3rd of 4 spots, uphill');
  await page.keyboard.press('u');
  await expect(where(page)).toContainText('2nd of 4 spots');
  await page.keyboard.press('Space');
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Missed left' }).click();
  await expect(page.getByText(/^Completed in 4 putts/)).toBeVisible();
  await finish(page);
  await test.step('the review counts by place', async () => {
    const list = page.getByRole('listitem').filter({ hasText: '4th of 4 spots' });
    await expect(list.first()).toContainText('0 of 1');
  });
});

test('a long putt is followed by one from where it stopped; where nobody looked, the coach says', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await start(page, 'lag-and-farther', 'Rilla Spar');
  await expect(where(page)).toContainText('30 ft');
  await rest(page, 0.5, 0.25);
  await expect(where(page)).toContainText(/^\d+ ft.*, 2nd putt$/);
  await untilNextTouch(page);
  await page.getByRole('button', { name: 'Holed' }).click();
  await expect(where(page)).toContainText('30 ft');
  await untilNextTouch(page);
  await page.getByRole('button', { name: 'Short' }).click();
  // The next putt is made from there: a key alone is not enough.
  const asked = page.getByRole('status', { name: 'where it stopped' });
  await expect(asked).toContainText('Where did it stop?');
  await rest(page, 0.5, 0.9);
  await expect(asked).toBeHidden();
  await expect(where(page)).toContainText(/^\d+ ft.*, 2nd putt$/);
  await untilNextTouch(page);
  await page.getByRole('button', { name: 'Holed' }).click();
  await untilNextTouch(page);
  await page.getByRole('button', { name: 'Short' }).click();
  await page.getByRole('button', { name: 'Not seen', exact: true }).click();
  await expect(where(page)).toContainText('spot not set');
  await where(page).click();
  await page.getByLabel('Distance from the hole').fill('6 ft');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(where(page)).toContainText('6 ft, 2nd putt');
  await untilNextTouch(page);
  await page.getByRole('button', { name: 'Holed' }).click();
  await expect(count(page)).toContainText('6');
  await expect(page.getByText('all saved')).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'View or correct putts' }).click();
  const last = page.getByRole('dialog').getByRole('listitem').first();
  await last.getByRole('button').first().click();
  await expect(last.getByText('6 ft, 2nd putt')).toBeVisible();
});

test('a ball struck otherwise is told, kept apart, and a run can be marked as practice strokes', async ({
  page,
}) => {
  await start(page, 'look-feel-blind', 'Sabe Loft');
  await expect(where(page)).toContainText(
    '12 ft, 1st of 2 spots · ball 1 of 4: looking at the hole',
  );
  await page.keyboard.press('Space');
  await page.keyboard.press('Space');
  await expect(where(page)).toContainText('ball 3 of 4: eyes closed');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Space');
  await expect(where(page)).toContainText('24 ft, 2nd of 2 spots · ball 1 of 4');
  await finish(page);
  await expect(page.getByRole('listitem').filter({ hasText: 'eyes closed' }).first()).toContainText(
    '0 of 1',
  );
  await page.getByRole('button', { name: 'Mark all as practice strokes' }).click();
  await expect(page.getByRole('button', { name: 'Count all as usual strokes' })).toBeVisible();
  await expect(
    page.getByRole('listitem').filter({ hasText: 'practice stroke' }).first(),
  ).toContainText('3 of 4');
});

test('one picture to touch: nothing under 44 px, nothing over another, at three sizes', async ({
  page,
}) => {
  await start(page, 'three-in-one', 'Tove Rig');
  for (const [width, height] of [
    [1280, 800],
    [390, 844],
    [844, 390],
  ] as const) {
    await page.setViewportSize({ width, height });
    await expect(page.getByRole('button', { name: 'All good' })).toBeInViewport();
    await expect(page.getByRole('button', { name: 'Undo' })).toBeInViewport();
    const boxes = await page
      .getByRole('group', { name: /^(Putter gate|Ball gate)$/ })
      .getByRole('button')
      .evaluateAll((buttons) =>
        buttons.map((button) => {
          const { x, y, width, height } = button.getBoundingClientRect();
          return { x, y, width, height };
        }),
      );
    expect(boxes).toHaveLength(6);
    for (const [index, one] of boxes.entries()) {
      expect(Math.min(one.width, one.height)).toBeGreaterThanOrEqual(44);
      expect(one.x).toBeGreaterThanOrEqual(0);
      expect(one.x + one.width).toBeLessThanOrEqual(width);
      expect(one.y + one.height).toBeLessThanOrEqual(height);
      for (const other of boxes.slice(0, index)) {
        const apart =
          one.x + one.width <= other.x ||
          other.x + other.width <= one.x ||
          one.y + one.height <= other.y ||
          other.y + other.height <= one.y;
        expect(apart).toBe(true);
      }
    }
  }
  await test.step('what was seen is taken back by touching it again; nothing is assumed', async () => {
    const heel = page.getByRole('button', { name: /Putter gate: tee A/ });
    await heel.click();
    await expect(heel).toHaveAttribute('aria-pressed', 'true');
    await untilNextTouch(page);
    await heel.click();
    await expect(heel).toHaveAttribute('aria-pressed', 'false');
    await expect(page.getByRole('button', { name: 'Next', exact: true })).toBeDisabled();
    await page.getByRole('button', { name: /Ball gate: tee C/ }).click();
    await page.getByRole('button', { name: 'Next', exact: true }).click();
    await expect(count(page)).toHaveText('0of the 8 needed');
  });
});
