import { z } from 'zod';
import { machine, type RulePutt } from './machine';
import { count, defineRule } from './rule-kind';

interface Row {
  streak: number;
  best: number;
  starts: number;
}

/** So many in a row of what passes. */
export const inARow = (passes: (putt: RulePutt) => boolean, what: string) =>
  machine<{ length: number }, Row>({
    start: () => ({ streak: 0, best: 0, starts: 1 }),
    next: ({ streak, best, starts }, putt) => {
      if (!passes(putt)) return { streak: 0, best, starts: starts + 1 };
      return { streak: streak + 1, best: Math.max(best, streak + 1), starts };
    },
    done: ({ streak }, { length }) => streak >= length,
    words: ({ streak, best, starts }, { length }) => ({
      count: String(streak),
      of: `of ${length} ${what}`,
      line: `best ${best}${starts > 1 ? ` · attempt ${starts}` : ''} · a miss starts again`,
    }),
    bare: ({ streak }) => ({ streak }),
  });

/** So many in a row, or start again. */
export const row = defineRule(z.object({ type: z.literal('row'), length: count(2, 50) }), {
  name: 'passes in a row',
  first: { type: 'row', length: 5 },
  fields: [{ field: 'length', label: 'Passes in a row' }],
  words: ({ length }) => `${length} in a row, or start again`,
  traits: { presses: true },
  machine: inARow(({ passed }) => passed, 'in a row'),
});
