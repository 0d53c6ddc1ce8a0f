import { htmlOf } from 'tests/english';
import { likelyLarger, rateOf, type Check } from '@/core/coaching';
import { Checks } from './checks';

const check = (rates: [right: number, of: number][]): Check => {
  const sessions = rates.map(([right, of], week) => ({
    id: `${week}`,
    at: new Date(Date.UTC(2026, 4, 1 + 7 * week, 12)),
    ...rateOf(right, of),
  }));
  const [then, now] = [sessions[0]!, sessions.at(-1)!];
  const all = rateOf(
    rates.reduce((sum, [right]) => sum + right, 0),
    rates.reduce((sum, [, of]) => sum + of, 0),
  );
  const change = sessions.length > 1 ? { then, now, better: likelyLarger(now, then) } : null;
  return { question: 'Head still', good: 'Still', sessions, all, change, effect: null };
};
const shown = (checks: Check[]) => htmlOf(<Checks checks={checks} />);

describe('what was looked for', () => {
  it('is not there where nothing was', () => expect(shown([])).toBe(''));

  it('has a line a session, as high as its interval, higher where it was so more often', () => {
    const html = shown([
      check([
        [2, 10],
        [8, 10],
      ]),
    ]);
    expect(html).toContain('Head still: 2 sessions, 1 May to 8 May 2026');
    const dots = [...html.matchAll(/cy="([\d.]+)"/g)].map(([, y]) => Number(y));
    expect(dots).toHaveLength(2);
    // Upwards is less on a screen.
    expect(dots[1]).toBeLessThan(dots[0]!);
    expect(html).toContain('Still: 10 of 20');
    expect(html).toContain('more often than before');
  });

  it('says what it does to the putt, where that is known', () => {
    const one = check([[30, 42]]);
    const [so, not] = [rateOf(24, 30), rateOf(4, 12)];
    const html = shown([{ ...one, effect: { so, not, better: likelyLarger(so, not), bands: 1 } }]);
    expect(html).toContain(
      'With it, 24 of 30 putts passed; without it, 4 of 12. It helps (over 99 % sure).',
    );
    expect(shown([one])).not.toContain('When so');
  });

  it('says one session as one, and keeps twenty of many', () => {
    expect(shown([check([[3, 4]])])).toContain('1 session,');
    const many = check(Array.from({ length: 30 }, (): [number, number] => [3, 4]));
    expect(shown([many]).match(/<circle/g)).toHaveLength(20);
  });
});
