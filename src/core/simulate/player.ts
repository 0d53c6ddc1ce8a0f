import {
  outcomesProblem,
  standing,
  type Launch,
  type Layout,
  type Outcomes,
  type Points,
  type Spot,
} from '@/core/layout';
import type { Chance } from './random';

/** Mean and standard deviation of one quantity from putt to putt. */
export interface Wander {
  bias: number;
  spread: number;
}

/**
 * A simulated player's truth on one day: face and path in rad and strike in m, right positive; pace as a share of the
 * distance intended, long positive; height on the face in m above its middle.
 */
export interface Truth {
  face: Wander;
  path: Wander;
  strike: Wander;
  pace: Wander;
  height: Wander;
  /** How much of the start direction is the face's; the rest is the path's. */
  faceShare: number;
}

const STILL: Wander = { bias: 0, spread: 0 };

/**
 * A player who differs from putt to putt in the start line alone.
 *
 * @param start bias and spread of the start direction, rad
 */
export const startsAs = ({ bias, spread }: Wander): Truth => ({
  face: { bias, spread },
  path: STILL,
  strike: STILL,
  pace: STILL,
  height: STILL,
  faceShare: 1,
});

/** Bias and spread of the start direction that a truth makes, rad. */
export const startOf = ({ face, path, faceShare: w }: Truth): Wander => ({
  bias: w * face.bias + (1 - w) * path.bias,
  spread: Math.hypot(w * face.spread, (1 - w) * path.spread),
});

/** Truth at some days; straight between them and level beyond. Days count from any origin. */
export type TruePath = { day: number; truth: Truth }[];

const QUANTITIES = ['face', 'path', 'strike', 'pace', 'height'] as const;

/**
 * The truth on one day.
 *
 * @param path in order of days, at least one
 * @param day any number
 */
export function truthOn(path: TruePath, day: number): Truth {
  const after = path.findIndex((point) => point.day >= day);
  const next = path[after === -1 ? path.length - 1 : after];
  const previous = after > 0 ? path[after - 1] : next;
  if (!next || !previous) throw new RangeError('A true path needs at least one day.');
  const share = next.day === previous.day ? 0 : (day - previous.day) / (next.day - previous.day);
  const between = (from: number, to: number) => from + share * (to - from);
  const found = { ...next.truth };
  for (const quantity of QUANTITIES) {
    const [from, to] = [previous.truth[quantity], next.truth[quantity]];
    found[quantity] = {
      bias: between(from.bias, to.bias),
      spread: between(from.spread, to.spread),
    };
  }
  return found;
}

/** A simulated putt as it is logged. */
export interface SimulatedPutt {
  outcomes: Outcomes;
  points: Points;
}

/**
 * One simulated putt: drawn from the truth, sent at the layout's tees. What it meets is found from where things stand,
 * not from what scoring makes of it.
 *
 * @param truth the player's
 * @param layout what stands on the green
 * @param chance a seeded source
 * @param pointed whether strikes and finishes are pointed at, each with its own error of reading
 */
export function simulatePutt(
  truth: Truth,
  layout: Layout,
  chance: Chance,
  pointed = false,
): SimulatedPutt {
  const draw = ({ bias, spread }: Wander) => bias + spread * chance.normal();
  const [face, path, strike] = [draw(truth.face), draw(truth.path), draw(truth.strike)];
  const [pace, height] = [draw(truth.pace), draw(truth.height)];
  const launch: Launch = {
    direction: truth.faceShare * face + (1 - truth.faceShare) * path,
    face,
    path,
    strike,
    height,
    pace,
  };
  const outcomes: Outcomes = {};
  const points: Points = {};
  // One look at the green tells every element that asks where the ball lies.
  let seen: Spot | null = null;
  for (const element of standing(layout)) {
    const met = element.meets(launch);
    if (met === null) continue;
    outcomes[element.id] = met;
    const spot = pointed && element.pointing && element.pointing.spotOf(launch);
    // A ball in the hole lies nowhere.
    if (!spot || !element.pointing || !element.pointing.allows(met, spot)) continue;
    const says = element.pointing.says(spot)[0];
    if (!says) continue;
    const { error } = says;
    const read: Spot = (element.pointing.on === 'green' && seen) || {
      along: spot.along + error * chance.normal(),
      across: spot.across + error * chance.normal(),
    };
    if (element.pointing.on === 'green') seen = read;
    points[element.id] = read;
    outcomes[element.id] = element.pointing.outcome(read);
  }
  // What was read a little off must still be true of one putt.
  for (const id of Object.keys(points)) {
    if (outcomesProblem(layout, outcomes) === null) break;
    delete points[id];
    delete outcomes[id];
  }
  return { outcomes, points };
}

/** Several simulated putts in a row. */
export function simulatePutts(
  truth: Truth,
  layout: Layout,
  count: number,
  chance: Chance,
  pointed = false,
): SimulatedPutt[] {
  return Array.from({ length: count }, () => simulatePutt(truth, layout, chance, pointed));
}
