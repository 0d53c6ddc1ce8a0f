import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import {
  DEFAULT_UNITS,
  formatLength,
  gradeSchema,
  lengthSchema,
  parseLength,
  settable,
  showDegrees,
  showGrade,
  showLength,
  toRadians,
  type LengthUnit,
  type TapeUnit,
  asSentence,
  withArticle,
} from '.';

describe('parseLength', () => {
  it.each([
    ['8 ft', 'ft', 2.4384],
    ['8', 'ft', 2.4384],
    ["7'6", 'ft', 2.286],
    ['7\'6"', 'ft', 2.286],
    ['7′ 6″', 'm', 2.286],
    ['7 ft 6 1/2 in', 'ft', 2.2987],
    ['7ft6', 'ft', 2.286],
    ['7 6', 'ft', 2.286],
    ['2.4m', 'ft', 2.4],
    ['2,4 m', 'ft', 2.4],
    ['2 m 40', 'ft', 2.4],
    ['18in', 'mm', 0.4572],
    ['18 inches', 'mm', 0.4572],
    ['17 15/16 in', 'in', 0.4556125],
    ['2½ in', 'mm', 0.0635],
    ['½ in', 'mm', 0.0127],
    ['60 mm', 'in', 0.06],
    ['60', 'mm', 0.06],
    [' 45 CM ', 'in', 0.45],
    ['.5 m', 'ft', 0.5],
    ['1000 mm', 'ft', 1],
    ['3 cups', 'mm', 0.324],
    ['2 balls', 'mm', 0.08534],
    ['3 steps', 'ft', 2.25],
    ['2 paces 1 ft', 'ft', 1.8048],
    ['1 putter', 'ft', 0.864],
  ] as [string, LengthUnit, number][])('reads %p with bare %s as %d m', (text, bare, metres) => {
    const parsed = parseLength(text, bare);
    expect(parsed).toMatchObject({ ok: true });
    if (parsed.ok) expect(parsed.metres).toBeCloseTo(metres, 10);
  });

  it.each([
    '',
    'eight',
    '8 fathoms',
    '8 ft 2 m',
    '6 in 8 ft',
    '-3 ft',
    '1e3',
    '8 ft x',
    '1,000 mm',
    '5/0 in',
  ])('refuses %p and says how to type it', (text) => {
    const parsed = parseLength(text, 'ft');
    expect(parsed).toMatchObject({ ok: false });
    if (!parsed.ok) {
      expect(parsed.message).toContain('Use a form such as');
      if (text) expect(parsed.message).toContain(text);
    }
  });

  it('reads steps, putters and clubs by the coach’s own', () => {
    const own = { step: 0.8, putter: 0.9, club: 1.1 };
    for (const [text, metres] of [
      ['3 steps', 2.4],
      ['2 putters', 1.8],
      ['1 club 1 step', 1.9],
    ] as const) {
      const parsed = parseLength(text, 'ft', own);
      expect(parsed.ok && parsed.metres).toBeCloseTo(metres, 10);
    }
    const schema = lengthSchema({ what: 'A putt', min: 1, max: 5, bare: 'm', own });
    expect(schema.safeParse('9 steps').error?.issues[0]?.message).toBe(
      'A putt of 9 steps is too large: use 1 m to 5 m.',
    );
  });

  it('keeps the message short however long the text', () => {
    const parsed = parseLength('x'.repeat(10_000), 'ft');
    expect(parsed.ok ? '' : parsed.message.length).toBeLessThan(140);
  });

  it('never throws', () => {
    fc.assert(fc.property(fc.string(), (text) => typeof parseLength(text, 'mm').ok === 'boolean'));
  });
});

describe('formatLength', () => {
  it.each([
    [2.4384, 'ft', '8 ft'],
    [1.9812, 'ft', '6 ft 6 in'],
    [0.4572, 'in', '18 in'],
    [0.4556125, 'in', '17 15/16 in'],
    [0.003175, 'in', '1/8 in'],
    [0.3, 'ft', '11 13/16 in'],
    [3.04799, 'ft', '10 ft'],
    [0.0579, 'mm', '58 mm'],
    [0.457, 'cm', '45.7 cm'],
    [2.4, 'm', '2.4 m'],
    [0, 'in', '0 in'],
  ] as [number, TapeUnit, string][])('prints %d m in %s as %s', (metres, unit, text) => {
    expect(formatLength(metres, unit)).toBe(text);
  });

  it('is read back to within half of what a tape shows', () => {
    const finest: Record<TapeUnit, number> = {
      ft: 0.0254 / 16,
      in: 0.0254 / 16,
      m: 0.01,
      cm: 0.001,
      mm: 0.001,
    };
    fc.assert(
      fc.property(
        between(0.001, 40),
        fc.constantFrom<TapeUnit>('ft', 'in', 'm', 'cm', 'mm'),
        (metres, unit) => {
          const back = parseLength(formatLength(metres, unit), 'ft');
          return back.ok && Math.abs(back.metres - metres) <= finest[unit] / 2 + 1e-9;
        },
      ),
    );
  });
});

