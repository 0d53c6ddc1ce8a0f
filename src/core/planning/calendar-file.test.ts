import fc from 'fast-check';
import ICAL from 'ical.js';
import { dayAfter } from '@/core/calendar';
import { calendarFile, instantOf, type Dated } from '.';

const AT = new Date('2026-03-01T09:00:00Z');
const lesson: Dated = {
  id: 'a1',
  day: '2026-03-24',
  time: '17:00',
  zone: 'Europe/Amsterdam',
  minutes: 75,
  title: 'Wren: strike and pace; lesson, 75 min',
  about: 'Bring: tees, a coin\nThe wharf green',
};

/** The calendar read back by a parser that is not its writer. */
function parsed(text: string) {
  const calendar = new ICAL.Component(ICAL.parse(text));
  return calendar.getAllSubcomponents('vevent').map((one) => {
    const event = new ICAL.Event(one);
    return {
      uid: event.uid,
      title: event.summary,
      about: event.description ?? '',
      wholeDay: event.startDate.isDate,
      start: event.startDate.toJSDate(),
      day: event.startDate.toString().slice(0, 10),
      minutes: event.duration.toSeconds() / 60,
    };
  });
}

describe('a moment', () => {
  it('is the wall clock’s: five is five before and after the clocks change', () => {
    expect(instantOf('2026-03-24', '17:00', 'Europe/Amsterdam').toISOString()).toBe(
      '2026-03-24T16:00:00.000Z',
    );
    expect(instantOf('2026-03-31', '17:00', 'Europe/Amsterdam').toISOString()).toBe(
      '2026-03-31T15:00:00.000Z',
    );
    expect(instantOf('2026-11-01', '17:00', 'America/New_York').toISOString()).toBe(
      '2026-11-01T22:00:00.000Z',
    );
  });

  it('that the clocks pass over is an hour on', () =>
    expect(instantOf('2026-03-29', '02:30', 'Europe/Amsterdam').toISOString()).toBe(
      '2026-03-29T01:30:00.000Z',
    ));
});

describe('a calendar file', () => {
  it('is read back as it was written', () => {
    const text = calendarFile('Dirigo', [lesson, { ...lesson, id: 'b2', time: null }], AT);
    expect(parsed(text)).toEqual([
      {
        uid: 'a1@dirigo',
        title: lesson.title,
        about: lesson.about,
        wholeDay: false,
        start: new Date('2026-03-24T16:00:00Z'),
        day: '2026-03-24',
        minutes: 75,
      },
      expect.objectContaining({ uid: 'b2@dirigo', wholeDay: true, day: '2026-03-24' }),
    ]);
  });

  it('has lines of at most 75 octets, ended as the standard says', () => {
    const text = calendarFile('Dirigo', [{ ...lesson, about: 'naïve – '.repeat(60) }], AT);
    expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
    for (const line of text.split('\r\n')) {
      expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    }
  });

  it('keeps any words, days, times and lengths', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            after: fc.integer({ min: 0, max: 800 }),
            time: fc.option(
              fc
                .tuple(fc.integer({ min: 3, max: 23 }), fc.integer({ min: 0, max: 59 }))
                .map(([h, m]) => `${String(h).padStart(2, '0')}:${String(m).padStart(2, '0')}`),
            ),
            minutes: fc.integer({ min: 10, max: 180 }),
            zone: fc.constantFrom('Europe/Amsterdam', 'America/St_Johns', 'Australia/Lord_Howe'),
            title: fc.stringMatching(/^[A-Za-z,;:\\ü–]{1,40}$/),
          }),
          { minLength: 1, maxLength: 6 },
        ),
        (some) => {
          const entries = some.map(({ after, ...one }, i): Dated => ({
            ...one,
            id: String(i),
            day: dayAfter('2026-01-01', after),
            about: '',
          }));
          parsed(calendarFile('Dirigo', entries, AT)).forEach((read, i) => {
            const { day, time, zone, minutes, title } = entries[i]!;
            expect(read.title).toBe(title);
            if (time === null) expect([read.wholeDay, read.day]).toEqual([true, day]);
            else {
              expect(read.minutes).toBe(minutes);
              const there = new Intl.DateTimeFormat('sv-SE', {
                timeZone: zone,
                dateStyle: 'short',
                timeStyle: 'short',
              }).format(read.start);
              expect(there).toBe(`${day} ${time}`);
            }
          });
        },
      ),
      { numRuns: 60 },
    );
  });

  it('without anything in it is a calendar still', () =>
    expect(ICAL.parse(calendarFile('Dirigo', [], AT))[0]).toBe('vcalendar'));
});
