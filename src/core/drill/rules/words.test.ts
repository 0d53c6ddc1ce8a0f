import { LIBRARY, capSchema, ruleSchema, ruleWords, type Rule } from '..';

describe('a rule in words', () => {
  it.each<[Rule, string]>([
    [{ type: 'putts', putts: 1 }, 'one putt, passes counted'],
    [{ type: 'quota', passes: 25 }, 'until 25 putts have passed'],
    [{ type: 'row', length: 5 }, '5 in a row, or start again'],
    [
      { type: 'sets', sets: 4, of: 5, restart: 'at once' },
      '4 sets of 5, every putt passed; a miss starts the set again at once',
    ],
    [
      {
        type: 'tiers',
        tiers: [
          { stations: 2, need: 3, of: 3 },
          { stations: 1, need: 1, of: 3 },
        ],
      },
      '2 stations needing 3 of 3, then one station needing 1 of 3',
    ],
    [
      { type: 'points', total: 11, short: 0, past: 1, holed: 2 },
      'play to 11 points (short 0, in the zone 1, holed 2)',
    ],
    [{ type: 'assessment', putts: 10 }, '10 putts, no warm-up, one try each'],
  ])('%p', (rule, words) => {
    expect(ruleSchema.parse(rule)).toEqual(rule);
    expect(ruleWords(rule)).toBe(words);
  });

  it('has words of its own for every kind that the library uses', () => {
    const kinds = new Set(LIBRARY.map(({ rule }) => rule.type));
    expect(kinds.size).toBeGreaterThanOrEqual(12);
    expect(new Set(LIBRARY.map(({ rule }) => ruleWords(rule))).size).toBeGreaterThan(kinds.size);
  });

  it.each([
    [
      { type: 'stations', need: 4, of: 3 },
      'Passes needed is more than putts per station: use the same or fewer.',
    ],
    [{ type: 'row', length: 1 }, ''],
    [{ type: 'windmill' }, ''],
    [{ type: 'quota', passes: 2.5 }, ''],
  ])('refuses %p', (rule, words) => {
    const parsed = ruleSchema.safeParse(rule);
    expect(parsed.success).toBe(false);
    expect(parsed.error?.issues[0]?.message).toContain(words);
  });

  it('ends every drill somewhere', () => {
    expect(capSchema.parse({})).toEqual({ putts: 60, minutes: 25 });
    for (const { cap } of LIBRARY) {
      expect(cap.putts).toBeLessThanOrEqual(300);
      expect(cap.minutes).toBeLessThanOrEqual(120);
    }
    expect(capSchema.safeParse({ putts: 100_000 }).success).toBe(false);
  });
});
