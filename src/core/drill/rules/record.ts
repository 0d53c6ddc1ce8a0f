import { machine } from './machine';

/** Round the stations until the first miss. */
export const record = machine<object, { streak: number; missed: boolean }>({
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
});
