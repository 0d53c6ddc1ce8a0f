import { machine, type RulePutt } from './machine';

interface Row {
  streak: number;
  best: number;
  starts: number;
}

const inARow = (passes: (putt: RulePutt) => boolean, what: string) =>
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
      line: `best ${best}${starts > 1 ? ` · start ${starts}` : ''} · a miss starts again`,
    }),
    bare: ({ streak }) => ({ streak }),
  });

/** So many in a row, or start again. */
export const row = inARow(({ passed }) => passed, 'in a row');

/** So many in the zone in a row, or start again; a holed putt is in it. */
export const zone = inARow(
  ({ passed, rest, holed }) => (rest === null ? passed : rest === 'in' || holed === true),
  'in the zone',
);
