import {
  placeAfter,
  standing,
  stationInTurn,
  stationPlace,
  type Layout,
  type PuttPlace,
  type Spot,
} from '@/core/layout';
import { mannerAt, type Manner } from './manner';
import type { Putt, TimedPutt } from './putt';
import type { Rule } from './rules';
import { rulePutts, type RunPutts } from './rule-putts';
import { machineOf, type RuleGround } from './rules';

/** A putt of a run as it is replayed. */
export interface ReplayedPutt extends TimedPutt {
  /** It took place, but was taken back or does not count. */
  passedOver?: boolean;
}

/** What a drill says of where its putts are made, and how. */
export interface Course {
  rule: Rule;
  /** How each ball is struck, in turn. */
  manners: readonly Manner[];
  /** At the layout's own spots, or wherever the player chooses for each. */
  spots: 'set' | 'chosen';
  /** How much farther from the hole a missed ball is put, m. */
  farther: number;
}

/** Where a putt is made, and how. */
export interface Made {
  place: PuttPlace;
  manner: Manner;
  /** How many that count were made before it. */
  number: number;
}

/** Where the ball came to rest, as it was pointed at; null when nobody did. */
export function restSeen(layout: Layout, { points = {} }: Pick<Putt, 'points'>): Spot | null {
  const element = standing(layout).find(
    ({ id, pointing }) => pointing?.on === 'green' && points[id] !== undefined,
  );
  return element ? points[element.id]! : null;
}

/**
 * Where every putt of a drill was made and how, found by playing its rule again, and the same of the putt to come. What is
 * kept with a putt stands; what nobody can tell is said to be unknown.
 *
 * @param course what the drill says
 * @param ground stations and rungs it is played on
 * @param runs the block's, one after the other, on layouts of their own
 * @returns by run and putt, and of the next putt on the last run's layout
 */
export function replay(
  { rule, manners, spots, farther }: Course,
  ground: RuleGround,
  runs: readonly { layout: Layout; putts: readonly ReplayedPutt[] }[],
): { made: Made[][]; next: Made | null } {
  const machine = machineOf(rule);
  const counting = runs.map(({ layout, putts }): RunPutts => ({
    layout,
    putts: putts.filter(({ passedOver }) => !passedOver),
  }));
  const played = rulePutts(counting);
  let state = machine.start(rule, ground);
  let number = 0;
  let last: { place: PuttPlace; layout: Layout; putt: Putt } | null = null;
  const placeNow = (layout: Layout): PuttPlace => {
    const again = machine.again?.(state) ?? 0;
    if (again > 0) {
      if (!last) return { station: 0, again, spot: null };
      return placeAfter(last.place, restSeen(last.layout, last.putt), farther);
    }
    const station = machine.station?.(state, rule, ground) ?? stationInTurn(layout, number);
    const own = stationPlace(layout, station);
    return spots === 'chosen' ? { ...own, spot: null } : own;
  };
  const made = runs.map(({ layout, putts }) =>
    putts.map((putt): Made => {
      const one = {
        place: putt.place ?? placeNow(layout),
        manner: putt.manner ?? mannerAt(manners, number),
        number,
      };
      if (putt.passedOver) return one;
      last = { place: one.place, layout, putt };
      state = machine.next(state, played[number]!, rule, ground);
      number += 1;
      return one;
    }),
  );
  const current = runs.at(-1)?.layout;
  const next = current && {
    place: placeNow(current),
    manner: mannerAt(manners, number),
    number,
  };
  return { made, next: next ?? null };
}
