import fc from 'fast-check';
import { dayAfter } from '@/core/calendar';
import { adherenceOf } from '.';

const WORK = { from: '2026-03-02', until: '2026-03-29', timesAWeek: 3 };

describe('how homework was done', () => {
  it('is told week by week; the week that goes on is not counted', () => {
    const days = ['2026-03-02', '2026-03-04', '2026-03-04', '2026-03-10', '2026-03-16'];
    expect(adherenceOf(WORK, days, '2026-03-17')).toEqual({
      weeks: [
        { from: '2026-03-02', asked: 3, done: 2, now: false },
        { from: '2026-03-09', asked: 3, done: 1, now: false },
        { from: '2026-03-16', asked: 3, done: 1, now: true },
      ],
      asked: 6,
      done: 3,
    });
  });

  it('is nothing before it begins, and all of it once it is over', () => {
    expect(adherenceOf(WORK, [], '2026-03-01')).toEqual({ weeks: [], asked: 0, done: 0 });
    const over = adherenceOf(WORK, [], '2026-05-01');
    expect(over.weeks).toHaveLength(4);
    expect(over.asked).toBe(12);
  });

  it('asks for its share of a last week that is cut short', () => {
    const over = adherenceOf({ ...WORK, until: '2026-03-10' }, [], '2026-05-01');
    expect(over.weeks.map(({ asked }) => asked)).toEqual([3, 1]);
  });

  it('is never more than was asked, nor less than nothing', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -10, max: 60 }), { maxLength: 60 }),
        fc.integer({ min: 1, max: 7 }),
        fc.integer({ min: -5, max: 60 }),
        (offsets, timesAWeek, later) => {
          const days = offsets.map((offset) => dayAfter(WORK.from, offset));
          const found = adherenceOf({ ...WORK, timesAWeek }, days, dayAfter(WORK.from, later));
          for (const { asked, done } of found.weeks) {
            expect(done).toBeGreaterThanOrEqual(0);
            expect(done).toBeLessThanOrEqual(asked);
          }
          expect(found.done).toBeLessThanOrEqual(found.asked);
        },
      ),
    );
  });
});
