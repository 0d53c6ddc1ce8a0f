import { z } from 'zod';
import { machine } from './machine';
import { count, defineRule } from './rule-kind';

/** As many as pass in so many minutes. */
export const timed = defineRule(z.object({ type: z.literal('timed'), minutes: count(1, 60) }), {
  name: 'passes in a set time',
  first: { type: 'timed', minutes: 5 },
  fields: [{ field: 'minutes', label: 'Minutes' }],
  words: ({ minutes }) => `as many passes as possible in ${minutes} minutes`,
  traits: { endless: true },
  minutes: ({ minutes }) => minutes,
  machine: machine<{ minutes: number }, { passed: number; minutes: number }>({
    start: () => ({ passed: 0, minutes: 0 }),
    next: ({ passed }, putt) => ({ passed: passed + Number(putt.passed), minutes: putt.minutes }),
    done: (state, { minutes }) => state.minutes >= minutes,
    words: ({ passed, minutes }, rule) => ({
      count: String(passed),
      of: 'passed',
      line: `${Math.max(0, Math.ceil(rule.minutes - minutes))} of ${rule.minutes} minutes left`,
    }),
    bare: ({ minutes }) => ({ minutes }),
  }),
});
