import { z } from 'zod';
import { machine } from './machine';
import { count, defineRule, times } from './rule-kind';

/** At least so many other spots before the same one comes again, where there are as many. */
const APART = 2;

/** What became of each spot: when it was putted from last, by the number of the putt, and whether that passed. */
interface Chosen {
  putts: number;
  passed: number;
  spots: readonly ({ last: number; passed: boolean } | null)[];
}

/** The next spot: one that was not putted from yet, else the one that waits longest; one that was missed waits twice. */
function chosen({ putts, spots }: Chosen): number {
  const fresh = spots.indexOf(null);
  if (fresh >= 0) return fresh;
  const due = spots.map((spot, station) => {
    const waits = putts - spot!.last;
    const near = waits <= Math.min(APART, spots.length - 1);
    return { station, waits: near ? 0 : waits * (spot!.passed ? 1 : 2) };
  });
  return due.reduce((best, one) => (one.waits > best.waits ? one : best)).station;
}

/** One ball, a new spot each time: every spot once, then those that were missed sooner than others. */
export const newSpot = defineRule(z.object({ type: z.literal('newSpot'), putts: count(2, 100) }), {
  name: 'new spot each time, chosen for you',
  first: { type: 'newSpot', putts: 18 },
  fields: [{ field: 'putts', label: 'Putts' }],
  words: (rule) =>
    `${times(rule.putts, 'putt')}, a new spot each time; missed spots come back sooner`,
  traits: {},
  machine: machine<{ putts: number }, Chosen>({
    start: (_rule, { stations }) => ({
      putts: 0,
      passed: 0,
      spots: Array.from({ length: stations }, () => null),
    }),
    next: (state, { passed }) => {
      const now = chosen(state);
      return {
        putts: state.putts + 1,
        passed: state.passed + Number(passed),
        spots: state.spots.map((spot, station) =>
          station === now ? { last: state.putts, passed } : spot,
        ),
      };
    },
    done: ({ putts }, rule) => putts >= rule.putts,
    words: ({ putts, passed }, rule) => ({
      count: String(putts),
      of: `of ${rule.putts} putts`,
      line: `${passed} passed · a new spot each time`,
    }),
    station: (state) => chosen(state),
    // How long it takes is the same whichever spot is next.
    bare: ({ putts }) => ({ putts }),
  }),
});
