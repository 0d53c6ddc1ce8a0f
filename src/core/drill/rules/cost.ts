import { z } from 'zod';
import { machine } from './machine';
import { count, defineRule } from './rule-kind';

/** Putter lengths farther that a reckoning tells apart. */
const FARTHEST = 3;

/** Holes putted out: a miss is putted again from a putter length farther, and every putt counts. */
export const cost = defineRule(z.object({ type: z.literal('cost'), holes: count(1, 36) }), {
  name: 'holes, with a penalty for each miss',
  first: { type: 'cost', holes: 9 },
  fields: [{ field: 'holes', label: 'Holes' }],
  words: ({ holes }) =>
    `${holes} holes; after a miss, putt again from a putter length farther, and count every putt`,
  traits: { presses: true, fromRest: true },
  machine: machine<{ holes: number }, { holed: number; putts: number; again: number }>({
    start: () => ({ holed: 0, putts: 0, again: 0 }),
    next: ({ holed, putts, again }, putt) => {
      const isIn = putt.holed ?? putt.passed;
      return { holed: holed + Number(isIn), putts: putts + 1, again: isIn ? 0 : again + 1 };
    },
    done: ({ holed }, { holes }) => holed >= holes,
    words: ({ holed, putts, again }, { holes }) => ({
      count: String(putts),
      of: putts === 1 ? 'putt' : 'putts',
      line: `hole ${Math.min(holed + 1, holes)} of ${holes}${again > 0 ? ' · a putter length farther' : ''}`,
    }),
    station: ({ holed }, _rule, { stations }) => holed % stations,
    again: ({ again }) => again,
    // Nobody is sent farther back than that in a reckoning.
    bare: ({ holed, again }) => ({ holed, again: Math.min(again, FARTHEST) }),
  }),
});
