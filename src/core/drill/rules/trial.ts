import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { z } from 'zod';
import { anytimeMargin, normalQuantile } from '@/core/numbers';
import { machine } from './machine';
import { count, defineRule } from './rule-kind';

/** Which of two things a putt is made with. */
export type Arm = 'a' | 'b';

const name = z
  .string()
  .trim()
  .min(1, 'Enter a name.')
  .max(30, 'This name is too long: use at most 30 characters.');

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
 * Returns whether a putt of a run was made with the player's own set-up: in a trial the first of the two is their own, and only
 * what was made with it tells how they putt now.
 *
 * @param rule of the run
 * @param index of the putt among those that count, from 0
 */
export function withOwn(rule: { type: string }, index: number): boolean {
  const found = asTrial(rule);
  return !found || trialArms(found)[index] !== 'b';
}

/** At most so many of trials of two that are alike ever claim a difference, however often they are looked at. */
export const FALSE_CLAIMS = 0.1;
/** How far apart the windows with two things usually are, where they are: spread of the log of their ratio. */
export const USUAL_DIFFERENCE = 0.4;

/**
 * What a putt tells of the log of a window: Fisher's information. A putt through a gate that two in three clear holds
 * `4 z² φ(z)² / (p (1 - p))` = 1.1 on the log of the spread (z = 1); the bias and the slips, which are not known, take some of it.
 */
const INFORMATION = 1;
/** Trials that are imagined to see what one can tell. */
const IMAGINED = 2000;

/**
 * How far apart two windows have to be for a trial to tell, four times in five: trials are imagined that are looked at after
 * every pair of sets, by the rule that gives the verdict.
 *
 * @param rule putts a set and sets of each
 * @returns the larger window over the smaller
 */
export function tellsApart({ set, sets }: Pick<TrialRule, 'set' | 'sets'>): number {
  const generator = xoroshiro128plus(17);
  for (let i = 0; i < WARM_UP; i++) generator.next();
  const normal = () => normalQuantile((uniformInt(generator, 0, 0xfffffe) + 1) / 0x1000000);
  const variance = (pairs: number) => 2 / (INFORMATION * set * pairs);
  const margins = Array.from({ length: sets }, (_, look) =>
    anytimeMargin(variance(look + 1), USUAL_DIFFERENCE, FALSE_CLAIMS),
  );
  const least = Array.from({ length: IMAGINED }, () => {
    let [sum, found] = [0, Infinity];
    for (const [look, margin] of margins.entries()) {
      sum += Math.sqrt(variance(1)) * normal();
      found = Math.min(found, margin - sum / (look + 1));
    }
    return found;
  }).sort((a, b) => a - b);
  return Math.exp(least[Math.floor(0.8 * IMAGINED)]!);
}

/** Two putters, grips, balls or stances, in alternating sets whose order is drawn by lot. */
export const trial = defineRule(schema, {
  name: 'trial (A/B)',
  first: { type: 'trial', a: 'A', b: 'B', set: 5, sets: 8, lot: 0 },
  fields: [
    { field: 'a', label: 'Own or usual', text: true },
    { field: 'b', label: 'Second option', text: true },
    { field: 'set', label: 'Putts per set' },
    { field: 'sets', label: 'Sets with each' },
  ],
  words: ({ a, b, set, sets }) =>
    `${a} against ${b}: ${sets} sets of ${set} with each, in random order`,
  note: ({ set, sets }) =>
    `${set * sets} putts with each tell windows apart, four times in five, when one is at least ×${tellsApart({ set, sets }).toFixed(1)} the other; a smaller difference takes more putts. Choose a gate that about two in three clear. The result may be looked at any time.`,
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
        return { count: String(putts), of: `of ${arms.length} putts`, line: 'all sets played' };
      const now = Math.floor(putts / set);
      const next = arms[(now + 1) * set];
      const after =
        next === undefined
          ? 'last set'
          : next === arms[putts]
            ? `next: ${nameOf(next)} again`
            : `next: ${nameOf(next)}`;
      return {
        count: nameOf(arms[putts]),
        of: `putt ${(putts % set) + 1} of ${set}`,
        line: `set ${now + 1} of ${2 * sets} · ${after}`,
      };
    },
  }),
});
