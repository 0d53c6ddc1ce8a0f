import { addStudent, finish, startBuiltIn, untilNextTouch } from './coach';
import { expect, test, type Page } from './test';

/** One putt: the read said, then what became of it. */
async function putt(page: Page, read: string, number: number): Promise<void> {
  await page.getByRole('button', { name: read, exact: true }).click();
  await page.getByRole('button', { name: /Holed/ }).first().click();
  await page.getByRole('button', { name: 'Next', exact: true }).click();
  await expect(page.getByRole('status', { name: 'count' })).toHaveText(`${number}of 12 putts`);
  await untilNextTouch(page);
}

test('the read is said before the putt, told against the true one, and learnt', async ({
  page,
}) => {
  await addStudent(page, 'Orla Sluice');
  const student = new URL(page.url()).pathname;
  await startBuiltIn(page, 'read-first', 'Orla Sluice');
  // Nothing on the screen tells the break before it is said.
  await expect(page.getByText(/cups? outside the (left|right) edge/)).toHaveCount(0);
  // Three putts from each of four sides: across the fall, along it, across, along.
  const first = page.getByText(
    /Read: edge (left|right)\. True break: 1\.4 cups outside the (left|right) edge/,
  );
  await page.getByRole('button', { name: 'Mark it on a picture' }).click();
  await page.getByRole('img', { name: /^The hole from behind the ball/ }).click();
  await page.getByRole('button', { name: 'Marked on the picture' }).waitFor();
  for (let number = 1; number <= 12; number++) {
    const station = Math.floor((number - 1) / 3);
    const said = station % 2 === 1 ? 'Straight' : station === 0 ? 'Edge right' : 'Edge left';
    await putt(page, said, number);
    if (number === 1) await expect(first).toBeVisible();
  }
  await finish(page);
  await page.goto(student);
  const words = page.getByRole('region', { name: 'What the putts show' });
  // Six reads of a break: two more are needed before anything is said.
  await expect(words.getByRole('heading', { name: 'Reading' })).toHaveCount(0);
  await startBuiltIn(page, 'read-only', 'Orla Sluice');
  for (let number = 1; number <= 4; number++) {
    // The first is touched on the picture: beside the hole, to its right.
    const picture = page.getByRole('img', { name: /^The hole from behind the ball/ });
    if (number === 1) {
      const box = (await picture.boundingBox())!;
      await picture.click({ position: { x: 0.6 * box.width, y: 0.3 * box.height } });
      await expect(
        page.getByText(/Read: .*outside the right edge, right to left\. True break:/),
      ).toBeVisible();
    } else await page.getByRole('button', { name: 'Edge right', exact: true }).click();
    await expect(page.getByRole('status', { name: 'count' })).toHaveText(`${number}of 10 putts`);
    await untilNextTouch(page);
  }
  await finish(page);
  await page.goto(student);
  await expect(words.getByRole('heading', { name: 'Reading' })).toBeVisible();
  await expect(words).toContainText(/Orla sees \d\d % of the break/);
  await expect(words).toContainText(/\d+ reads\. 80 % interval \d+–\d+ % of the true break/);
});

test('the next spot is chosen, said and shown on a map; what was missed comes back', async ({
  page,
}) => {
  await addStudent(page, 'Tamsin Weir');
  await startBuiltIn(page, 'next-spot', 'Tamsin Weir');
  const next = (spot: number) =>
    expect(
      page.getByRole('img', { name: `Map of the 9 spots around the hole. Spot ${spot} is next.` }),
    ).toBeVisible();
  await next(1);
  await expect(page.getByRole('button', { name: /Next putt: 9 ft, 1st of 9 spots/ })).toBeVisible();
  for (let number = 1; number <= 12; number++) {
    // The fourth spot is missed, all others are holed.
    await page
      .getByRole('button', { name: number === 4 ? /^Short/ : /^Holed/ })
      .first()
      .click();
    await expect(page.getByRole('status', { name: 'count' })).toHaveText(`${number}of 18 putts`);
    await untilNextTouch(page);
    if (number < 9) await next(number + 1);
  }
  // All nine once; then the missed one first of all, then who waits longest.
  await next(3);
});
