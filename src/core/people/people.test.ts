import { DEFAULT_PUTT } from '@/core/green';
import { DEFAULT_UNITS } from '@/core/units';
import { coachSettings, studentValues } from '.';

const student = {
  name: '  Wren  ',
  hand: 'left',
  level: 'steady',
  seated: true,
  notes: '',
  putter: { headLength: 0.112, headDepth: 0.024 },
};

describe('studentValues', () => {
  it('takes a student and trims the name', () =>
    expect(studentValues.parse(student).name).toBe('Wren'));

  it.each([
    ['name', { name: '   ' }, 'Enter a name.'],
    ['name', { name: 'x'.repeat(81) }, 'at most 80 characters'],
    ['notes', { notes: 'x'.repeat(4001) }, 'at most 4000 characters'],
    ['hand', { hand: 'both' }, ''],
    ['level', { level: 'wizard' }, ''],
    ['putter.headLength', { putter: { headLength: 1, headDepth: 0.02 } }, ''],
    ['putter.headDepth', { putter: { headLength: 0.1, headDepth: 0 } }, ''],
  ])('refuses a wrong %s', (path, change, words) => {
    const [issue] = studentValues.safeParse({ ...student, ...change }).error?.issues ?? [];
    expect(issue?.path.join('.')).toBe(path);
    expect(issue?.message).toContain(words);
  });
});

describe('coachSettings', () => {
  it('are the usual ones when nothing is stored yet', () => {
    expect(coachSettings.parse({})).toEqual({
      units: DEFAULT_UNITS,
      greenSpeed: DEFAULT_PUTT.greenSpeed,
      pace: 'rolls',
      daysOff: [],
      correction: null,
      faceShare: '0.92',
      zone: 'Europe/Amsterdam',
    });
  });

  it('are dated in a zone that there is', () => {
    expect(coachSettings.parse({ zone: 'Pacific/Auckland' }).zone).toBe('Pacific/Auckland');
    expect(coachSettings.safeParse({ zone: 'Wharf/Nine' }).error?.issues[0]?.message).toBe(
      '“Wharf/Nine” is not a known time zone. Use a name such as Europe/Amsterdam.',
    );
  });

  it('refuse a green that is not believed', () => {
    expect(coachSettings.safeParse({ greenSpeed: 9 }).success).toBe(false);
  });
});