describe('showLength and settable', () => {
  it('mixes feet for the putt and millimetres for the gap', () => {
    expect(showLength(2.4384, 'putt', DEFAULT_UNITS)).toBe('8 ft');
    expect(showLength(0.4572, 'along', DEFAULT_UNITS)).toBe('18 in');
    expect(showLength(1.9812, 'along', DEFAULT_UNITS)).toBe('6 ft 6 in');
    expect(showLength(0.0325, 'spot', DEFAULT_UNITS)).toBe('32.5 mm');
    expect(
      showLength(0.0325, 'spot', { ...DEFAULT_UNITS, long: 'metric', short: 'imperial' }),
    ).toBe('1 1/4 in');
    expect(showLength(0.0579, 'across', DEFAULT_UNITS)).toBe('58 mm');
    expect(
      showLength(0.4572, 'along', { ...DEFAULT_UNITS, long: 'metric', short: 'imperial' }),
    ).toBe('45.7 cm');
  });

  it('rounds to the step of the tape', () => {
    expect(settable(0.0579, DEFAULT_UNITS)).toBeCloseTo(0.058, 10);
    expect(settable(0.0579, DEFAULT_UNITS, 'down')).toBeCloseTo(0.057, 10);
    expect(settable(0.0579, { ...DEFAULT_UNITS, long: 'metric', short: 'imperial' })).toBeCloseTo(
      (36 / 16) * 0.0254,
      3,
    );
  });

  it('prints degrees with a true minus and no minus zero', () => {
    expect(showDegrees(toRadians(1.086))).toBe('1.09°');
    expect(showDegrees(toRadians(-0.3), 1)).toBe('−0.3°');
    expect(showDegrees(toRadians(-0.001), 1)).toBe('0.0°');
  });
});

describe('lengthSchema', () => {
  const gap = lengthSchema({ what: 'The gap', min: 0.0437, max: 0.5, bare: 'mm' });

  it('gives metres', () => expect(gap.parse('60')).toBeCloseTo(0.06, 12));

  it('names the value and what is allowed, in the unit typed', () => {
    expect(gap.safeParse('30 mm').error?.issues[0]?.message).toBe(
      'The gap of 30 mm is too small: use 44 mm to 500 mm.',
    );
    expect(gap.safeParse('3 ft').error?.issues[0]?.message).toContain('too large');
    expect(gap.safeParse('wide').error?.issues[0]?.message).toContain('“wide” is not a length.');
  });
});

describe('gradeSchema', () => {
  const grade = gradeSchema(0.08);

  it.each([
    ['2 %', 0.02],
    ['2', 0.02],
    ['1,5%', 0.015],
    ['1.2°', 0.020947],
    ['1.2 degrees', 0.020947],
    ['', 0],
    ['flat', 0],
  ])('reads %p as %d', (text, value) => expect(grade.parse(text)).toBeCloseTo(value, 6));

  it('refuses what is no slope, and what is too great, by name', () => {
    expect(grade.safeParse('steep').error?.issues[0]?.message).toContain('“steep” is not a slope.');
    expect(grade.safeParse('9').error?.issues[0]?.message).toBe(
      'A slope of 9 is too steep: use 0 % to 8 %.',
    );
    expect(grade.safeParse('90°').success).toBe(false);
  });

  it('is printed to a tenth of a per cent', () => expect(showGrade(0.0151)).toBe('1.5 %'));
});

describe('digits of full width', () => {
  it.each([
    ['１８ in', 0.4572],
    ['８ ft', 2.4384],
    ['６０ｍｍ', 0.06],
    ['２．４　m', 2.4],
  ])('%p is read as it is meant', (typed, metres) => {
    const read = parseLength(typed, 'mm');
    expect(read.ok && read.metres).toBeCloseTo(metres, 9);
  });
});

describe('words around numbers', () => {
  it.each([
    ['81 mm gate', 'an'],
    ['8 mm gate', 'an'],
    ['80 mm gate', 'an'],
    ['11 mm gate', 'an'],
    ['18 in', 'an'],
    ['800 mm', 'an'],
    ['56 mm gate', 'a'],
    ['110 mm gate', 'a'],
    ['180 mm gate', 'a'],
    ['1.8 m', 'a'],
    ['egg cup', 'an'],
    ['gate', 'a'],
  ])('“%s” takes “%s”', (what, article) => {
    expect(withArticle(what)).toBe(`${article} ${what}`);
  });

  it('begin a sentence with a capital, and numbers as they are', () => {
    expect(asSentence('over 99 % sure')).toBe('Over 99 % sure');
    expect(asSentence('93 % sure')).toBe('93 % sure');
    expect(asSentence('')).toBe('');
  });
});
