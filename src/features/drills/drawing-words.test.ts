import { t } from 'tests/english';
import { LIBRARY, libraryDrill } from '@/core/drill';
import { tapeList } from '@/core/layout';
import { DEFAULT_UNITS } from '@/core/units';
import { drawingWords } from './drawing-words';

const METRIC = { ...DEFAULT_UNITS, long: 'metric' } as const;

it('tells of three gates in their order, with letters, gaps and distances', () => {
  const { layout } = libraryDrill('three-in-one')!;
  expect(drawingWords(t, layout, DEFAULT_UNITS)).toBe(
    'A putt of 15 ft, seen from above. Putter gate, A and B: 132 mm between the tees, level with the ball. ' +
      'Ball gate, C and D: 58 mm between the tees, 18 in from the ball. Pace zone: 15 ft from the ball.',
  );
  expect(drawingWords(t, layout, METRIC)).toContain('45.7 cm from the ball');
});

it('names every letter and every gap of the tape list, whatever the drill', () => {
  expect(LIBRARY.length).toBeGreaterThan(60);
  for (const { key, layout } of LIBRARY) {
    const words = drawingWords(t, layout, DEFAULT_UNITS);
    for (const { label, checks } of tapeList(layout)) {
      if (label)
        expect([key, words]).toEqual([key, expect.stringMatching(new RegExp(`\\b${label}\\b`))]);
      for (const { name } of checks)
        expect([key, words]).toEqual([key, expect.stringContaining(name)]);
    }
    expect(words).not.toMatch(/undefined|NaN|, :|: \./);
  }
});
