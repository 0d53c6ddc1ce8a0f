import { LANGUAGE_COOKIE, PSEUDO } from '@/words/language';
import { everyPlace } from './every-place';
import { faultsIn } from './look-over';
import { expect, test } from './test';

/** A phone upright and on its side, and a laptop. */
const SIZES = [
  { width: 390, height: 844 },
  { width: 844, height: 390 },
  { width: 1280, height: 800 },
];

test('every page holds texts that are 40 % longer: nothing overlaps and nothing is cut off', async ({
  page,
  context,
  baseURL,
}) => {
  test.slow();
  const { all } = await everyPlace(page, 'Lange');
  await context.addCookies([{ name: LANGUAGE_COOKIE, value: PSEUDO, url: baseURL! }]);
  const wrong: string[] = [];
  for (const path of all) {
    await page.goto(path);
    await expect(page.locator('html')).toHaveAttribute('lang', PSEUDO);
    for (const size of SIZES) {
      await page.setViewportSize(size);
      const where = `${path.replaceAll(/[0-9a-f-]{36}/g, '…')} at ${size.width}`;
      const { overlaps, outside } = await faultsIn(page);
      wrong.push(...[...overlaps, ...outside].map((fault) => `${where}: ${fault}`));
      const over = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
      if (over > 0) wrong.push(`${where}: ${over} px wider than the screen`);
    }
  }
  expect(wrong).toEqual([]);
});
