import { showChance, showChanceRange } from '.';

test.each([
  [0, 'under 1 %'],
  [0.004, 'under 1 %'],
  [0.006, '1 %'],
  [0.934, '93 %'],
  [0.994, '99 %'],
  [0.996, 'over 99 %'],
  [1, 'over 99 %'],
])('a chance of %p is “%s”', (share, words) => expect(showChance(share)).toBe(words));

test('an interval has two ends, unless both are said alike', () => {
  expect(showChanceRange(0.41, 0.58)).toBe('41 % to 58 %');
  expect(showChanceRange(0.96, 0.999)).toBe('96 % to over 99 %');
  expect(showChanceRange(0.997, 1)).toBe('over 99 %');
});
