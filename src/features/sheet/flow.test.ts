import { flowOn } from './flow';
import { PAPERS } from './paper';

jest.mock('server-only', () => ({}));

const pagesOf = (file: Buffer): number =>
  (file.toString('latin1').match(/\/Type \/Page\b/g) ?? []).length;

const RULER = {
  name: 'Start line',
  window: { low: 0.8, middle: 1, high: 1.3 },
  bias: { low: -0.2, middle: 0.1, high: 0.4 },
  ends: { left: 'pull', right: 'push' },
  value: 'start within ±1.00°',
  words: '80 % interval 0.80° to 1.30°',
};

test.each(['a4', 'letter'] as const)('what fits on a page of %s is one page', async (paper) => {
  const page = flowOn(PAPERS[paper], 'A report');
  page.title('A report', 'for nobody');
  page.heading('Rulers');
  for (let i = 0; i < 6; i++) page.ruler(RULER);
  page.paragraph('Some words.');
  page.item('Bring', 'a putter.');
  page.table(
    [
      ['from', 'made'],
      ['8 ft', '61 %'],
    ],
    [0.5, 0.5],
  );
  const file = await page.end();
  expect(file.subarray(0, 5).toString()).toBe('%PDF-');
  expect(pagesOf(file)).toBe(1);
});

test('what does not goes on to the next, and no ruler is cut in two', async () => {
  const page = flowOn(PAPERS.a4, 'Long');
  page.title('Long', '');
  for (let i = 0; i < 40; i++) page.ruler(RULER);
  const rulers = pagesOf(await page.end());
  // Forty of at least 46 points on pages of 758: three pages and no more.
  expect(rulers).toBe(3);
  const words = flowOn(PAPERS.letter, 'Words');
  words.title('Words', '');
  for (let i = 0; i < 120; i++)
    words.paragraph('A sentence that is long enough to be set in a line of its own.');
  expect(pagesOf(await words.end())).toBeGreaterThan(2);
});
