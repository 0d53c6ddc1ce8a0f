import type { Cap } from '../cap';
import type { RuleGround, RulePutt, RuleState } from './machine';
import { machineOf, ruleTraits, type Rule } from './register';

/** Why a rule takes no more putts. */
export type Ended = 'done' | 'putts' | 'minutes';

/** How far a drill has come. */
export interface Progress {
  /** Putts that the rule took; those after its end are counted no more. */
  taken: number;
  ended: Ended | null;
  words: RuleState;
  /** The station and the rung of the next putt, from 0; null where the rule knows none. */
  station: number | null;
  rung: number | null;
}

/**
 * Plays putts by a rule, from the first to the last: the same for a session going on, one undone, and one looked at again.
 *
 * @param rule when it is done
 * @param cap ends it whatever happens; an open rule has no end
 * @param ground stations and rungs it is played on
 * @param putts in order
 */
export function playRule(
  rule: Rule,
  cap: Cap,
  ground: RuleGround,
  putts: readonly RulePutt[],
): Progress {
  const machine = machineOf(rule);
  const { free } = ruleTraits(rule);
  let state = machine.start(rule, ground);
  let taken = 0;
  let ended: Ended | null = null;
  for (const putt of putts) {
    if (ended) break;
    state = machine.next(state, putt, rule, ground);
    taken += 1;
    if (machine.done(state, rule, ground)) ended = 'done';
    else if (!free && taken >= cap.putts) ended = 'putts';
    else if (!free && putt.minutes >= cap.minutes) ended = 'minutes';
  }
  return {
    taken,
    ended,
    words: machine.words(state, rule, ground),
    station: machine.station ? machine.station(state, rule, ground) : null,
    rung: machine.rung ? machine.rung(state) : null,
  };
}

/** How it ended, kindly: "Completed in 31 putts." */
export function endedWords({ ended, taken }: Progress, cap: Cap): string | null {
  switch (ended) {
    case null:
      return null;
    case 'done':
      return `Completed in ${taken === 1 ? '1 putt' : `${taken} putts`}.`;
    case 'putts':
      return `That is ${cap.putts} putts, enough for today. The drill ends here.`;
    case 'minutes':
      return `That is ${cap.minutes} minutes, enough for today. The drill ends here.`;
  }
}
