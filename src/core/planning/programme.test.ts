import fc from 'fast-check';
import { DEGREE } from '@/core/units';
import {
  dayAfter,
  daysBetween,
  daysOffSchema,
  mondayOf,
  offOn,
  offWords,
  weekdayOf,
} from '@/core/calendar';
import {
  entryWords,
  programmeOf,
  programmeSchema,
  replan,
  slotSchema,
  type Entry,
  type Need,
  type ProgrammeValues,
} from '.';

/** What nearly every player is known of. */
const MEASURED = ['face', 'path', 'strike', 'pace', 'start'];
const need = (skill: string, ratio: number): Need => ({
  skill,
  ratio,
  window: { low: ratio, middle: ratio, high: ratio },
  known: true,
});
const needs = (first: string, ratio = 2): Need[] => [
  need(first, ratio),
  ...MEASURED.filter((skill) => skill !== first).map((skill, i) => need(skill, 1.2 - 0.05 * i)),
];

const VALUES: ProgrammeValues = {
  // A Monday.
  from: '2026-03-02',
  weeks: 8,
  slots: [
    { weekday: 2, time: '17:00', minutes: 60, kind: 'lesson' },
    { weekday: 4, time: null, minutes: 30, kind: 'practice' },
    { weekday: 6, time: null, minutes: 40, kind: 'practice' },
  ],
  testEvery: 3,
  aim: { skill: 'start', window: 0.8 * DEGREE, by: '2026-04-26' },
  off: [],
};
const NEEDS = needs('strike');
const PLAN = programmeOf(VALUES, NEEDS);

describe('days', () => {
  it('count as the calendar does, over summer time and leap years', () => {
    expect(dayAfter('2026-03-28', 2)).toBe('2026-03-30');
    expect(dayAfter('2028-02-28', 1)).toBe('2028-02-29');
    expect(daysBetween('2026-03-28', '2026-04-02')).toBe(5);
    expect(weekdayOf('2026-03-02')).toBe(1);
    expect(weekdayOf('2026-03-08')).toBe(7);
    expect(mondayOf('2026-03-08')).toBe('2026-03-02');
  });

  it('agree with the calendar of the language, for any day', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40_000 }), (count) => {
        const day = dayAfter('1990-01-01', count);
        const date = new Date(`${day}T12:00:00Z`);
        expect(weekdayOf(day)).toBe(date.getUTCDay() === 0 ? 7 : date.getUTCDay());
        expect(daysBetween('1990-01-01', day)).toBe(count);
      }),
    );
  });
});

describe('a programme', () => {
  it('is on the days that were said, for as long as was said', () => {
    expect(PLAN).toHaveLength(24);
    expect(PLAN[0]).toMatchObject({ day: '2026-03-03', time: '17:00', minutes: 60 });
    expect(PLAN.at(-1)!.day).toBe('2026-04-25');
    for (const { day } of PLAN) expect([2, 4, 6]).toContain(weekdayOf(day));
  });

  it('tests cold first, and then at its interval', () => {
    const tests = PLAN.filter(({ kind }) => kind === 'test').map(({ day }) => day);
    expect(tests).toEqual(['2026-03-03', '2026-03-24', '2026-04-14']);
  });

  it('mixes: never the same main thing twice running, and nothing left for three weeks', () => {
    PLAN.forEach((entry, i) => {
      const before = PLAN[i - 1]?.skills[0];
      if (before && entry.skills[0]) expect(entry.skills[0]).not.toBe(before);
    });
    for (const skill of MEASURED) {
      const days = PLAN.filter(({ skills }) => skills.includes(skill)).map(({ day }) => day);
      for (const [i, day] of days.slice(1).entries()) {
        expect(daysBetween(days[i]!, day)).toBeLessThanOrEqual(21);
      }
    }
  });

  it('works most on what is needed most, and on what is aimed at', () => {
    const times = (of: Entry[], skill: string) =>
      of.filter(({ skills }) => skills.includes(skill as never)).length;
    for (const skill of ['path', 'pace', 'reading', 'pressure']) {
      expect(times(PLAN, 'strike')).toBeGreaterThan(times(PLAN, skill));
    }
    const aimed = programmeOf({ ...VALUES, aim: { ...VALUES.aim, skill: 'pace' } }, NEEDS);
    expect(times(aimed, 'pace')).toBeGreaterThan(times(PLAN, 'pace'));
  });

  it('tests again a week after a thing was trained', () => {
    const retests = PLAN.filter(({ retest }) => retest);
    expect(retests.length).toBeGreaterThan(4);
    for (const { day, retest } of retests) {
      const trained = PLAN.findLast(
        (entry) => entry.skills[0] === retest && daysBetween(entry.day, day) >= 7,
      )!;
      expect(trained).toBeDefined();
      expect(PLAN.find((entry) => entry.day === day)!.skills).not.toContain(retest);
    }
  });

  it('says what a day is for', () => {
    expect(entryWords(PLAN[0]!)).toMatch(/^cold test, then /);
    const one: Entry = { ...PLAN[1]!, retest: 'strike', skills: ['face', 'pace'] };
    expect(entryWords(one)).toBe('strike retest, then face angle and pace');
  });

  it.each<[string, object]>([
    ['no days', { slots: [] }],
    ['half a year and more', { weeks: 27 }],
    ['an aim of nothing', { aim: { ...VALUES.aim, window: 0 } }],
    ['a day twice', { slots: [VALUES.slots[0], VALUES.slots[0]] }],
    ['a day that is none', { from: '2026-02-30' }],
  ])('is not made of %s', (_what, wrong) =>
    expect(programmeSchema.safeParse({ ...VALUES, ...wrong }).success).toBe(false),
  );

  it('takes no slot at half past twenty-five', () =>
    expect(slotSchema.safeParse({ ...VALUES.slots[0], time: '25:30' }).success).toBe(false));
});

