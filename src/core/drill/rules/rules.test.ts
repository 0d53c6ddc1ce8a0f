import fc from 'fast-check';
import { between } from 'tests/arbitraries';
import { capSchema, type Cap } from '../cap';
import { ruleSchema, type Rule } from './register';
import type { RuleGround, RulePutt } from './machine';
import { endedWords, playRule } from './play';
import { machineOf } from './register';

const GROUND: RuleGround = { stations: 2, rungs: 6, rung: 2 };
const LONG: Cap = { putts: 300, minutes: 120 };

const RULES: Rule[] = [
  { type: 'open' },
  { type: 'putts', putts: 6 },
  { type: 'quota', passes: 4 },
  { type: 'row', length: 3 },
  { type: 'sets', sets: 2, of: 3, restart: 'at once' },
  { type: 'sets', sets: 2, of: 3, restart: 'at the end' },
  { type: 'stations', need: 2, of: 3 },
  {
    type: 'tiers',
    tiers: [
      { stations: 2, need: 2, of: 2 },
      { stations: 1, need: 1, of: 3 },
    ],
  },
  { type: 'record' },
  { type: 'points', total: 6, short: 0, past: 1, holed: 2 },
  { type: 'zone', length: 3 },
  { type: 'perfect' },
  { type: 'ladder', up: 2, down: 2 },
  { type: 'cost', holes: 3 },
  { type: 'guess', putts: 4 },
  { type: 'timed', minutes: 3 },
  { type: 'assessment', putts: 5 },
];

const putt = (passed: boolean, more: Partial<RulePutt> = {}): RulePutt => ({
  passed,
  holed: null,
  rest: null,
  guessed: null,
  minutes: 0,
  ...more,
});
/** P passed, M missed. */
const of = (letters: string) => [...letters].map((letter) => putt(letter === 'P'));
const play = (rule: Rule, putts: RulePutt[], ground = GROUND, cap = LONG) =>
  playRule(rule, cap, ground, putts);
const said = (rule: Rule, letters: string, ground = GROUND) => {
  const { words, ended } = play(rule, of(letters), ground);
  return `${words.count} ${words.of} | ${words.line}${ended ? ` | ${ended}` : ''}`;
};

