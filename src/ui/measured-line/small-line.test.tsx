import { LIBRARY } from '@/core/drill';
import { drawLayout } from '@/core/layout';
import { DEFAULT_UNITS } from '@/core/units';
import { svgString } from '../svg-string';
import { SmallLine, smallMarks } from './small-line';

describe('a small drawing', () => {
  it.each(LIBRARY.map(({ key, layout }) => [key, layout] as const))(
    'of %s holds what stands, and no number: nothing of it lies outside',
    (key, layout) => {
      const all = drawLayout(layout);
      const marks = smallMarks(all);
      const count = (type: string, of: readonly { type: string }[]) =>
        of.filter((mark) => mark.type === type).length;
      for (const type of ['hole', 'ball', 'coin', 'zone', 'head']) {
        expect(count(type, marks)).toBe(count(type, all));
      }
      // Of many tees each is drawn as one of few is.
      expect(count('tee', marks)).toBe(count('tee', all) + count('peg', all));
      expect(marks.some(({ type }) => type === 'dimension' || type === 'aim')).toBe(false);
      const svg = svgString(
        <SmallLine id={key} marks={marks} units={DEFAULT_UNITS} className="w-full" />,
      );
      expect(svg).not.toMatch(/NaN|undefined|Infinity/);
      for (const [, x, y] of svg.matchAll(/<circle cx="([-\d.]+)" cy="([-\d.]+)"/g)) {
        expect(Number(x)).toBeGreaterThan(-30);
        expect(Number(x)).toBeLessThan(294);
        expect(Number(y)).toBeGreaterThan(-30);
        expect(Number(y)).toBeLessThan(126);
      }
    },
  );

  it('is as small as it says: a page of seventy of them is no larger than a picture', () => {
    const marks = LIBRARY.map(({ layout }) => smallMarks(drawLayout(layout)));
    expect(JSON.stringify(marks).length).toBeLessThan(400_000);
  });
});