/** Everything putted up to a day, but for some. */
const puttedUntil = (today: string, but: string[] = []) =>
  PLAN.map(({ day }) => day).filter((day) => day < today && !but.includes(day));

describe('replanning', () => {
  const same = { now: NEEDS, then: NEEDS };
  const future = (entries: readonly Entry[], today: string) =>
    entries.filter(({ day }) => day >= today);

  it('moves nothing that need not, when all was putted', () => {
    for (const today of ['2026-03-02', '2026-03-12', '2026-04-01', '2026-05-10']) {
      const { entries, changes } = replan(VALUES, PLAN, {
        today,
        putted: puttedUntil(today),
        ...same,
      });
      expect(changes).toEqual([]);
      expect(future(entries, today)).toEqual(future(PLAN, today));
      expect(entries.filter(({ day }) => day < today).every(({ state }) => state === 'done')).toBe(
        true,
      );
    }
  });

  it('puts a missed test on the next day, and says so', () => {
    const { entries, changes } = replan(VALUES, PLAN, {
      today: '2026-03-04',
      putted: [],
      ...same,
    });
    expect(entries[0]).toMatchObject({ state: 'missed' });
    expect(entries[1]).toMatchObject({ day: '2026-03-05', kind: 'test' });
    expect(changes[0]!.words).toMatch(
      /^starts with a cold test, .*, because the cold test on Tue 3 Mar was missed\.$/,
    );
  });

  it('makes missed training good within the week, and changes little else', () => {
    const today = '2026-03-13';
    const missed = PLAN.filter(({ day }) => day === '2026-03-10' || day === '2026-03-12');
    const { entries, changes } = replan(VALUES, PLAN, {
      today,
      putted: puttedUntil(
        today,
        missed.map(({ day }) => day),
      ),
      ...same,
    });
    const week = future(entries, today).filter(({ day }) => daysBetween(today, day) <= 7);
    for (const { skills } of missed) {
      expect(week.some((entry) => entry.skills.includes(skills[0]!))).toBe(true);
    }
    const differ = future(entries, today).filter(
      (entry) => !future(PLAN, today).some((old) => JSON.stringify(old) === JSON.stringify(entry)),
    );
    expect(differ.length).toBeLessThanOrEqual(4);
    // Every one that differs is told of.
    for (const { day } of differ) expect(changes.some((change) => change.day === day)).toBe(true);
  });

  it('does not change what is near when the evidence does, and says what it is now', () => {
    const today = '2026-03-20';
    const now = needs('pace', 3);
    const { entries, changes, reconsidered } = replan(VALUES, PLAN, {
      today,
      putted: puttedUntil(today),
      now,
      then: NEEDS,
    });
    expect(reconsidered).toBe(true);
    expect(changes.length).toBeGreaterThan(0);
    for (const { day, words } of changes) {
      expect(daysBetween(today, day)).toBeGreaterThanOrEqual(7);
      expect(words).toContain('because pace now needs the most work');
    }
    const near = (of: readonly Entry[]) =>
      of.filter(({ day }) => day >= today && daysBetween(today, day) < 7);
    expect(near(entries)).toEqual(near(PLAN));
    // A little wider is no new evidence.
    const little = [need('pace', 2.1), ...NEEDS.filter(({ skill }) => skill !== 'pace')];
    expect(
      replan(VALUES, PLAN, { today, putted: puttedUntil(today), now: little, then: NEEDS }),
    ).toMatchObject({ reconsidered: false, changes: [] });
  });

  it('done twice changes nothing more, whatever was missed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 60 }),
        fc.array(fc.boolean(), { minLength: 24, maxLength: 24 }),
        fc.constantFrom('strike', 'pace', 'face'),
        (after, came, weakest) => {
          const today = dayAfter(VALUES.from, after);
          const putted = PLAN.filter((_, i) => came[i]).map(({ day }) => day);
          const now = needs(weakest, 2.6);
          const once = replan(VALUES, PLAN, { today, putted, now, then: NEEDS });
          const twice = replan(VALUES, once.entries, {
            today,
            putted,
            now,
            then: once.reconsidered ? now : NEEDS,
          });
          expect(twice).toEqual({
            ...{ entries: once.entries, gone: [], changes: [], reconsidered: false },
          });
          // Days stand where they were said, and none is lost.
          expect(once.entries.map(({ day, time }) => [day, time])).toEqual(
            PLAN.map(({ day, time }) => [day, time]),
          );
          // What is past is told as it was.
          for (const [i, entry] of once.entries.entries()) {
            if (entry.day < today) expect(entry.skills).toEqual(PLAN[i]!.skills);
            if (entry.state === 'done') expect(putted).toContain(entry.day);
          }
        },
      ),
      { numRuns: 200 },
    );
  });

  it('has no day on a day off, and is else as it would be, for any time off', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 55 }),
        fc.integer({ min: 0, max: 12 }),
        fc.boolean(),
        (first, days, own) => {
          const from = dayAfter(VALUES.from, first);
          const off = { from, until: dayAfter(from, days), why: 'away' };
          const plan = own
            ? programmeOf({ ...VALUES, off: [off] }, NEEDS)
            : programmeOf(VALUES, NEEDS, [], [off]);
          const outside = ({ day }: Entry) => day < off.from || day > off.until;
          expect(plan.map(({ day, time }) => [day, time])).toEqual(
            PLAN.filter(outside).map(({ day, time }) => [day, time]),
          );
        },
      ),
      { numRuns: 60 },
    );
  });

  it('loses days that become days off, says so, and does what they were for on another day', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 50 }),
        fc.integer({ min: 0, max: 9 }),
        fc.boolean(),
        (after, days, own) => {
          const today = dayAfter(VALUES.from, after);
          const from = dayAfter(today, 2);
          const off = { from, until: dayAfter(from, days), why: 'quay festival' };
          const values = own ? { ...VALUES, off: [off] } : VALUES;
          const since = {
            ...{ today, putted: puttedUntil(today), now: NEEDS, then: NEEDS },
            closed: own ? [] : [off],
          };
          const { entries, gone, changes } = replan(values, PLAN, since);
          const inside = PLAN.filter(({ day }) => day >= off.from && day <= off.until);
          expect(gone).toEqual(inside);
          expect(entries).toHaveLength(PLAN.length - inside.length);
          for (const { day } of inside) {
            const told = changes.find(
              ({ words, day: of }) => of === day && /^is dropped because of time off/.test(words),
            );
            expect(told?.words).toContain('quay festival');
          }
          // A test that falls out is held on another day, where one comes.
          const test = inside.find(({ kind }) => kind === 'test');
          const coming = entries.filter(({ day }) => day >= today);
          if (test && coming.length > 0) {
            expect(
              coming.some(({ kind, day }) => kind === 'test' && daysBetween(test.day, day) <= 14),
            ).toBe(true);
          }
          expect(replan(values, entries, since)).toMatchObject({ gone: [], changes: [] });
        },
      ),
      { numRuns: 120 },
    );
  });
});

