import { t } from 'tests/english';
import { DEFAULT_UNITS } from '@/core/units';
import { certaintyWords, readingWords } from './words';

const DEGREE = Math.PI / 180;

test.each([
  ['gap', 0.0613, 0.0601, 0.0625, 'Gate gap: 61.3 mm', '80 % interval 60.1 mm to 62.5 mm'],
  [
    'face',
    -2.5 * DEGREE,
    -3.1 * DEGREE,
    -1.9 * DEGREE,
    'Face direction: 2.5° left of the line',
    '80 % interval 1.9° to 3.1° left',
  ],
  [
    'face',
    0.2 * DEGREE,
    -0.3 * DEGREE,
    0.7 * DEGREE,
    'Face direction: 0.2° right of the line',
    '80 % interval 0.3° left to 0.7° right',
  ],
  [
    'ball',
    -0.004,
    -0.006,
    -0.002,
    'Ball position in the gate: 4.0 mm left of the middle',
    '80 % interval 2.0 mm to 6.0 mm left',
  ],
] as const)('%s of %d is said with its side and how sure', (name, value, from, to, said, sure) => {
  expect(readingWords(t, name, { value }, DEFAULT_UNITS)).toBe(said);
  expect(certaintyWords(t, name, { interval: [from, to] }, DEFAULT_UNITS)).toBe(sure);
});

test('where a ball stopped is told in the coach’s own length', () => {
  const metric = { ...DEFAULT_UNITS, long: 'metric' as const };
  expect(readingWords(t, 'past', { value: 0.457 }, metric)).toMatch(
    /0\.46 m past the hole|46 cm past/,
  );
  expect(readingWords(t, 'past', { value: -0.457 }, DEFAULT_UNITS)).toMatch(
    /(18 in|1 ft 6 in) short of/,
  );
});
