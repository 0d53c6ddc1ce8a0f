import { addStudent, finish, startBuiltIn, untilNextTouch } from './coach';
import { expect, test, type Page } from './test';

/** One putt: how the aim looked, then what the ball did at the gate. */
async function putt(page: Page, aim: string, gate: string, number: number): Promise<void> {
  await page.getByRole('button', { name: aim, exact: true }).click();
  await page.getByRole('button', { name: gate }).click();
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(page.getByRole('status', { name: 'count' })).toHaveText(`${number}of 15 putts`);
  await untilNextTouch(page);
}

test('a crooked aim and the stroke that hides it are told apart', async ({ page }) => {
  await addStudent(page, 'Ines Towpath');
  const student = new URL(page.url()).pathname;
  await startBuiltIn(page, 'aim-string', 'Ines Towpath');
  // Aimed a ball left, and yet through the gate: the stroke pushes it back.
  for (let number = 1; number <= 14; number++) {
    await putt(page, number % 4 === 0 ? 'Aim left' : 'Far left', 'Ball gate: Through', number);
  }
  await finish(page);
  await page.goto(student);
  const words = page.getByRole('region', { name: 'What the putts show' });
  await expect(words.getByRole('heading', { name: 'Aim and stroke' })).toBeVisible();
  await expect(words).toContainText(
    /Ines aims 1\.\d° left, then pushes \d\.\d°, and each error hides the other\./,
  );
  await expect(words).toContainText('Based on 14 aim checks. 80 % intervals');
  await expect(page.getByText(/\d+ more measurements|^Aim$/).first()).toBeVisible();
  // Each look is counted over the weeks, too.
  await expect(page.getByRole('region', { name: 'Checks by eye' })).toContainText(
    'Aim square: 0 of 14',
  );
  // A drill for it is one touch away, and it is done without a ball.
  await page.goto('/drills/aim-coin');
  await expect(page.getByText('aim check').first()).toBeVisible();
});
