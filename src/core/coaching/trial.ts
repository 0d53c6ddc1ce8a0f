import { asTrial, trialArms, type Rule, type TrialRule } from '@/core/drill';
import { quantityOf } from '@/core/quantity';
import {
  SETTLED,
  differenceOf,
  puttsToSettle,
  type Difference,
  type LoggedRun,
} from '@/core/scoring';
import { sureWords } from './sure';

/** A run that a trial was putted on. */
export interface TrialRun extends LoggedRun {
  rule: Rule;
}

/** What a trial says of one skill. */
export interface TrialSkill {
  skill: string;
  difference: Difference;
}

/** Two things that were compared, over all runs in which they were. */
export interface Trial {
  a: string;
  b: string;
  /** Putts with each. */
  putts: { a: number; b: number };
  skills: TrialSkill[];
}

/** Fewer putts of a skill with each than this compare nothing. */
const ENOUGH = 15;
/** Probability at which no difference that matters is claimed. */
const SURE_ALIKE = 0.8;

/** The putts of a run by what they were made with; what was putted after the trial's end belongs to neither. */
function byArm(run: TrialRun, rule: TrialRule): Record<'a' | 'b', LoggedRun> {
  const arms = trialArms(rule);
  const of = (arm: 'a' | 'b') => ({
    layout: run.layout,
    putts: run.putts.filter((_, index) => arms[index] === arm),
    ...(run.stand !== undefined && { stand: run.stand }),
  });
  return { a: of('a'), b: of('b') };
}

/**
 * Trials by what was compared, each over all runs in which it was.
 *
 * @param runs with the rule as it was begun, and the putts that counted, in order
 * @param skills of which to tell
 * @param faceShare how much of the start direction is the face's
 */
export function trialsOf(
  runs: readonly TrialRun[],
  skills: readonly string[],
  faceShare: number,
): Trial[] {
  const groups = new Map<string, { a: string; b: string; runs: Record<'a' | 'b', LoggedRun>[] }>();
  for (const run of runs) {
    const rule = asTrial(run.rule);
    if (!rule || run.putts.length === 0) continue;
    const key = JSON.stringify([rule.a, rule.b]);
    const group = groups.get(key) ?? { a: rule.a, b: rule.b, runs: [] };
    group.runs.push(byArm(run, rule));
    groups.set(key, group);
  }
  return [...groups.values()].map(({ a, b, runs: own }) => {
    const [first, second] = [own.map((one) => one.a), own.map((one) => one.b)];
    const puttsIn = (some: LoggedRun[]) => some.reduce((sum, { putts }) => sum + putts.length, 0);
    const told = skills.flatMap((skill): TrialSkill[] => {
      if (Math.min(puttsIn(first), puttsIn(second)) < ENOUGH) return [];
      const difference = differenceOf(first, second, skill, faceShare);
      const least = Math.min(difference.then.putts, difference.now.putts);
      return least < ENOUGH ? [] : [{ skill, difference }];
    });
    return { a, b, putts: { a: puttsIn(first), b: puttsIn(second) }, skills: told };
  });
}

/**
 * The verdict of a trial on one skill.
 *
 * @param trial whose names are said
 * @example verdictWords(trial, skill)
 * // "Start line: mallet is better, its window ×0.70 of blade’s, 96 % sure."
 */
export function verdictWords(
  { a, b }: Pick<Trial, 'a' | 'b'>,
  { skill, difference }: TrialSkill,
): string {
  const { name } = quantityOf(skill);
  const { smaller, ratio, alike } = difference;
  const second = smaller > 0.5;
  const [better, other] = second ? [b, a] : [a, b];
  const sure = Math.max(smaller, 1 - smaller);
  const times = (second ? ratio.middle : 1 / ratio.middle).toFixed(2);
  if (sure >= SETTLED.probability && alike < SURE_ALIKE)
    return `${name}: ${better} is better, its window ×${times} of ${other}’s, ${sureWords(sure)} sure.`;
  if (alike >= SURE_ALIKE)
    return `${name}: no difference that matters, ${sureWords(alike)} sure that the windows are within a fifth of each other.`;
  const more = puttsToSettle({ ...difference, measure: false });
  const about = more && more.putts > 0 ? ` About ${more.putts} more putts would settle it.` : '';
  return `${name}: not settled, ${sureWords(sure)} that ${better} is better (window ×${times}).${about}`;
}
