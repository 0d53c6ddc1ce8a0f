import fc from 'fast-check';
import {
  RULES,
  machineOf,
  ruleMinutes,
  ruleSchema,
  ruleTraits,
  ruleWords,
  type Rule,
} from './register';
import type { RuleGround, RulePutt } from './machine';
import type { RuleField } from './rule-kind';

const TYPES = Object.keys(RULES) as Rule['type'][];
const firstOf = (type: Rule['type']): Rule => RULES[type].first;
const ground: RuleGround = { stations: 3, rungs: 4, rung: 0 };
const putts = fc.array(
  fc.record({
    passed: fc.boolean(),
    holed: fc.constantFrom(true, false, null),
    rest: fc.constantFrom('short' as const, 'in' as const, 'long' as const, null),
    guessed: fc.constantFrom(true, false, null),
  }),
  { minLength: 1, maxLength: 60 },
);
/** All at once: a clock has nothing to do with it. */
const atOnce = (all: Omit<RulePutt, 'minutes'>[]): RulePutt[] =>
  all.map((putt) => ({ ...putt, minutes: 0 }));

describe('the register of rules', () => {
  it.each(TYPES)('%s: its first numbers are its own schema’s, and no other’s', (type) => {
    const first = firstOf(type);
    expect(first.type).toBe(type);
    expect(ruleSchema.parse(first)).toEqual(first);
    for (const other of TYPES) {
      expect(RULES[other].schema.safeParse(first).success).toBe(other === type);
    }
  });

  it.each(TYPES)(
    '%s: is said, and every number of its form is in it and can be changed',
    (type) => {
      const first = firstOf(type) as Rule & Record<string, unknown>;
      expect(ruleWords(first).length).toBeGreaterThan(5);
      expect(ruleWords(first)).not.toMatch(/undefined|NaN|\[object/);
      const fields: readonly RuleField[] = RULES[type].fields;
      for (const { field, options, text } of fields) {
        expect(first).toHaveProperty(field);
        const other = text
          ? 'another name'
          : options
            ? options.find(({ value }) => value !== first[field])!.value
            : (first[field] as number) + 1;
        const changed = { ...first, [field]: other } as Rule;
        // More may be needed than are played: then it is refused, at that number.
        const parsed = ruleSchema.safeParse(changed);
        if (parsed.success) expect(parsed.data).toEqual(changed);
        else expect(parsed.error.issues[0]!.path).toEqual(['need']);
      }
    },
  );

  it.each(TYPES)('%s: what is endless is ended by no putt, and only that is', (type) => {
    const rule = firstOf(type);
    const machine = machineOf(rule);
    const { endless } = ruleTraits(rule);
    let ended = false;
    fc.assert(
      fc.property(putts, (all) => {
        let state = machine.start(rule, ground);
        for (const putt of atOnce(all)) {
          if (machine.done(state, rule, ground)) break;
          state = machine.next(state, putt, rule, ground);
        }
        ended ||= machine.done(state, rule, ground);
        if (endless) expect(machine.done(state, rule, ground)).toBe(false);
      }),
      { numRuns: 60 },
    );
    // Eighty that pass end every other rule.
    let state = machine.start(rule, ground);
    for (let i = 0; i < 80 && !machine.done(state, rule, ground); i++) {
      const good = { passed: true, holed: true, rest: 'in' as const, guessed: true, minutes: 0 };
      state = machine.next(state, good, rule, ground);
    }
    const one = machine.next(
      machine.start(rule, ground),
      { passed: false, holed: false, rest: 'short', guessed: false, minutes: 0 },
      rule,
      ground,
    );
    // The longest row is ended by a miss, not by what passes.
    expect(machine.done(state, rule, ground) || machine.done(one, rule, ground)).toBe(!endless);
  });

  it('has a clock for those that are timed, and moves only those that climb', () => {
    expect(ruleMinutes({ type: 'timed', minutes: 7 })).toBe(7);
    for (const type of TYPES) {
      const rule = firstOf(type);
      if (type !== 'timed') expect(ruleMinutes(rule)).toBeNull();
      expect(!!machineOf(rule).rung).toBe(!!ruleTraits(rule).climbs);
    }
  });

  it('refuses what is no rule, and says why', () => {
    expect(ruleSchema.safeParse({ type: 'marathon' }).success).toBe(false);
    expect(ruleSchema.safeParse({ type: 'row', length: 1 }).success).toBe(false);
    const more = ruleSchema.safeParse({ type: 'stations', need: 3, of: 2 });
    expect(more.error!.issues[0]).toMatchObject({
      message: 'Passes needed is more than putts per station: use the same or fewer.',
      path: ['need'],
    });
  });
});
