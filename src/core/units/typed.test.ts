import fc from 'fast-check';
import { DEFAULT_UNITS, angleSchema, showSide, sideSchema, toRadians } from '.';

const side = sideSchema({ what: 'A ball offset', min: 0, max: 0.2, bare: 'mm' });
const lie = angleSchema({ what: 'A lie angle', min: toRadians(60), max: toRadians(80) });
const said = (result: { error?: { issues: { message: string }[] } }) =>
  result.error?.issues[0]?.message;

describe('a length with its side', () => {
  it.each([
    ['4 mm left', -0.004],
    ['4mm right', 0.004],
    ['1/2 in Left', -0.0127],
    ['0', 0],
    ['6 right', 0.006],
  ])('reads %p', (text, metres) => expect(side.parse(text)).toBeCloseTo(metres, 9));

  it.each([
    ['4 mm', 'Add the side: 4 mm left or 4 mm right.'],
    ['300 mm left', 'is too large'],
    ['left', 'Enter a length.'],
    ['much left', '“much” is not a length.'],
  ])('refuses %p', (text, words) => expect(said(side.safeParse(text))).toContain(words));

  it('takes other words for its sides', () => {
    const ahead = sideSchema({ what: 'A ball', min: 0, max: 0.2, bare: 'mm' }, ['behind', 'ahead']);
    expect(ahead.parse('30 ahead')).toBeCloseTo(0.03, 9);
    expect(ahead.parse('1 in behind')).toBeCloseTo(-0.0254, 9);
    expect(said(ahead.safeParse('30'))).toBe('Add the side: 30 behind or 30 ahead.');
    expect(said(ahead.safeParse('30 left'))).toContain('is not a length');
    expect(showSide(-0.0254, 'across', DEFAULT_UNITS, ['behind', 'ahead'])).toBe('25 mm behind');
  });

  it('is typed back as it is read', () => {
    fc.assert(
      fc.property(fc.integer({ min: -200, max: 200 }), (millimetres) => {
        const shown = showSide(millimetres / 1000, 'across', DEFAULT_UNITS);
        expect(side.parse(shown)).toBeCloseTo(millimetres / 1000, 9);
      }),
    );
  });
});

describe('an angle', () => {
  it.each([
    ['70', 70],
    ['70.5°', 70.5],
    ['71,5 deg', 71.5],
    ['60 degrees', 60],
  ])('reads %p', (text, degrees) => expect(lie.parse(text)).toBeCloseTo(toRadians(degrees), 9));

  it.each([
    ['89', 'A lie angle of 89 is out of range: use 60° to 80°.'],
    ['steep', '“steep” is not an angle.'],
    ['', '“” is not an angle.'],
  ])('refuses %p', (text, words) => expect(said(lie.safeParse(text))).toContain(words));
});
