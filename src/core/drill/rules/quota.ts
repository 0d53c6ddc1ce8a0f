import { z } from 'zod';
import { machine } from './machine';
import { count, defineRule } from './rule-kind';

/** Until so many have passed. */
export const quota = defineRule(z.object({ type: z.literal('quota'), passes: count(1, 200) }), {
  name: 'number of passes',
  first: { type: 'quota', passes: 25 },
  fields: [{ field: 'passes', label: 'Passes' }],
  words: ({ passes }) => `until ${passes} putts have passed`,
  traits: {},
  machine: machine<{ passes: number }, { putts: number; passed: number }>({
    start: () => ({ putts: 0, passed: 0 }),
    next: ({ putts, passed }, putt) => ({ putts: putts + 1, passed: passed + Number(putt.passed) }),
    done: ({ passed }, { passes }) => passed >= passes,
    words: ({ putts, passed }, { passes }) => ({
      count: String(passed),
      of: `of the ${passes} needed`,
      line: `${putts} putts`,
    }),
    bare: ({ passed }) => ({ passed }),
  }),
});