describe.each(RULES.map((rule) => [rule.type, rule] as const))('every rule: %s', (type, rule) => {
  const anyPutts = fc.array(
    fc.record({
      passed: fc.boolean(),
      holed: fc.constantFrom(true, false, null),
      rest: fc.constantFrom('short' as const, 'in' as const, 'long' as const, null),
      guessed: fc.constantFrom(true, false, null),
      step: between(0, 0.6),
    }),
    { maxLength: 60 },
  );
  const timed = (putts: (Omit<RulePutt, 'minutes'> & { step: number })[]) => {
    let minutes = 0;
    return putts.map(({ step, ...one }) => ({ ...one, minutes: (minutes += step) }));
  };

  it('is one its schema takes', () => expect(ruleSchema.parse(rule)).toEqual(rule));

  it('played again is as it was played live, and takes no putt once it is done', () => {
    fc.assert(
      fc.property(anyPutts, (some) => {
        const putts = timed(some);
        const machine = machineOf(rule);
        let state = machine.start(rule, GROUND);
        let taken = 0;
        let over = false;
        for (const one of putts) {
          if (over) break;
          state = machine.next(state, one, rule, GROUND);
          taken += 1;
          over = machine.done(state, rule, GROUND);
        }
        const again = play(rule, putts, GROUND, { putts: 1000, minutes: 1000 });
        expect(again.words).toEqual(machine.words(state, rule, GROUND));
        expect(again.taken).toBe(taken);
        if (over) {
          expect(again.ended).toBe('done');
          expect(play(rule, [...putts, putt(true), putt(false)])).toMatchObject({ taken });
        }
      }),
      { numRuns: 60 },
    );
  });

  it('changes no state in place, so that undoing is playing again without the putt', () => {
    const machine = machineOf(rule);
    fc.assert(
      fc.property(anyPutts, (some) => {
        let state = machine.start(rule, GROUND);
        for (const one of timed(some)) {
          const before = JSON.stringify(state);
          const next = machine.next(Object.freeze(state), Object.freeze(one), rule, GROUND);
          expect(JSON.stringify(state)).toBe(before);
          state = next;
        }
      }),
      { numRuns: 30 },
    );
  });

  it('is ended by its cap whatever happens, unless the coach ends it', () => {
    for (const passed of [true, false]) {
      const many = Array.from({ length: 40 }, (_, index) => putt(passed, { minutes: index / 10 }));
      const { ended, taken } = play(rule, many, GROUND, { putts: 12, minutes: 120 });
      if (type === 'open') expect([ended, taken]).toEqual([null, 40]);
      else expect(taken).toBeLessThanOrEqual(12);
      const slow = play(
        rule,
        many.map((one, index) => ({ ...one, minutes: 3 * index })),
        GROUND,
        {
          putts: 300,
          minutes: 5,
        },
      );
      if (type !== 'open') expect(slow.ended).not.toBeNull();
    }
  });

  it('always has words, and a station and a rung that are there', () => {
    fc.assert(
      fc.property(anyPutts, (some) => {
        const { words, station, rung, ended } = play(rule, timed(some));
        expect(words.count).toMatch(/^\d+$/);
        expect(words.of).not.toBe('');
        expect(`${words.of} ${words.line}`).not.toMatch(/NaN|undefined/);
        if (rung !== null) expect(rung >= 0 && rung < GROUND.rungs).toBe(true);
        if (station !== null && !ended) expect(station).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 40 },
    );
  });
});

describe('what the screen says', () => {
  it.each<[Rule, string, string]>([
    [{ type: 'open' }, 'PPM', '2 of 3 | '],
    [
      { type: 'row', length: 5 },
      'PPMP',
      '1 of 5 in a row | best 2 · attempt 2 · a miss starts again',
    ],
    [
      { type: 'row', length: 3 },
      'MPPP',
      '3 of 3 in a row | best 3 · attempt 2 · a miss starts again | done',
    ],
    [
      { type: 'sets', sets: 4, of: 5, restart: 'at once' },
      'PPPPPPPP',
      '3 of 5 | set 2 of 4 · a miss starts the set again',
    ],
    [
      { type: 'sets', sets: 4, of: 5, restart: 'at once' },
      'PPM',
      '0 of 5 | set 1 of 4 · a miss starts the set again · restarted 1×',
    ],
    [
      { type: 'sets', sets: 2, of: 3, restart: 'at the end' },
      'PM',
      '2 of 3 | set 1 of 2 · this set will be repeated',
    ],
    [
      { type: 'stations', need: 3, of: 3 },
      'PPPPM',
      '0 of 3 needed, 0 of 3 played | station 1 of 2 · a failed station sends you back to the first · sent back 1×',
    ],
    [
      { type: 'sets', sets: 2, of: 2, restart: 'at once' },
      'PPMPP',
      '2 of 2 sets | all perfect · restarted 1× | done',
    ],
    [{ type: 'stations', need: 1, of: 2 }, 'PMP', '2 of 2 stations | no station failed | done'],
    [{ type: 'record' }, 'PPP', '3 in a row | station 2 of 2 · the first miss ends it'],
    [{ type: 'ladder', up: 2, down: 2 }, 'PPM', '4 of 6 rungs | 1 of 2 missed, then down a rung'],
    [{ type: 'cost', holes: 9 }, 'PMM', '3 putts | hole 2 of 9 · a putter length farther'],
    [{ type: 'perfect' }, 'MMP', '3 tries | everything right | done'],
    [
      { type: 'assessment', putts: 10 },
      'PPM',
      '3 of 10 putts | 2 passed · no warm-up, one try each',
    ],
  ])('%p after %s', (rule, letters, words) => expect(said(rule, letters)).toBe(words));

  it('leaves a station as soon as its fate is sealed, either way', () => {
    const two: Rule = { type: 'stations', need: 2, of: 3 };
    expect(play(two, of('PP')).station).toBe(1);
    expect(play(two, of('MM')).station).toBe(0);
    expect(play(two, of('MM')).words.line).toContain('sent back 1×');
  });

  it('sends a failed station back to the first of its tier, not of all', () => {
    const rule: Rule = {
      type: 'tiers',
      tiers: [
        { stations: 1, need: 1, of: 1 },
        { stations: 2, need: 1, of: 1 },
      ],
    };
    expect(play(rule, of('PPM')).station).toBe(1);
    expect(play(rule, of('PPP')).ended).toBe('done');
  });

  it('counts points by hole and zone, and nothing beyond it', () => {
    const rule: Rule = { type: 'points', total: 11, short: -1, past: 1, holed: 2 };
    const putts = [
      putt(true, { holed: true, rest: 'in' }),
      putt(true, { holed: false, rest: 'in' }),
      putt(false, { holed: false, rest: 'long' }),
      putt(false, { holed: false, rest: 'short' }),
      putt(false, { holed: false, rest: 'short' }),
      putt(false, { holed: false, rest: 'short' }),
      putt(false, { holed: false, rest: 'short' }),
    ];
    const after = putts.map((_, index) => play(rule, putts.slice(0, index + 1)).words.count);
    expect(after).toEqual(['2', '3', '3', '2', '1', '0', '0']);
  });

  it('takes a holed putt for one in the zone', () => {
    const rule: Rule = { type: 'zone', length: 2 };
    const holed = putt(true, { holed: true, rest: 'long' });
    expect(play(rule, [holed, putt(true, { rest: 'in' })]).ended).toBe('done');
    expect(play(rule, [putt(true, { rest: 'in' }), putt(true, { rest: 'long' })]).words.count).toBe(
      '0',
    );
  });

  it('says kindly that it has ended', () => {
    const cap = capSchema.parse({ putts: 5, minutes: 4 });
    const row: Rule = { type: 'row', length: 3 };
    expect(endedWords(play(row, of('PP'), GROUND, cap), cap)).toBeNull();
    expect(endedWords(play(row, of('PPP'), GROUND, cap), cap)).toBe('Completed in 3 putts.');
    expect(endedWords(play(row, of('PMPMPM'), GROUND, cap), cap)).toBe(
      'That is 5 putts, enough for today. The drill ends here.',
    );
    expect(endedWords(play(row, [putt(false, { minutes: 4 })], GROUND, cap), cap)).toBe(
      'That is 4 minutes, enough for today. The drill ends here.',
    );
  });
});

describe('the guess', () => {
  const rule: Rule = { type: 'guess', putts: 4 };
  it('asks for one until one was made, then counts those that came true', () => {
    expect(play(rule, []).words.line).toBe('guess before you look');
    expect(play(rule, [putt(true)]).words.line).toBe('guess before you look');
    const putts = [true, false, null, true].map((guessed) => putt(false, { guessed }));
    expect(play(rule, putts)).toMatchObject({
      ended: 'done',
      words: { count: '4', line: '2 of 3 guessed right' },
    });
  });
});
