import fc from 'fast-check';
import {
  dayAfter,
  dayWords,
  fullDayWords,
  momentOf,
  partsOfMoment,
  typedDay,
  typedTime,
  weekdayOf,
} from '.';

const TODAY = '2026-11-27';

describe('a day that is typed', () => {
  it.each([
    ['27 Nov', '2026-11-27'],
    ['27 November 2026', '2026-11-27'],
    ['27. November', '2026-11-27'],
    ['Fri 27 Nov 2026', '2026-11-27'],
    ['friday 27 november', '2026-11-27'],
    ['27.11.26', '2026-11-27'],
    ['27/11', '2026-11-27'],
    ['27.11.', '2026-11-27'],
    ['2026-3-9', '2026-03-09'],
    ['today', '2026-11-27'],
    [' Tomorrow ', '2026-11-28'],
    // The nearest such day: in January, next year's; in June, the one that was.
    ['3 Jan', '2027-01-03'],
    ['3 Jun', '2026-06-03'],
    ['29 Feb 2028', '2028-02-29'],
    ['29 Feb', '2028-02-29'],
    // Today is a Friday.
    ['mon', '2026-11-30'],
    ['Friday', '2026-12-04'],
    ['thu', '2026-12-03'],
  ])('“%s” is %s', (text, day) => {
    expect(typedDay(text, TODAY)).toBe(day);
  });

  it.each([
    '',
    '31 Feb',
    '29.2.2027',
    '11/27/2026',
    '0 May',
    '27',
    '27 Foo',
    '2026-13-01',
    '27 Nov 1',
    'mo',
  ])('“%s” is none', (text) => {
    expect(typedDay(text, TODAY)).toBeNull();
  });

  it('is read back as it is shown, and as it is kept, whichever day it is', () => {
    const days = fc.integer({ min: -9000, max: 9000 }).map((away) => dayAfter(TODAY, away));
    fc.assert(
      fc.property(days, days, (day, today) => {
        expect(typedDay(fullDayWords(day), today)).toBe(day);
        expect(typedDay(day, today)).toBe(day);
        const near = typedDay(dayWords(day), today)!;
        // Without its year it is the nearest of its name.
        expect(near.slice(5)).toBe(day.slice(5));
        expect(Math.abs(Date.parse(near) - Date.parse(today)) / 86_400_000).toBeLessThanOrEqual(
          day.endsWith('02-29') ? 731 : 183,
        );
      }),
    );
  });

  it('is, of a weekday, the next such day', () => {
    for (const [index, name] of ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'].entries()) {
      for (let away = 0; away < 14; away++) {
        const today = dayAfter(TODAY, away);
        const found = typedDay(name, today)!;
        expect(weekdayOf(found)).toBe(index + 1);
        expect(found > today && found <= dayAfter(today, 7)).toBe(true);
      }
    }
  });
});

describe('a time that is typed', () => {
  it.each([
    ['16:30', '16:30'],
    ['16.30', '16:30'],
    ['1630', '16:30'],
    ['16', '16:00'],
    ['9', '09:00'],
    ['9h05', '09:05'],
    ['4:30 pm', '16:30'],
    ['4.30 p.m.', '16:30'],
    ['9am', '09:00'],
    ['12 am', '00:00'],
    ['12 pm', '12:00'],
    ['0:05', '00:05'],
  ])('“%s” is %s', (text, time) => {
    expect(typedTime(text)).toBe(time);
  });

  it.each(['', '24', '16:60', '13 pm', '0 am', 'noon', '4:3', '16:30:00'])(
    '“%s” is none',
    (text) => {
      expect(typedTime(text)).toBeNull();
    },
  );

  it('is read back as it is kept', () => {
    for (let minute = 0; minute < 1440; minute += 7) {
      const time = `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
      expect(typedTime(time)).toBe(time);
    }
  });
});

it('a moment keeps its day and its time apart while either is typed, whatever is typed', () => {
  expect(partsOfMoment('2026-11-27T16:30')).toEqual(['2026-11-27', '16:30']);
  expect(partsOfMoment('')).toEqual(['', '']);
  // A Thursday that loses its last letter.
  expect(partsOfMoment(momentOf('Thu 26 Nov 202', '13:31'))).toEqual(['Thu 26 Nov 202', '13:31']);
  fc.assert(
    fc.property(fc.string(), fc.string(), (day, time) => {
      expect(partsOfMoment(momentOf(day, time))).toEqual([day, time.replaceAll('T', 't')]);
    }),
  );
});
