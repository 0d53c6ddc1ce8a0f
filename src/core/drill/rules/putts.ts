import { z } from 'zod';
import { machine } from './machine';
import { count, defineRule, times } from './rule-kind';

interface Counted {
  putts: number;
  passed: number;
}

/** A number of putts, each once, with a word behind what is counted. */
export const counted = (line: string) =>
  machine<{ putts: number }, Counted>({
    start: () => ({ putts: 0, passed: 0 }),
    next: ({ putts, passed }, putt) => ({ putts: putts + 1, passed: passed + Number(putt.passed) }),
    done: (state, { putts }) => state.putts >= putts,
    words: (state, { putts }) => ({
      count: String(state.putts),
      of: `of ${putts} putts`,
      line: `${state.passed} passed${line}`,
    }),
    bare: (state) => ({ putts: state.putts }),
  });

export const putts = defineRule(z.object({ type: z.literal('putts'), putts: count(1, 200) }), {
  name: 'number of putts',
  first: { type: 'putts', putts: 20 },
  fields: [{ field: 'putts', label: 'Putts' }],
  words: (rule) => `${times(rule.putts, 'putt')}, passes counted`,
  traits: { counts: true },
  machine: counted(''),
});
