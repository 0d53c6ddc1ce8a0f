import { ballGateOf } from '@/core/layout';
import { DEFAULT_UNITS } from '@/core/units';
import { drillForm, newDrill, typedDrill } from './form';

const form = drillForm(DEFAULT_UNITS);
const typed = { ...newDrill(DEFAULT_UNITS, { greenSpeed: 3.048, pace: 'rolls' }), name: 'Gate' };
const messageAt = (input: unknown, path: string) =>
  form.safeParse(input).error?.issues.find((issue) => issue.path.join('.') === path)?.message;

describe('drillForm', () => {
  it('reads what a new drill is typed as, and types it back the same', () => {
    const { layout } = form.parse(typed);
    expect(layout.putt.distance).toBeCloseTo(2.4384, 9);
    expect(ballGateOf(layout)?.gap).toBeCloseTo(0.067, 9);
    expect(typedDrill('Gate', layout, DEFAULT_UNITS)).toEqual(typed);
  });

  it.each([
    [
      'gate.gap',
      { gate: { ...typed.gate, gap: '42 mm' } },
      'A gap of 42 mm is too small: 43 mm to 500 mm is allowed.',
    ],
    [
      'gate.distance',
      { gate: { ...typed.gate, distance: '9 ft' } },
      'A gate at 9 ft stands beyond the hole: at most 8 ft is allowed on this putt.',
    ],
    ['gate.distance', { gate: { ...typed.gate, distance: '0' } }, 'too small'],
    [
      'distance',
      { distance: '1000 m' },
      'A putt of 1000 m is too great: 0.3 m to 40 m is allowed.',
    ],
    ['distance', { distance: 'eight' }, '“eight” is not a length.'],
    ['greenSpeed', { greenSpeed: '20 ft' }, 'too great'],
    ['grade', { grade: 'steep' }, '“steep” is not a slope.'],
    ['name', { name: 'x'.repeat(10_000) }, 'at most 80 letters'],
  ])('puts the error beside %s', (path, change, words) => {
    expect(messageAt({ ...typed, ...change }, path)).toContain(words);
  });

  it('reads a slope and the way it falls, and types them back', () => {
    const sloping = { ...typed, grade: '2 %', falls: 'downhill, left' };
    const { layout } = form.parse(sloping);
    expect(layout.putt.slope.grade).toBeCloseTo(0.02, 12);
    expect(layout.putt.slope.falls).toBeCloseTo(-Math.PI / 4, 12);
    expect(typedDrill('Gate', layout, DEFAULT_UNITS)).toEqual(sloping);
  });

  it('says beside the slope when no pace can be held on it', () => {
    const slide = {
      ...typed,
      distance: '20 ft',
      greenSpeed: '14 ft',
      grade: '8',
      falls: 'downhill',
    };
    expect(messageAt(slide, 'grade')).toContain('cannot hold the pace');
  });
});
