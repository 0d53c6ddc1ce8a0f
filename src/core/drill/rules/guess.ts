import { machine } from './machine';

interface Guesses {
  putts: number;
  guessed: number;
  right: number;
}

/** A number of putts, each guessed before it is looked at. */
export const guess = machine<{ putts: number }, Guesses>({
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
});
