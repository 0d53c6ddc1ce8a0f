import { z } from 'zod';
import { machine } from './machine';
import { count, defineRule } from './rule-kind';

interface Climb {
  rung: number;
  passes: number;
  misses: number;
  topped: boolean;
}

/** A rung up after so many passed in a row, one down after so many missed in a row; done above the last. */
export const ladder = defineRule(
  z.object({ type: z.literal('ladder'), up: count(1, 10), down: count(1, 10) }),
  {
    name: 'up and down the ladder',
    first: { type: 'ladder', up: 3, down: 3 },
    fields: [
      { field: 'up', label: 'Passes to go up' },
      { field: 'down', label: 'Misses to go down' },
    ],
    words: ({ up, down }) =>
      `up a rung after ${up} passes in a row, down a rung after ${down} misses`,
    traits: { climbs: true },
    machine: machine<{ up: number; down: number }, Climb>({
      start: (_rule, { rung }) => ({ rung, passes: 0, misses: 0, topped: false }),
      next: (state, { passed }, { up, down }, { rungs }) => {
        const passes = passed ? state.passes + 1 : 0;
        const misses = passed ? 0 : state.misses + 1;
        if (passes >= up) {
          const last = state.rung >= rungs - 1;
          return { rung: last ? state.rung : state.rung + 1, passes: 0, misses: 0, topped: last };
        }
        if (misses >= down) {
          return { rung: Math.max(0, state.rung - 1), passes: 0, misses: 0, topped: false };
        }
        return { ...state, passes, misses };
      },
      done: ({ topped }) => topped,
      words: ({ rung, passes, misses }, { up, down }, { rungs }) => ({
        count: String(rung + 1),
        of: `of ${rungs} rungs`,
        line:
          misses > 0
            ? `${misses} of ${down} missed, then down a rung`
            : `${passes} of ${up} passed, then up a rung`,
      }),
      rung: ({ rung }) => rung,
    }),
  },
);
