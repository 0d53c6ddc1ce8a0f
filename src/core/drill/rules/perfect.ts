import { z } from 'zod';
import { machine } from './machine';
import { defineRule } from './rule-kind';

/** Until one putt is right in everything. */
export const perfect = defineRule(z.object({ type: z.literal('perfect') }), {
  name: 'one perfect putt',
  first: { type: 'perfect' },
  fields: [],
  words: () => 'until one putt gets everything right',
  traits: {},
  machine: machine<object, { tries: number; found: boolean }>({
    start: () => ({ tries: 0, found: false }),
    next: ({ tries }, { passed }) => ({ tries: tries + 1, found: passed }),
    done: ({ found }) => found,
    words: ({ tries, found }) => ({
      count: String(tries),
      of: tries === 1 ? 'try' : 'tries',
      line: found ? 'everything right' : 'one putt with everything right ends it',
    }),
    bare: ({ found }) => ({ found }),
  }),
});
