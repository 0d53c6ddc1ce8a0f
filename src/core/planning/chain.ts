import { machineOf, ruleTraits, type Rule, type RuleGround, type RulePutt } from '@/core/drill';

/** What can happen on a putt, as a rule asks of it; the clock is reckoned apart. */
export type Kind = Omit<RulePutt, 'minutes'>;

/** Where a putt of a rule is played. */
export interface PuttPlace {
  /** From 0; null where the rule sends nobody anywhere, and the stations are putted from in turn. */
  station: number | null;
  rung: number;
  /** Putter lengths farther than the station. */
  again: number;
}

/**
 * A rule as an absorbing Markov chain: states that a putt leads on from, and where each kind of putt leads. Made from
 * the rule's own state machine.
 */
export interface Chain {
  kinds: readonly Kind[];
  places: PuttPlace[];
  /** The place that each state's putt is played from. */
  placeOf: Int32Array;
  /** By state and kind: the next state, or {@link DONE}. State 0 is the start. */
  next: Int32Array;
  /** What each state is, for those that want to look: what of the machine's state decides what follows. */
  states: object[];
}

/** The end of a rule. */
export const DONE = -1;

/** More states than this are no drill. */
const MOST_STATES = 50_000;

/**
 * Follows a rule's machine through every state it can come to.
 *
 * @param rule any that putts end
 * @param ground what it is played on
 * @param kinds what can happen on a putt, at least one
 * @throws RangeError for a rule that no putt ends, or one of more than 50,000 states
 */
export function chainOf(rule: Rule, ground: RuleGround, kinds: readonly Kind[]): Chain {
  if (ruleTraits(rule).endless) {
    throw new RangeError(`No putt ends a rule of type “${rule.type}”, so it has no chain.`);
  }
  const machine = machineOf(rule);
  const bareOf = (state: unknown): object => machine.bare?.(state, ground) ?? (state as object);
  const first = machine.start(rule, ground);
  // The machine goes on from a whole state; two that are bare alike lead to the same.
  const whole: unknown[] = [first];
  const states: object[] = [bareOf(first)];
  const known = new Map<string, number>([[JSON.stringify(states[0]), 0]]);
  const places: PuttPlace[] = [];
  const knownPlaces = new Map<string, number>();
  const placeOf: number[] = [];
  const next: number[] = [];
  for (let at = 0; at < whole.length; at++) {
    const state = whole[at];
    const place: PuttPlace = {
      station: machine.station?.(state, rule, ground) ?? null,
      rung: machine.rung?.(state) ?? ground.rung,
      again: machine.again?.(bareOf(state) as never) ?? 0,
    };
    const placeKey = `${place.station} ${place.rung} ${place.again}`;
    if (!knownPlaces.has(placeKey)) {
      knownPlaces.set(placeKey, places.length);
      places.push(place);
    }
    placeOf.push(knownPlaces.get(placeKey)!);
    for (const kind of kinds) {
      const after = machine.next(state, { ...kind, minutes: 0 }, rule, ground);
      if (machine.done(after, rule, ground)) {
        next.push(DONE);
        continue;
      }
      const bare = bareOf(after);
      const key = JSON.stringify(bare);
      let to = known.get(key);
      if (to === undefined) {
        to = whole.length;
        if (to >= MOST_STATES) {
          throw new RangeError(
            `This rule has more than ${MOST_STATES} states, which is too many for a drill.`,
          );
        }
        known.set(key, to);
        whole.push(after);
        states.push(bare);
      }
      next.push(to);
    }
  }
  return {
    kinds,
    places,
    placeOf: Int32Array.from(placeOf),
    next: Int32Array.from(next),
    states,
  };
}

/** How likely each kind of putt is from each place of a chain, each place's adding up to 1. */
export type Shares = readonly (readonly number[])[];

/**
 * Expected putts until the end, by taking one state after the other out of the chain (Grassmann, Taksar and Heyman 1985).
 * Nothing is subtracted, so that it stays exact where the end is all but never reached.
 *
 * @param chain of a rule
 * @param shares by place and kind
 * @returns putts; Infinity where the end cannot be reached
 */
export function expectedPutts({ kinds, next, placeOf }: Chain, shares: Shares): number {
  const count = placeOf.length;
  const rows: Map<number, number>[] = Array.from({ length: count }, () => new Map());
  const before: Set<number>[] = Array.from({ length: count }, () => new Set());
  const ends = new Float64Array(count);
  const putts = new Float64Array(count).fill(1);
  for (let state = 0; state < count; state++) {
    const share = shares[placeOf[state]!]!;
    const row = rows[state]!;
    for (let kind = 0; kind < kinds.length; kind++) {
      const p = share[kind]!;
      if (p === 0) continue;
      const to = next[state * kinds.length + kind]!;
      if (to === DONE) ends[state]! += p;
      else {
        row.set(to, (row.get(to) ?? 0) + p);
        before[to]!.add(state);
      }
    }
  }
  // What is found last lies nearest to the end: taken out first, it leaves few new ways.
  for (let out = count - 1; out >= 1; out--) {
    const row = rows[out]!;
    row.delete(out);
    let leaves = ends[out]!;
    for (const p of row.values()) leaves += p;
    for (const to of row.keys()) before[to]!.delete(out);
    for (const from of before[out]!) {
      if (from === out) continue;
      const other = rows[from]!;
      const into = other.get(out)!;
      other.delete(out);
      // Nothing leads out of it: whoever may come to it never ends, however likely another way out is.
      if (leaves === 0) {
        putts[from] = Infinity;
        continue;
      }
      const weight = into / leaves;
      putts[from]! += weight * putts[out]!;
      ends[from]! += weight * ends[out]!;
      for (const [to, p] of row) {
        other.set(to, (other.get(to) ?? 0) + weight * p);
        before[to]!.add(from);
      }
    }
  }
  return putts[0]! / ends[0]!;
}

/**
 * The chance that a rule has not ended after so many putts, by following all states at once.
 *
 * @param chain of a rule
 * @param shares by place and kind
 * @param most putts to follow it for
 * @returns by putts, from none (1) to `most`
 */
export function goingOn(
  { kinds, next, placeOf }: Chain,
  shares: Shares,
  most: number,
): Float64Array {
  const count = placeOf.length;
  const left = new Float64Array(most + 1);
  let here = new Float64Array(count);
  let there = new Float64Array(count);
  here[0] = 1;
  left[0] = 1;
  for (let putts = 1; putts <= most; putts++) {
    there.fill(0);
    let all = 0;
    for (let state = 0; state < count; state++) {
      const mass = here[state]!;
      if (mass === 0) continue;
      const share = shares[placeOf[state]!]!;
      const row = state * kinds.length;
      for (let kind = 0; kind < kinds.length; kind++) {
        const to = next[row + kind]!;
        if (to === DONE) continue;
        const moved = mass * share[kind]!;
        there[to]! += moved;
        all += moved;
      }
    }
    left[putts] = all;
    [here, there] = [there, here];
    if (all < 1e-12) break;
  }
  return left;
}
