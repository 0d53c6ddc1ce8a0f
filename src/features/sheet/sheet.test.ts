import { t } from 'tests/english';
import PDFDocument from 'pdfkit';
import { LIBRARY, libraryDrill } from '@/core/drill';
import { fitted } from '@/core/layout';
import { COMMON_KIT, STANDARD_FITTING } from '@/core/people';
import { DEFAULT_UNITS } from '@/core/units';
import { PAPERS, sheetQuery } from './paper';
import { sheetSvg, type SheetInput } from './sheet';
import { wrap, type Measure } from './wrap';

const FILES = {
  regular: 'archivo/files/archivo-latin-400-normal.woff',
  bold: 'archivo/files/archivo-latin-700-normal.woff',
  narrow: 'archivo-narrow/files/archivo-narrow-latin-400-normal.woff',
};
const document = new PDFDocument();
for (const [cut, file] of Object.entries(FILES)) {
  document.registerFont(cut, `node_modules/@fontsource/${file}`);
}
const measure: Measure = (text, size, cut) => document.font(cut).fontSize(size).widthOfString(text);

const inputOf = (key: string, changes: Partial<SheetInput> = {}): SheetInput => {
  const { key: _key, name, layout, ...details } = libraryDrill(key)!;
  return {
    t,
    name,
    layout,
    details,
    version: 'built in',
    units: DEFAULT_UNITS,
    student: null,
    rung: null,
    code: { size: 2, dark: [true, false, false, true] },
    made: '24 November 2026',
    ...changes,
  };
};

/** Words of a sheet, line by line. */
const wordsOf = (svg: string) =>
  [...svg.matchAll(/<text[^>]*>([^<]*)<\/text>/g)].map(([, text]) => text!);

describe('a set-up sheet', () => {
  it.each(LIBRARY.map(({ key }) => [key]))(
    'is one page on either paper, large enough: %s',
    (key) => {
      for (const paper of Object.values(PAPERS)) {
        const { svg, scale } = sheetSvg(inputOf(key), paper, measure);
        expect(scale).toBeGreaterThanOrEqual(0.88);
        const lowest = Math.max(
          ...[...svg.matchAll(/<text x="[\d.]+" y="([\d.]+)"/g)].map(([, y]) => Number(y)),
        );
        expect(lowest).toBeLessThan(paper.height - 40);
        expect(svg).not.toContain('var(--');
        expect(svg).not.toMatch(/NaN|undefined/);
      }
    },
  );

  it('says every place of the tape list with its check, the rule and the cautions', () => {
    const words = wordsOf(sheetSvg(inputOf('three-in-one'), PAPERS.a4, measure).svg);
    for (const text of [
      'A  heel tee',
      'B  toe tee',
      'C  left tee',
      'D  right tee',
      '132 mm',
      '58 mm',
    ]) {
      expect(words).toContain(text);
    }
    expect(words.join(' ')).toContain('until 8 putts have passed; at most 60 putts');
    expect(words.join(' ')).toContain('Ask the greenkeeper');
  });

  it('is fitted to the student, with what will do for kit that is not at hand', () => {
    const { layout } = libraryDrill('box-gate')!;
    const fitting = { ...STANDARD_FITTING, hand: 'left' as const, headLength: 0.1 };
    const student = {
      name: 'Oona & Co <x>',
      fitting,
      kit: COMMON_KIT.filter((item) => item !== 'tee'),
    };
    const { svg } = sheetSvg(
      inputOf('box-gate', { student, layout: fitted(layout, fitting) }),
      PAPERS.letter,
      measure,
    );
    const words = wordsOf(svg);
    expect(words).toContain('A  back toe tee');
    expect(words).toContain('116 mm');
    expect(words.join(' ')).toContain('4 tees (or ball sleeves');
    expect(svg).toContain('Oona &amp; Co &lt;x&gt;');
  });

  it('shrinks rather than runs over when there is much to say', () => {
    const details = {
      ...inputOf('box-gate').details,
      steps: Array.from({ length: 12 }, () => 'A step of many words '.repeat(8)),
    };
    const { scale } = sheetSvg(inputOf('box-gate', { details }), PAPERS.letter, measure);
    expect(scale).toBeLessThan(0.9);
  });
});

describe('wrap', () => {
  it('keeps every word, in lines that fit', () => {
    const text = 'Tees mark greens and catch mowers: ask the greenkeeper';
    const lines = wrap(text, 120, 14, 'regular', measure);
    expect(lines.join(' ')).toBe(text);
    expect(lines.length).toBeGreaterThan(2);
    for (const line of lines) expect(measure(line, 14, 'regular')).toBeLessThanOrEqual(120);
  });
});

describe('what a sheet’s address asks', () => {
  it('falls back to what can be had', () => {
    expect(sheetQuery.parse({ paper: 'vellum', student: 'x', rung: '-1' })).toEqual({
      paper: 'a4',
    });
    expect(sheetQuery.parse({ paper: 'letter', rung: '2' })).toEqual({ paper: 'letter', rung: 2 });
  });
});
