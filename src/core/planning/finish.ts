import { ruleMinutes, ruleTraits, type Cap, type Rule, type RuleGround } from '@/core/drill';
import { chainOf, expectedPutts, goingOn, type Kind, type PuttPlace, type Shares } from './chain';

/** How likely each kind of putt is, for values of the player's skills that are all equally likely. */
export interface Odds {
  kinds: readonly Kind[];
  /** How many values. */
  points: number;
  /** Shares of the kinds from a place, at one value. */
  at(place: PuttPlace, point: number): readonly number[];
}

/** How long a rule takes one player, in putts. */
export interface Finish {
  /** Without any cap: putts on average over what is not known; Infinity where it may never end. Null where no putt ends it. */
  expected: number | null;
  /** Putts it is done in by half of all goings, and by nine in ten, without any cap; Infinity where that is beyond reckoning. */
  median: number;
  late: number;
  /** Chance that it is done before its cap. */
  inTime: number;
  /** What ends it when it is not. */
  cap: { putts: number; by: 'putts' | 'minutes' };
  /** By value of the skills: the chance to go on after so many putts, from none; the cap ends it. */
  goingOn: Float64Array[];
}

/** Putts that a rule is followed for; beyond them it goes on at the rate it has come to. */
const FOLLOWED = 600;

/**
 * How many putts a rule takes a player.
 *
 * @param rule when it is done
 * @param cap what ends it whatever happens
 * @param ground what it is played on
 * @param odds what happens on a putt
 * @param seconds from putt to putt, more than 0
 * @param minutes what an open rule is given, since nothing else ends it
 * @throws RangeError when the pace is no pace
 */
export function finishOf(
  rule: Rule,
  cap: Cap,
  ground: RuleGround,
  odds: Odds,
  seconds: number,
  minutes: number,
): Finish {
  if (!(seconds > 0)) {
    throw new RangeError(`A pace of ${seconds} s per putt is too short: use more than 0 s.`);
  }
  const within = (time: number) => Math.max(1, Math.floor((60 * time) / seconds));
  if (ruleTraits(rule).endless) {
    const putts = within(ruleMinutes(rule) ?? minutes);
    const sure = new Float64Array(putts + 1).fill(1);
    sure[putts] = 0;
    return {
      expected: null,
      median: putts,
      late: putts,
      inTime: 1,
      cap: { putts, by: 'minutes' },
      goingOn: Array.from({ length: odds.points }, () => sure),
    };
  }
  const chain = chainOf(rule, ground, odds.kinds);
  const limit: Finish['cap'] =
    within(cap.minutes) < cap.putts
      ? { putts: within(cap.minutes), by: 'minutes' }
      : { putts: cap.putts, by: 'putts' };
  let expected = 0;
  const courses: Float64Array[] = [];
  for (let point = 0; point < odds.points; point++) {
    const shares: Shares = chain.places.map((place) => odds.at(place, point));
    expected += expectedPutts(chain, shares) / odds.points;
    courses.push(goingOn(chain, shares, FOLLOWED));
  }
  const leftAfter = (putts: number): number => {
    let sum = 0;
    for (const course of courses) sum += beyond(course, putts);
    return sum / courses.length;
  };
  return {
    expected,
    median: firstBelow(leftAfter, 0.5),
    late: firstBelow(leftAfter, 0.1),
    inTime: 1 - leftAfter(limit.putts),
    cap: limit,
    goingOn: courses.map((course) => {
      const cut = course.slice(0, limit.putts + 1);
      cut[limit.putts] = 0;
      return cut;
    }),
  };
}

/** The chance to go on, beyond what was followed too: by then it falls by the same share each putt. */
function beyond(course: Float64Array, putts: number): number {
  const last = course.length - 1;
  if (putts <= last) return course[putts]!;
  const [before, end] = [course[last - 1]!, course[last]!];
  if (end <= 0 || before <= 0) return 0;
  return end * (end / before) ** (putts - last);
}

/** Beyond this nobody reckons. */
const NEVER = 1e7;

/** The first number of putts after which a falling chance is at most a share. */
function firstBelow(leftAfter: (putts: number) => number, share: number): number {
  let [low, high] = [0, 1];
  while (leftAfter(high) > share) {
    [low, high] = [high, 2 * high];
    if (high > NEVER) return Infinity;
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (leftAfter(middle) > share) low = middle;
    else high = middle;
  }
  return high;
}

/** Less likely than this to be done in time: it will hardly end. */
const HARDLY = 0.5;

/** Whether a rule will hardly end for this player but by its cap. */
export const hardlyEnds = ({ inTime }: Finish): boolean => inTime < HARDLY;
