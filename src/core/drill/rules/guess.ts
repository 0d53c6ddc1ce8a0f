import { z } from 'zod';
import { machine } from './machine';
import { count, defineRule } from './rule-kind';

interface Guesses {
  putts: number;
  guessed: number;
  right: number;
}

/** A number of putts, each guessed before it is looked at. */
export const guess = defineRule(z.object({ type: z.literal('guess'), putts: count(1, 50) }), {
  name: 'guess, then look',
  first: { type: 'guess', putts: 12 },
  fields: [{ field: 'putts', label: 'Putts' }],
  words: ({ putts }) => `${putts} putts; say where each one ended before you look`,
  traits: { guesses: true },
  machine: machine<{ putts: number }, Guesses>({
    start: () => ({ putts: 0, guessed: 0, right: 0 }),
    next: ({ putts, guessed, right }, putt) => ({
      putts: putts + 1,
      guessed: guessed + Number(putt.guessed !== null),
      right: right + Number(putt.guessed === true),
    }),
    done: (state, { putts }) => state.putts >= putts,
    words: ({ putts: done, guessed, right }, { putts }) => ({
      count: String(done),
      of: `of ${putts} putts`,
      line: guessed === 0 ? 'guess before you look' : `${right} of ${guessed} guessed right`,
    }),
    bare: ({ putts }) => ({ putts }),
  }),
});
