import { addStudent, finish, makeHome, startBuiltIn, type } from './coach';
import { expect, test, type Page } from './test';

/** A picture of 40 by 30, drawn by the browser, as a phone would hand it over. */
async function drawn(page: Page): Promise<Buffer> {
  const url = await page.evaluate(() => {
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [40, 30];
    const ink = canvas.getContext('2d')!;
    ink.fillStyle = 'green';
    ink.fillRect(0, 0, 40, 30);
    return canvas.toDataURL('image/png');
  });
  return Buffer.from(url.split(',')[1]!, 'base64');
}

/** Gives the straight gate as homework, on a student's page of it. */
async function giveStraightGate(page: Page): Promise<void> {
  await page.getByRole('combobox', { name: 'Drill' }).click();
  await page
    .getByRole('option', { name: /^Straight gate/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Assign', exact: true }).click();
}

test('a student says how homework felt, with a picture; the coach sees it under Today and answers', async ({
  page,
  browser,
}) => {
  await addStudent(page, 'Fenna Sluis');
  const student = new URL(page.url()).pathname;
  await page.goto(`${student}/homework`);
  await giveStraightGate(page);
  await expect(page.getByRole('region', { name: 'Current homework' })).toContainText(
    'Straight gate',
  );
  const home = await makeHome(page);

  const phone = await (
    await browser.newContext({ viewport: { width: 390, height: 844 } })
  ).newPage();
  await phone.goto(new URL(home, page.url()).href);
  await phone.getByText('Tell your coach how it went').click();
  await phone.getByRole('button', { name: 'Send message' }).click();
  await expect(phone.getByText('Say how it felt, write a message or add a picture.')).toBeVisible();
  await phone.getByRole('button', { name: /hard work/ }).click();
  await type(phone, 'Message to your coach', 'The carpet is faster than the green.');
  await phone
    .locator('input[type=file]')
    .setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('x') });
  await expect(phone.getByText('notes.txt cannot be read as a picture.')).toBeVisible();
  await phone
    .locator('input[type=file]')
    .setInputFiles({ name: 'set-up.png', mimeType: 'image/png', buffer: await drawn(phone) });
  await expect(phone.getByAltText('Picture to be sent')).toBeVisible();
  await phone.getByRole('button', { name: 'Send message' }).click();
  await expect(phone.getByText('Sent to your coach.')).toBeVisible();

  await page.goto('/');
  const waiting = page.getByText('“The carpet is faster than the green.”');
  await expect(waiting).toBeVisible();
  await page.getByRole('link', { name: 'Reply to Fenna' }).click();
  const said = page.getByRole('list', { name: 'Messages' });
  await expect(said).toContainText(/Fenna, .* felt hard work \(2 of 5\)/);
  const picture = said.getByRole('img');
  await expect(picture).toHaveAttribute('src', /^data:image\/jpeg;base64,/);
  expect(await picture.evaluate((one: HTMLImageElement) => one.naturalWidth)).toBe(40);
  await type(page, 'Reply to Fenna', 'Roll two balls first, then lower the gate speed.');
  await page.getByRole('button', { name: 'Send reply' }).click();
  await expect(said).toContainText('Roll two balls first');
  await page.goto('/');
  await expect(waiting).toHaveCount(0);
  await phone.reload();
  await expect(phone.getByRole('list', { name: 'Messages' })).toContainText('Roll two balls first');
  await phone.context().close();
});

test('the routine is kept or broken putt by putt, and what that does is told', async ({ page }) => {
  await addStudent(page, 'Gerrit Wherry');
  const student = new URL(page.url()).pathname;
  await startBuiltIn(page, 'routine-kept', 'Gerrit Wherry');
  await expect(page.getByText(/^Routine: /).first()).toBeVisible();
  for (let putt = 0; putt < 18; putt++) {
    // Nine kept, of which eight go in; nine hurried, of which two do.
    const kept = putt % 2 === 0;
    if (putt === 0) {
      // Timed from stepping in to the strike, and the time stays with whatever is said of it.
      await page.getByRole('button', { name: 'Start timing as the player steps in' }).click();
      await expect(page.getByRole('button', { name: /Stop at impact: 0\.[3-9] s/ })).toBeVisible();
      await page.getByRole('button', { name: /^Stop at impact/ }).click();
      await expect(page.getByRole('status', { name: 'seen so far' })).toContainText(
        /Kept, 0\.\d s/,
      );
    }
    await page.getByRole('button', { name: kept ? /^Kept/ : /^Hurried/ }).click();
    const holed = kept ? putt > 0 : putt < 4;
    await page
      .getByRole('button', { name: holed ? /^Holed/ : /^Short/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'Next', exact: true }).click();
    await expect(page.getByRole('status', { name: 'count' })).toContainText(`${putt + 1}`);
  }
  await finish(page);
  await page.goto(student);
  const looked = page.getByRole('region', { name: 'Checks by eye' });
  await expect(looked).toContainText('Kept: 9 of 18');
  await expect(looked).toContainText(
    /With it, 8 of 9 putts passed; without it, 2 of 9\. It helps \(9\d % sure, comparing/,
  );
});

test('a carpet is measured with a ball off a book, and what is putted at home is scored for its speed', async ({
  page,
  browser,
}) => {
  await addStudent(page, 'Hanne Kolk');
  await page.goto(`${new URL(page.url()).pathname}/homework`);
  await giveStraightGate(page);
  const home = await makeHome(page);
  const phone = await (
    await browser.newContext({ viewport: { width: 390, height: 844 } })
  ).newPage();
  await phone.goto(new URL(home, page.url()).href);
  const carpet = phone.getByRole('region', { name: 'Your carpet' });
  await expect(carpet).toContainText('not measured yet');
  await carpet.getByText('Your carpet').click();
  await type(phone, 'Height of the book’s top edge above the floor', '2 cm');
  await type(phone, 'Roll from the foot of the book to the ball', '3 m');
  await type(phone, 'The same roll in the opposite direction', '3 m');
  await expect(carpet.getByRole('alert')).toContainText('it must be 1.2 m to 5 m');
  await expect(carpet.getByRole('button', { name: 'Save carpet speed' })).toBeDisabled();
  await type(phone, 'Height of the book’s top edge above the floor', '6 cm');
  await type(phone, 'Roll from the foot of the book to the ball', '75 cm');
  await type(phone, 'The same roll in the opposite direction', '75 cm');
  // By hand: 1.83² / (10/7 · 9.80665 · 0.06) · 0.75 m = 2.99 m, 9.8 ft.
  await expect(carpet).toContainText('Carpet speed: 9.8 ft.');
  await carpet.getByRole('button', { name: 'Save carpet speed' }).click();
  await expect(carpet).toContainText('rolls like a green of 9.8 ft');
  await phone.getByRole('button', { name: 'Start Straight gate' }).click();
  await expect(phone.getByRole('dialog')).toContainText('9.8 ft');
  await phone.context().close();
});
