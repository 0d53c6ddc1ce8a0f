import { expect, test } from '@playwright/test';
import { addStudent, logByKeys } from './coach';

test('a rule counts for the coach, ends the drill kindly, and undo takes it back', async ({
  page,
}) => {
  await addStudent(page, 'Tally Lock');
  await page.goto('/drills/rod-corridor');
  await page.getByRole('button', { name: 'Start session' }).click();
  await page.getByRole('combobox', { name: 'Student' }).click();
  await page.getByRole('option', { name: 'Tally Lock' }).click();
  await page.getByRole('button', { name: 'Start session' }).click();
  await expect(page.getByText('all saved')).toBeVisible();
  const count = page.getByRole('status', { name: 'count' });
  await expect(count).toHaveText('0of 3 in a row');
  await logByKeys(page, 'CL');
  await expect(count).toHaveText('0of 3 in a row');
  await expect(page.getByText('best 1 · start 2 · a miss starts again')).toBeVisible();
  await logByKeys(page, 'CCC');
  await expect(page.getByText('Done in 5 putts.')).toBeVisible();

  await test.step('a finished rule takes no putt, and undo opens it again', async () => {
    await logByKeys(page, 'C');
    await expect(count).toHaveText('3of 3 in a row');
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(count).toHaveText('2of 3 in a row');
    await logByKeys(page, 'C');
    await expect(page.getByText('Done in 5 putts.')).toBeVisible();
  });

  await test.step('the coach may go on all the same, and what was logged is kept', async () => {
    await page.getByRole('button', { name: 'Go on all the same' }).click();
    await logByKeys(page, 'R');
    await expect(page.getByText('all saved')).toBeVisible();
    await page.reload();
    await expect(page.getByText('Done in 5 putts.')).toBeVisible();
    await page
      .getByRole('status', { name: 'the rule' })
      .getByRole('button', { name: 'Finish' })
      .click();
  });
  await expect(page.getByText('4 of 6 clear')).toBeVisible();
  await expect(page.getByText('Done in 5 putts. 3 in a row, or start again')).toBeVisible();
});
