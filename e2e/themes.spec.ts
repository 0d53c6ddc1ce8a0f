import { everyPlace, lookAt } from './every-place';
import { test } from './test';

test('what is used on the green passes the accessibility rules on a phone, and in every theme', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const { onGreen } = await everyPlace(page, 'Hatch');
  await lookAt(page, onGreen, { theme: 'light', width: 390, contrastOnly: false });
  await lookAt(page, onGreen, { theme: 'dark', width: 1280, contrastOnly: true });
  await lookAt(page, onGreen, { theme: 'glare', width: 390, contrastOnly: true });
});
