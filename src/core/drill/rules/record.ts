import { z } from 'zod';
import { machine } from './machine';
import { defineRule } from './rule-kind';

/** Round the stations until the first miss. */
export const record = defineRule(z.object({ type: z.literal('record') }), {
  name: 'longest streak round the stations',
  first: { type: 'record' },
  fields: [],
  words: () => 'round the stations until the first miss; the longest streak is the record',
  traits: { presses: true },
  machine: machine<object, { streak: number; missed: boolean }>({
    start: () => ({ streak: 0, missed: false }),
    next: ({ streak }, { passed }) => ({ streak: streak + Number(passed), missed: !passed }),
    done: ({ missed }) => missed,
    words: ({ streak, missed }, _rule, { stations }) => ({
      count: String(streak),
      of: 'in a row',
      line: missed
        ? 'the first miss ends it'
        : `station ${(streak % stations) + 1} of ${stations} · the first miss ends it`,
    }),
    bare: ({ streak, missed }, { stations }) => ({ at: streak % stations, missed }),
    station: ({ streak }, _rule, { stations }) => streak % stations,
  }),
});
