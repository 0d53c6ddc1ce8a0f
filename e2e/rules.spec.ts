import { expect, test } from './test';
import { addStudent, finish, logByKeys, setUp } from './coach';

test('a rule counts for the coach, ends the drill kindly, and undo takes it back', async ({
  page,
}) => {
  await addStudent(page, 'Tally Lock');
  await page.goto('/drills/rod-corridor');
  await page.getByRole('button', { name: 'Start session' }).click();
  await page.getByRole('combobox', { name: 'Student' }).click();
  await page.getByRole('option', { name: 'Tally Lock' }).click();
  await page.getByRole('button', { name: 'Start session' }).click();
  await setUp(page);
  const count = page.getByRole('status', { name: 'count' });
  await expect(count).toHaveText('0of 3 in a row');
  await logByKeys(page, 'CL');
  await expect(count).toHaveText('0of 3 in a row');
  await expect(page.getByText('best 1 · attempt 2 · a miss starts again')).toBeVisible();
  await logByKeys(page, 'CCC');
  await expect(page.getByText('Completed in 5 putts.')).toBeVisible();

  await test.step('a finished rule takes no putt, and undo opens it again', async () => {
    await logByKeys(page, 'C');
    await expect(count).toHaveText('3of 3 in a row');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(count).toHaveText('2of 3 in a row');
    await logByKeys(page, 'C');
    await expect(page.getByText('Completed in 5 putts.')).toBeVisible();
  });

  await test.step('the coach may go on all the same, and what was logged is kept', async () => {
    await page.getByRole('button', { name: 'Keep going' }).click();
    await logByKeys(page, 'R');
    await expect(page.getByText('all saved')).toBeVisible();
    await page.reload();
    await expect(page.getByText('Completed in 5 putts.')).toBeVisible();
    await page
      .getByRole('status', { name: 'Next step' })
      .getByRole('button', { name: 'Finish' })
      .click();
    await page.getByRole('button', { name: 'Finish, all collected' }).click();
  });
  await expect(page.getByText('4 of 6 through')).toBeVisible();
  await expect(page.getByText('Completed in 5 putts. 3 in a row, or start again')).toBeVisible();
});

test('a ladder moves up and down in the middle of a session, each rung scored as it stood', async ({
  page,
}) => {
  await addStudent(page, 'Runa Ladder');
  await page.goto('/drills/gate-ladder');
  await page.getByRole('button', { name: 'Start session' }).click();
  await page.getByRole('combobox', { name: 'Student' }).click();
  await page.getByRole('option', { name: 'Runa Ladder' }).click();
  await page.getByRole('combobox', { name: 'Rung' }).click();
  await page.getByRole('option', { name: '2', exact: true }).click();
  await page.getByRole('button', { name: 'Start session' }).click();
  await setUp(page);
  const count = page.getByRole('status', { name: 'count' });
  await expect(count).toHaveText('2of 6 rungs');
  await logByKeys(page, 'CCC');
  await expect(page.getByText('Move up to rung 3: gap 58 mm.')).toBeVisible();
  await page.getByRole('button', { name: 'Ready on new rung' }).click();
  await expect(page.getByText('Gate ladder, rung 3')).toBeVisible();
  await expect(count).toHaveText('3of 6 rungs');
  await expect(page.getByText('space passed')).toBeVisible();
  await expect(page.getByText('all saved')).toBeVisible();
  await logByKeys(page, 'LRL');
  await expect(page.getByText('Move down to rung 2: gap 62 mm.')).toBeVisible();
  await page.getByRole('button', { name: 'Stay on this rung' }).click();
  await logByKeys(page, 'C');
  await expect(page.getByText('all saved')).toBeVisible();
  await finish(page);
  await expect(page.getByText('4 of 7 through; longest streak 3.')).toBeVisible();
  await expect(
    page.getByText(/rung 2, gap 62 mm · 0 hit the left tee, 0 hit the right/),
  ).toBeVisible();
  await expect(
    page.getByText(/rung 3, gap 58 mm · 2 hit the left tee, 1 hit the right/),
  ).toBeVisible();
});
