import fc from 'fast-check';
import { dice } from 'tests/player/player';
import {
  asTrial,
  lotOf,
  playRule,
  ruleDrawn,
  ruleNote,
  ruleSchema,
  tellsApart,
  trialArms,
  type Rule,
  type RulePutt,
  type TrialRule,
} from '.';

const rule = (more: Partial<TrialRule> = {}): TrialRule => ({
  type: 'trial',
  a: 'blade',
  b: 'mallet',
  set: 5,
  sets: 8,
  lot: 11,
  ...more,
});
const ground = { stations: 1, rungs: 1, rung: 0 };
const cap = { putts: 400, minutes: 400 };
const putts = (count: number): RulePutt[] =>
  Array.from({ length: count }, () => ({
    passed: true,
    holed: null,
    rest: null,
    guessed: null,
    minutes: 0,
  }));
const shown = (one: TrialRule, count: number) => playRule(one, cap, ground, putts(count));

describe('a trial', () => {
  it('has as many putts with each, in pairs of sets, whichever first', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 20 }),
        fc.integer({ min: 2, max: 40 }),
        fc.nat({ max: 2 ** 31 - 1 }),
        (set, sets, lot) => {
          const arms = trialArms({ set, sets, lot });
          expect(arms).toHaveLength(2 * set * sets);
          for (let pair = 0; pair < sets; pair++) {
            const two = arms.slice(2 * set * pair, 2 * set * (pair + 1));
            expect(new Set(two.slice(0, set)).size).toBe(1);
            expect(new Set(two.slice(set)).size).toBe(1);
            expect(two[0]).not.toBe(two[set]);
          }
        },
      ),
    );
  });

  it('draws the order by lot: either comes first about as often, and a lot gives the same order again', () => {
    const first = Array.from({ length: 600 }, (_, lot) => trialArms({ set: 3, sets: 2, lot })[0]);
    const share = first.filter((arm) => arm === 'a').length / first.length;
    // Four standard deviations of a fair coin, 600 times.
    expect(Math.abs(share - 0.5)).toBeLessThan(4 * Math.sqrt(0.25 / 600));
    expect(trialArms(rule())).toEqual(trialArms(rule()));
    expect(new Set(first.slice(0, 12)).size).toBe(2);
  });

  it('says which to putt with, how many are left of the set, and what comes then', () => {
    const arms = trialArms(rule());
    for (const count of [0, 4, 5, 37, 79]) {
      const { words, ended } = shown(rule(), count);
      expect(ended).toBeNull();
      expect(words.count).toBe({ a: 'blade', b: 'mallet' }[arms[count]!]);
      expect(words.of).toBe(`putt ${(count % 5) + 1} of 5`);
      expect(words.line).toMatch(new RegExp(`^set ${Math.floor(count / 5) + 1} of 16 · `));
    }
    expect(shown(rule(), 79).words.line).toMatch(/last set$/);
    expect(shown(rule(), 80)).toMatchObject({ ended: 'done', words: { count: '80' } });
  });

  it('tells nothing of how it goes until its end: nobody putts for the favourite', () => {
    const missed = putts(30).map((putt) => ({ ...putt, passed: false }));
    expect(playRule(rule(), cap, ground, missed).words).toEqual(shown(rule(), 30).words);
  });

  it('is begun with a lot of its own, and no other rule is', () => {
    const drawn = asTrial(ruleDrawn(rule(), lotOf('0a0b0c0d-0000-4000-8000-000000000000'))!)!;
    expect(drawn).toEqual(rule({ lot: 0x0a0b0c0d }));
    expect(ruleSchema.safeParse(ruleDrawn(rule(), 0xffffffff)).success).toBe(true);
    const row: Rule = { type: 'row', length: 5 };
    expect(ruleDrawn(row, 4)).toBeNull();
    expect(asTrial(row)).toBeNull();
  });

  it('says beforehand what it can tell: trials with windows so far apart are found four times in five', () => {
    const random = dice(5);
    for (const { set, sets } of [
      { set: 5, sets: 8 },
      { set: 10, sets: 6 },
    ]) {
      const apart = Math.log(tellsApart({ set, sets }));
      const trials = 2000;
      let found = 0;
      for (let trial = 0; trial < trials; trial++) {
        let sum = 0;
        for (let pair = 1; pair <= sets; pair++) {
          // One putt of information 1 on the log of each window: a pair tells the difference to √(2 / set).
          sum += apart + Math.sqrt(2 / set) * random.normal();
          const variance = 2 / (set * pair);
          // The mixture likelihood ratio, spread 0.4, ten to one.
          const exponent = ((sum / pair) ** 2 * 0.16) / (2 * variance * (variance + 0.16));
          if (Math.sqrt(variance / (variance + 0.16)) * Math.exp(exponent) < 10) continue;
          found += 1;
          break;
        }
      }
      expect(found / trials).toBeGreaterThan(0.77);
      expect(found / trials).toBeLessThan(0.83);
    }
    expect(tellsApart({ set: 5, sets: 16 })).toBeLessThan(tellsApart({ set: 5, sets: 8 }));
    expect(ruleNote(rule())).toMatch(
      /^40 putts with each tell windows apart, four times in five, when one is at least ×2\.\d the other/,
    );
  });

  it('refuses names that are none', () => {
    expect(ruleSchema.safeParse(rule({ a: ' ' })).error!.issues[0]!.message).toBe('Enter a name.');
    expect(ruleSchema.safeParse(rule({ b: 'x'.repeat(31) })).success).toBe(false);
    expect(ruleSchema.safeParse(rule({ set: 2 })).success).toBe(false);
  });
});
