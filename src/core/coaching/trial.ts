import {
  FALSE_CLAIMS,
  USUAL_DIFFERENCE,
  asTrial,
  trialArms,
  type Rule,
  type TrialRule,
} from '@/core/drill';
import { quantityOf } from '@/core/quantity';
import { anytimeMargin, evidenceAgainstNone } from '@/core/numbers';
import { differenceOf, type Difference, type LoggedRun } from '@/core/scoring';
import { asSentence, showChance } from '@/core/units';

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
/** Probability at which no difference that matters is claimed, and what does not matter: a fifth, as a log. */
const SURE_ALIKE = 0.8;
const ALIKE = Math.log(1.2);

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

/** What a trial has come to: the second is better or worse, both are as good as alike, or neither can be said yet. */
export type Verdict = 'second' | 'first' | 'alike' | 'open';

/** What a trial has come to on one skill, to be looked at whenever one likes. */
export interface Judged {
  verdict: Verdict;
  /** The second's window over the first's. */
  ratio: number;
  /** How sure the verdict is over all looks together; how far it has come while it is open. */
  sure: number;
  /** How many more putts with each would settle it, were the difference as it seems; null when more than can be planned. */
  more: number | null;
}

/**
 * Judges a difference by evidence that holds however often it is looked at. A window is called smaller when that is ten to one
 * against no difference; two are called alike when an 80 % confidence sequence lies within a fifth.
 */
export function judged({ log, variance, then, now }: Difference): Judged {
  const evidence = evidenceAgainstNone(log, variance, USUAL_DIFFERENCE);
  const ratio = Math.exp(log);
  const sure = Math.max(0, 1 - 1 / evidence);
  if (evidence >= 1 / FALSE_CLAIMS) {
    return { verdict: log < 0 ? 'second' : 'first', ratio, sure, more: 0 };
  }
  const isAlike = Math.abs(log) + anytimeMargin(variance, USUAL_DIFFERENCE, 1 - SURE_ALIKE) < ALIKE;
  if (isAlike) return { verdict: 'alike', ratio, sure: SURE_ALIKE, more: 0 };
  const putts = Math.min(then.putts, now.putts);
  return { verdict: 'open', ratio, sure, more: moreToSettle(Math.abs(log), variance, putts) };
}

/** More putts than this are no plan. */
const MOST = 2000;

/** How many more putts with each settle a difference that stays as it is, either way. */
function moreToSettle(log: number, variance: number, putts: number): number | null {
  for (let more = 5; more <= MOST; more = Math.ceil(more * 1.1)) {
    const later = (variance * putts) / (putts + more);
    if (log >= anytimeMargin(later, USUAL_DIFFERENCE, FALSE_CLAIMS)) return more;
    if (log + anytimeMargin(later, USUAL_DIFFERENCE, 1 - SURE_ALIKE) < ALIKE) return more;
  }
  return null;
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
  const { verdict, ratio, sure, more } = judged(difference);
  const [better, other, times] = ratio < 1 ? [b, a, ratio] : [a, b, 1 / ratio];
  switch (verdict) {
    case 'first':
    case 'second':
      return `${name}: ${better} is better. Its window is ${times.toFixed(2)} times the size of ${other}’s (${showChance(sure)} sure).`;
    case 'alike':
      return `${name}: no difference that matters. The windows are within a fifth of each other (${showChance(sure)} sure).`;
    case 'open': {
      const seems = `${asSentence(better)} has the smaller window so far, ×${times.toFixed(2)}.`;
      const about =
        more === null
          ? ' Settling it would take too many putts to plan.'
          : ` About ${more} more putts with each should settle it.`;
      return `${name}: not settled. ${seems}${about}`;
    }
  }
}
