import { test } from './test';
import { addDrill, addStudent, expectCount, startSession, untilNextTouch } from './coach';
import { everyPlace, lookAt } from './every-place';

test('every place passes the accessibility rules and fits a phone; what is used on the green, in every theme', async ({
  page,
}) => {
  test.setTimeout(420_000);
  const { all, onGreen } = await everyPlace(page, 'Weir');
  await lookAt(page, onGreen, [
    { theme: 'light', width: 390, by: 'rules' },
    { theme: 'dark', width: 1280, by: 'contrast' },
    { theme: 'glare', width: 390, by: 'contrast' },
  ]);
  // What is not used on the green keeps its roles and names on a narrow screen: there it is looked over, as all are.
  const others = all.filter((path) => !onGreen.includes(path));
  await lookAt(page, others, [{ theme: 'light', width: 1280, by: 'rules' }]);
});

test('a session can be logged with the keyboard alone, from Tab and Enter', async ({ page }) => {
  await addStudent(page, 'Kit Barge');
  await addDrill(page, 'Barge gate');
  await startSession(page, 'Kit Barge', 'Barge gate');
  const left = page.getByRole('button', { name: '◀ left tee A' });
  await left.focus();
  await page.keyboard.press('Enter');
  await expectCount(page, 0, 1);
  await untilNextTouch(page);
  await page.keyboard.press('Space');
  await expectCount(page, 0, 2);
  await page.keyboard.press('Tab');
  await untilNextTouch(page);
  await page.keyboard.press('Enter');
  await expectCount(page, 1, 3);
});

test('a double touch is one putt', async ({ page }) => {
  await addStudent(page, 'Bo Mooring');
  await addDrill(page, 'Mooring gate');
  await startSession(page, 'Bo Mooring', 'Mooring gate');
  await page.getByRole('button', { name: 'Through the gate' }).dblclick();
  await expectCount(page, 1, 1);
});
