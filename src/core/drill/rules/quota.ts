import { machine } from './machine';

/** Until so many have passed. */
export const quota = machine<{ passes: number }, { putts: number; passed: number }>({
  start: () => ({ putts: 0, passed: 0 }),
  next: ({ putts, passed }, putt) => ({ putts: putts + 1, passed: passed + Number(putt.passed) }),
  done: ({ passed }, { passes }) => passed >= passes,
  words: ({ putts, passed }, { passes }) => ({
    count: String(passed),
    of: `of ${passes} passed`,
    line: `${putts} putts`,
  }),
  bare: ({ passed }) => ({ passed }),
});
