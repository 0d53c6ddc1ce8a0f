import { z } from 'zod';
import { machine, type RulePutt } from './machine';
import { count, defineRule } from './rule-kind';

interface Points {
  total: number;
  short: number;
  past: number;
  holed: number;
}

/** What one putt earns: holed, or at rest in the zone past the hole; beyond the zone nothing. */
function earned({ holed, rest, passed }: RulePutt, rule: Points): number {
  if (holed) return rule.holed;
  if (rest === 'short') return rule.short;
  if (rest === 'in') return rule.past;
  return rest === null && passed ? rule.past : 0;
}

/** Points to a total; never below nought. */
export const points = defineRule(
  z.object({
    type: z.literal('points'),
    total: count(1, 100),
    short: count(-5, 10),
    past: count(-5, 10),
    holed: count(-5, 10),
  }),
  {
    name: 'points',
    first: { type: 'points', total: 11, short: 0, past: 1, holed: 2 },
    fields: [
      { field: 'total', label: 'Points to reach' },
      { field: 'short', label: 'Points for short' },
      { field: 'past', label: 'Points for in the zone' },
      { field: 'holed', label: 'Points for holed' },
    ],
    words: ({ total, short, past, holed }) =>
      `play to ${total} points (short ${short}, in the zone ${past}, holed ${holed})`,
    traits: { game: true, presses: true },
    machine: machine<Points, { points: number; putts: number }>({
      start: () => ({ points: 0, putts: 0 }),
      next: (state, putt, rule) => ({
        points: Math.max(0, state.points + earned(putt, rule)),
        putts: state.putts + 1,
      }),
      done: (state, { total }) => state.points >= total,
      words: (state, { total, past, holed }) => ({
        count: String(state.points),
        of: `of ${total} points`,
        line: `${state.putts} putts · in the zone scores ${past}, holed scores ${holed}`,
      }),
      bare: (state) => ({ points: state.points }),
    }),
  },
);
