/** What a rule needs to know of one putt. */
export interface RulePutt {
  /** Whether it did what counts. */
  passed: boolean;
  /** Whether it went in; null where that is not logged. */
  holed: boolean | null;
  /** Where it came to rest against the zone; null where that is not logged. */
  rest: 'short' | 'in' | 'long' | null;
  /** Whether what was guessed before looking came true; null where nothing was guessed. */
  guessed: boolean | null;
  /** Since the first putt of the run, minutes, never less than for the putt before. */
  minutes: number;
}

/** Where a rule is played. */
export interface RuleGround {
  /** Spots that are putted from, at least 1. */
  stations: number;
  /** Rungs of the ladder, and the one begun on, from 0. */
  rungs: number;
  rung: number;
}

/** A rule's state as the screen says it. */
export interface RuleState {
  /** Large: "3". */
  count: string;
  /** Beside it: "of 5 in a row". */
  of: string;
  /** Below: "set 2 of 4 · a miss starts the set again". */
  line: string;
}

/**
 * A state machine: when a drill is done. Pure; undoing is replaying without the putt.
 *
 * `R` is the rule's numbers, `S` its state.
 */
export interface Machine<R, S> {
  start(rule: R, ground: RuleGround): S;
  next(state: S, putt: RulePutt, rule: R, ground: RuleGround): S;
  done(state: S, rule: R, ground: RuleGround): boolean;
  words(state: S, rule: R, ground: RuleGround): RuleState;
  /** The station putted from next, from 0; the first where a rule knows none. */
  station?(state: S, rule: R, ground: RuleGround): number;
  /** The rung played next, from 0. */
  rung?(state: S): number;
  /** How often the putt that comes has been missed, each time from a putter length farther. */
  again?(state: S): number;
  /** What of a state decides what follows; the rest is only told. All of it where left out. */
  bare?(state: S, ground: RuleGround): object;
}

/** Keeps a machine's types while checking it. */
export const machine = <R, S>(one: Machine<R, S>): Machine<R, S> => one;
