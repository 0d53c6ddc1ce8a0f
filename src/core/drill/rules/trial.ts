import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { z } from 'zod';
import { normalQuantile } from '@/core/numbers';
import { machine } from './machine';
import { count, defineRule } from './rule-kind';

/** Which of two things a putt is made with. */
export type Arm = 'a' | 'b';

const name = z
  .string()
  .trim()
  .min(1, 'A name is needed.')
  .max(30, 'A name may have at most 30 letters.');

const schema = z.object({
  type: z.literal('trial'),
  /** What the two are called. */
  a: name,
  b: name,
  /** Putts in a row with one of them, and how many such sets each has. */
  set: count(3, 20),
  sets: count(2, 40),
  /** What the order was drawn from; anew each time it is begun. */
  lot: count(0, 0x7fffffff),
});
export type TrialRule = z.infer<typeof schema>;

/** A rule as the trial that it is; null for any other. */
export const asTrial = (rule: { type: string }): TrialRule | null =>
  schema.safeParse(rule).data ?? null;

/** Draws thrown away so that small lots do not show in the first pairs. */
const WARM_UP = 32;

/**
 * The order of a trial: sets in pairs, one with each, which comes first drawn by lot for every pair; so neither tiring nor
 * warming up favours one.
 *
 * @param rule with its lot
 * @returns which is putted with, putt by putt
 * @example trialArms({ type: 'trial', a: 'blade', b: 'mallet', set: 5, sets: 8, lot: 7 }).length // 80
 */
export function trialArms({ set, sets, lot }: Pick<TrialRule, 'set' | 'sets' | 'lot'>): Arm[] {
  const generator = xoroshiro128plus(lot);
  for (let i = 0; i < WARM_UP; i++) generator.next();
  return Array.from({ length: sets }, (): Arm[] =>
    uniformInt(generator, 0, 1) === 0 ? ['a', 'b'] : ['b', 'a'],
  ).flatMap((pair) => pair.flatMap((arm) => Array.from({ length: set }, () => arm)));
}

/**
 * How far apart two windows have to be for so many putts with each to tell, four times in five, at 90 % sure. A putt through a
 * gate that two in three clear holds `4 z² φ(z)² / (p (1 - p))` = 1.1 of Fisher's information on the log of the spread (z = 1).
 *
 * @param putts with each
 * @returns the larger window over the smaller
 * @example tellsApart(80) // 1.39
 */
export function tellsApart(putts: number): number {
  const informationAPutt = 1.08;
  const sureAndFound = normalQuantile(0.9) + normalQuantile(0.8);
  return Math.exp(sureAndFound * Math.sqrt(2 / (putts * informationAPutt)));
}

/** Two putters, grips, balls or stances, in alternating sets whose order is drawn by lot. */
export const trial = defineRule(schema, {
  name: 'a trial, one against the other',
  first: { type: 'trial', a: 'A', b: 'B', set: 5, sets: 8, lot: 0 },
  fields: [
    { field: 'a', label: 'One', text: true },
    { field: 'b', label: 'The other', text: true },
    { field: 'set', label: 'Putts a set' },
    { field: 'sets', label: 'Sets of each' },
  ],
  words: ({ a, b, set, sets }) =>
    `${a} against ${b}: ${sets} sets of ${set} with each, in an order drawn by lot`,
  note: ({ set, sets }) =>
    `${set * sets} putts with each tell windows apart that differ by ${Math.round(100 * (tellsApart(set * sets) - 1))} % or more; what is smaller takes more putts.`,
  draw: (rule, lot) => ({ ...rule, lot: lot % 0x7fffffff }),
  traits: { compares: true },
  machine: machine<TrialRule, { putts: number }>({
    start: () => ({ putts: 0 }),
    next: ({ putts }) => ({ putts: putts + 1 }),
    done: ({ putts }, { set, sets }) => putts >= 2 * set * sets,
    words: ({ putts }, rule) => {
      const arms = trialArms(rule);
      const { set, sets } = rule;
      const nameOf = (arm: Arm | undefined) => (arm ? rule[arm] : '');
      if (putts >= arms.length)
        return { count: String(putts), of: `of ${arms.length} putts`, line: 'all sets are putted' };
      const now = Math.floor(putts / set);
      const next = arms[(now + 1) * set];
      const after =
        next === undefined
          ? 'the last set'
          : next === arms[putts]
            ? `then ${nameOf(next)} again`
            : `then ${nameOf(next)}`;
      return {
        count: nameOf(arms[putts]),
        of: `putt ${(putts % set) + 1} of ${set}`,
        line: `set ${now + 1} of ${2 * sets} · ${after}`,
      };
    },
  }),
});
