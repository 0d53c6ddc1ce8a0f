import { machine } from './machine';

/** As many as pass in so many minutes. */
export const timed = machine<{ minutes: number }, { passed: number; minutes: number }>({
  start: () => ({ passed: 0, minutes: 0 }),
  next: ({ passed }, putt) => ({ passed: passed + Number(putt.passed), minutes: putt.minutes }),
  done: (state, { minutes }) => state.minutes >= minutes,
  words: ({ passed, minutes }, rule) => ({
    count: String(passed),
    of: 'passed',
    line: `${Math.max(0, Math.ceil(rule.minutes - minutes))} of ${rule.minutes} minutes left`,
  }),
  bare: ({ minutes }) => ({ minutes }),
});
