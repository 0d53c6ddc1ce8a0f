import { t } from 'tests/english';
import { trainedIds } from '@/core/quantity';
import { entryWords, type Entry, type Totals } from '@/core/planning';
import { DEGREE } from '@/core/units';
import { forWhat, timeWords } from './date-words';
import { letterOf } from './letters';
import { asTyped, programmeForm, typedProgramme } from './programme-form-schema';
import { totalsWarnings, totalsWords } from './totals-words';

const totals = (more: Partial<Totals> = {}): Totals => ({
  median: 54,
  late: 68,
  putts: 96.4,
  rests: 3,
  tooMany: false,
  ...more,
});

describe('what a plan amounts to', () => {
  it('is a line', () => {
    expect(totalsWords(totals())).toBe(
      '54 minutes, 90 % chance of finishing within 68 · 96 putts bent over · 3 breaks of 1 minute to stand up',
    );
    expect(totalsWords(totals({ putts: 1, rests: 0 }))).toBe(
      '54 minutes, 90 % chance of finishing within 68 · 1 putt bent over',
    );
  });

  it('warns of what runs over, one time in ten or as a rule, and of a back', () => {
    expect(totalsWarnings(t, totals(), 70)).toEqual([]);
    expect(totalsWarnings(t, totals(), 60)).toEqual([
      'There is a 1 in 10 chance that it runs over by 8 minutes or more. Agree which drill to drop first.',
    ]);
    expect(totalsWarnings(t, totals(), 45)).toEqual([
      'It will take about 54 minutes, 9 more than you asked for.',
    ]);
    expect(totalsWarnings(t, totals({ tooMany: true }), 70)[0]).toMatch(/150 putts an hour/);
  });

  it('has its drills lettered as tees are', () =>
    expect([0, 1, 25, 26].map(letterOf)).toEqual(['A', 'B', 'Z', 'A']));
});

describe('a date in words', () => {
  const entry: Entry = {
    day: '2026-03-24',
    time: '17:00',
    minutes: 60,
    kind: 'test',
    skills: ['strike'],
    retest: null,
    state: 'planned',
  };
  it('says what a day is for, without saying twice that it is a test', () => {
    expect(entryWords(entry)).toBe('cold test, then strike');
    expect(forWhat(entry)).toBe('strike');
    expect(forWhat({ ...entry, skills: [] })).toBe('');
    expect(forWhat({ ...entry, kind: 'practice', retest: 'pace' })).toBe(
      'pace retest, then strike',
    );
  });

  it('says when', () => {
    expect(timeWords(entry)).toBe('17:00, 60 min');
    expect(timeWords({ time: null, minutes: 30 })).toBe('30 min');
  });
});

describe('a programme as it is typed', () => {
  const typed = {
    studentId: '0b2c6b0e-6f0a-4a0e-9c70-111111111111',
    from: '2026-03-02',
    weeks: 6,
    testEvery: 3,
    slots: [{ weekday: '2', time: '', minutes: 30, kind: 'practice' as const }],
    skill: 'start' as const,
    window: 0.8,
    by: '2026-04-10',
  };

  it('means its window in the unit of its skill', () => {
    const read = programmeForm.parse(typed);
    const programme = typedProgramme(read);
    expect(programme.aim).toEqual({ skill: 'start', window: 0.8 * DEGREE, by: '2026-04-10' });
    expect(programme.slots[0]).toEqual({
      weekday: 2,
      time: null,
      minutes: 30,
      kind: 'practice',
    });
    const strike = typedProgramme(programmeForm.parse({ ...typed, skill: 'strike', window: 6 }));
    expect(strike.aim.window).toBeCloseTo(0.006, 12);
  });

  it('is shown again as it was typed', () => {
    for (const skill of trainedIds()) {
      const read = programmeForm.parse({ ...typed, skill, window: 2.5 });
      const again = asTyped(typedProgramme(read), typed.studentId);
      expect(programmeForm.parse(again)).toEqual(read);
    }
  });

  it.each<[string, object, string]>([
    ['no window', { window: NaN }, 'Enter a window, such as 0.8.'],
    ['a window of nothing', { window: 0 }, 'The window must be more than 0.'],
    ['nobody', { studentId: '' }, 'Choose a student.'],
    ['a day that is none', { by: '2026-02-31' }, 'Enter a date, such as 9 Apr 2026.'],
    ['no days', { slots: [] }, 'Add at least one day of the week.'],
    [
      'a time that is none',
      { slots: [{ ...typed.slots[0], time: '25:00' }] },
      'Enter a time, such as 17:30.',
    ],
  ])('with %s is refused with what is allowed', (_what, wrong, words) => {
    const issues = programmeForm.safeParse({ ...typed, ...wrong }).error?.issues ?? [];
    expect(issues.map(({ message }) => message)).toContain(words);
  });
});
