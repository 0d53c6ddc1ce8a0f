import { machine } from './machine';

/** No rule: putts are counted until the coach ends it. */
export const open = machine<object, { putts: number; passed: number }>({
  start: () => ({ putts: 0, passed: 0 }),
  next: ({ putts, passed }, putt) => ({ putts: putts + 1, passed: passed + Number(putt.passed) }),
  done: () => false,
  words: ({ putts, passed }) => ({ count: String(passed), of: `of ${putts}`, line: '' }),
  bare: () => ({}),
});
