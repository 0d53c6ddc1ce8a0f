import { addDrill, addStudent, finish, logByKeys, startSession, type } from './coach';
import { expect, test, type Page } from './test';

const sheet = (page: Page) => page.getByRole('dialog', { name: /tape list|set it up/i });
const openCard = async (page: Page) => {
  await page.getByRole('button', { name: 'Tape list' }).click();
  await expect(sheet(page)).toBeVisible();
};

test('a set-up card is filled in once, confirmed with one touch, and a change is told', async ({
  page,
}) => {
  await addStudent(page, 'Nell Capstan');
  const student = new URL(page.url()).pathname;
  await addDrill(page, 'Capstan gate');

  await page.goto(`${student}/set-up`);
  await expect(page.getByText(/The set-up card is under the tape list/)).toBeVisible();

  await test.step('filled in, with a mistake told beside its field', async () => {
    await startSession(page, 'Nell Capstan', 'Capstan gate');
    await openCard(page);
    await sheet(page).getByRole('button', { name: 'Fill in card' }).click();
    const card = page.getByRole('dialog', { name: 'Set-up card' });
    await card.getByRole('combobox', { name: 'Grip', exact: true }).click();
    await page.getByRole('option', { name: /^Claw/ }).click();
    await type(page, 'Grip pressure', '14');
    await type(page, 'Ball position from the breastbone', '30 mm');
    await card.getByRole('button', { name: 'Save card' }).click();
    await expect(
      card.getByText('“14”: Grip pressure must be a whole number from 1 to 10.'),
    ).toBeVisible();
    await expect(card.getByText('Add the side: 30 mm behind or 30 mm ahead.')).toBeVisible();
    await type(page, 'Grip pressure', '4');
    await type(page, 'Ball position from the breastbone', '30 mm ahead');
    await card.getByRole('button', { name: 'Save card' }).click();
    await expect(card).toBeHidden();
    await expect(sheet(page)).toContainText(
      'Own putter · claw · grip pressure 4 out of 10 · ball 30 mm ahead',
    );
    await expect(sheet(page)).toContainText('Checked today.');
    await sheet(page).getByRole('button', { name: 'Close' }).click();
    await logByKeys(page, 'CCL');
    await page.reload();
    await openCard(page);
    await expect(sheet(page)).toContainText('Checked today.');
    await sheet(page).getByRole('button', { name: 'Close' }).click();
    await finish(page);
  });

  await test.step('confirmed with one touch the next time', async () => {
    await startSession(page, 'Nell Capstan', 'Capstan gate');
    await openCard(page);
    await expect(sheet(page)).toContainText(/claw .* Last checked on/);
    await sheet(page).getByRole('button', { name: 'Same as last time' }).click();
    await expect(sheet(page)).toContainText('Checked today.');
    await sheet(page).getByRole('button', { name: 'Change card' }).click();
    const card = page.getByRole('dialog', { name: 'Set-up card' });
    await card.getByRole('combobox', { name: 'Grip', exact: true }).click();
    await page.getByRole('option', { name: /^Lead hand low/ }).click();
    await type(page, 'Eye position from the ball line', '30 mm outside');
    await card.getByRole('button', { name: 'Save card' }).click();
    await expect(sheet(page)).toContainText(
      'With the eyes 30 mm outside the line, the line looks turned',
    );
    await sheet(page).getByRole('button', { name: 'Close' }).click();
    await logByKeys(page, 'CLC');
    await finish(page);
  });

  await page.goto(`${student}/set-up`);
  await expect(page.getByRole('region', { name: 'Set-up card' })).toContainText(
    /eyes 30 mm outside/i,
  );
  const change = page.getByRole('region', { name: 'Did the change work?' });
  await expect(change).toContainText(/Lead hand low since .* \(was claw\)/);
  await expect(change).toContainText('Not enough putts yet');
});

test('a second putter is measured, taken into use, and layouts are fitted to it', async ({
  page,
}) => {
  await addStudent(page, 'Jory Bollard');
  const student = new URL(page.url()).pathname;
  await page.goto(`${student}/set-up`);
  const putters = page.getByRole('region', { name: 'Putters' });
  await putters.getByRole('button', { name: 'Add putter' }).click();
  await type(page, 'Name', 'Harbour mallet');
  await type(page, 'Head length, heel to toe', '95 mm');
  await type(page, 'Loft', '14°');
  await page.getByRole('button', { name: 'Add putter' }).click();
  await expect(page.getByText(/A loft of 14° is out of range: use 0° to 10°/)).toBeVisible();
  await type(page, 'Loft', '3°');
  await type(page, 'Head mass', '360 g');
  await page.getByRole('radio', { name: 'mallet', exact: true }).click();
  await page.getByRole('button', { name: 'Add putter' }).click();
  const mallet = putters.getByRole('listitem').filter({ hasText: 'Harbour mallet' });
  await expect(mallet).toContainText('mallet · head 95 mm by 25 mm · lie 70° · loft 3.0° · 360 g');
  await mallet.getByRole('button', { name: 'Use this putter' }).click();
  await expect(mallet.getByText('in use')).toBeVisible();
  await page.goto(student);
  await expect(page.getByText(/head 95 mm by 25 mm/)).toBeVisible();
  await page.goto(`${student}/set-up`);
  await putters.getByRole('button', { name: 'Remove Own putter' }).click();
  await expect(putters.getByText('Own putter', { exact: true })).toHaveCount(0);
});
