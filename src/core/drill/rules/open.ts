import { z } from 'zod';
import { machine } from './machine';
import { defineRule } from './rule-kind';

/** No rule: putts are counted until the coach ends it. */
export const open = defineRule(z.object({ type: z.literal('open') }), {
  name: 'no limit: you finish it',
  first: { type: 'open' },
  fields: [],
  words: () => 'putts are counted until you finish',
  traits: { endless: true, free: true },
  machine: machine<object, { putts: number; passed: number }>({
    start: () => ({ putts: 0, passed: 0 }),
    next: ({ putts, passed }, putt) => ({ putts: putts + 1, passed: passed + Number(putt.passed) }),
    done: () => false,
    words: ({ putts, passed }) => ({ count: String(passed), of: `of ${putts}`, line: '' }),
    bare: () => ({}),
  }),
});