describe('days off', () => {
  const said = (from: string, until: string, why = '') =>
    daysOffSchema.safeParse({ from, until, why }).error?.issues.map(({ message }) => message);

  it('end on their first day or later, and do not go on for ever', () => {
    expect(said('2026-12-24', '2026-12-24')).toBeUndefined();
    expect(said('2026-12-24', '2026-12-23')).toEqual([
      'The last day, Wed 23 Dec, is before the first day, Thu 24 Dec. Choose the first day or a later one.',
    ]);
    expect(said('2026-01-01', '2026-04-30')).toBeUndefined();
    expect(said('2026-01-01', '2026-05-01')).toEqual([
      'The time off is too long: use at most 120 days in a row.',
    ]);
    expect(said('2026-01-01', 'soon')?.[0]).toBe('Enter a date, such as 9 Apr 2026.');
  });

  it('are said by their days and what they are for', () => {
    const off = { from: '2026-12-24', until: '2027-01-02', why: 'holiday' };
    expect(offWords(off)).toBe('Thu 24 Dec to Sat 2 Jan, holiday');
    expect(offWords({ ...off, until: off.from, why: '' })).toBe('Thu 24 Dec');
    expect(offOn('2027-01-02', [off])).toBe(off);
    expect(offOn('2027-01-03', [off])).toBeUndefined();
  });
});
