import fc from 'fast-check';
import { appointmentSchema, homeworkSchema, nextBlock, planSchema } from '.';

const ID = '0b2c6b0e-6f0a-4a0e-9c70-111111111111';

describe('the next block of a plan', () => {
  const blocks = ['a', 'b', 'c'].map((id) => ({ id }));

  it.each<[(string | null)[], string | null]>([
    [[], null],
    [[null], null],
    [['a'], 'b'],
    [['a', null, 'b'], 'c'],
    [['c'], null],
  ])('after %p is %p', (played, next) => expect(nextBlock(blocks, played)?.id ?? null).toBe(next));

  it('leads through every block once, whatever else was played between', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(null, 'elsewhere'), { maxLength: 5 }), (between) => {
        const played: (string | null)[] = ['a', ...between];
        for (let next = nextBlock(blocks, played); next; next = nextBlock(blocks, played)) {
          expect(played).not.toContain(next.id);
          played.push(next.id, ...between);
        }
        expect(played).toEqual(expect.arrayContaining(['a', 'b', 'c']));
      }),
    );
  });
});

describe('what is kept', () => {
  const plan = {
    name: 'An hour',
    minutes: 60,
    place: 'green',
    kit: [],
    goals: [],
    studentIds: [ID],
    blocks: [{ id: ID, drillId: ID, rungs: { [ID]: null }, locked: false, why: '' }],
  };
  it.each<[string, object, string]>([
    ['nobody', { studentIds: [] }, 'Choose at least one student.'],
    ['five minutes', { minutes: 5 }, 'Too short: use 10 to 180 minutes.'],
    ['no number of minutes', { minutes: NaN }, 'Enter the minutes: 10 to 180.'],
    ['nothing in it', { blocks: [] }, 'Add at least one drill.'],
    ['no name', { name: ' ' }, 'Enter a name.'],
  ])('is no plan for or with %s', (_what, wrong, words) => {
    expect(planSchema.safeParse(plan).success).toBe(true);
    expect(planSchema.safeParse({ ...plan, ...wrong }).error?.issues[0]?.message).toBe(words);
  });

  it('is no homework that would end before it begins, nor eight times a week', () => {
    const work = {
      drillId: ID,
      rung: null,
      timesAWeek: 3,
      from: '2026-03-02',
      until: '2026-03-20',
      note: '',
    };
    expect(homeworkSchema.safeParse(work).success).toBe(true);
    const of = (wrong: object) =>
      homeworkSchema.safeParse({ ...work, ...wrong }).error?.issues[0]?.message;
    expect(of({ until: '2026-03-01' })).toBe('The end date is before the start date.');
    expect(of({ timesAWeek: 8 })).toBe('Too many: use 1 to 7 times a week.');
  });

  it('is no date without somebody, nor at a quarter past twenty-five', () => {
    const date = {
      studentId: ID,
      day: '2026-03-02',
      time: null,
      minutes: 60,
      kind: 'lesson',
      planId: null,
      note: '',
    };
    expect(appointmentSchema.safeParse(date).success).toBe(true);
    expect(appointmentSchema.safeParse({ ...date, studentId: '' }).success).toBe(false);
    expect(appointmentSchema.safeParse({ ...date, time: '25:15' }).success).toBe(false);
  });
});
