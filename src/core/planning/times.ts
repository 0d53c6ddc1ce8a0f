import { medianOf } from '@/core/numbers';

/** A player's pace of play until it has been seen, s from putt to putt. */
export const USUAL_PACE = 25;

/** Setting up, until it has been seen: once, and for each thing that is placed, s. */
const BEGIN = 60;
const EACH = 20;

/**
 * How long a layout takes to set up.
 *
 * @param things that are placed with the tape
 * @param factor the coach's own speed against the usual one; 1 until it has been seen
 * @returns seconds
 */
export const setUpTime = (things: number, factor = 1): number => factor * (BEGIN + EACH * things);

/** A layout that was set up: how many things, and how long it took, s. */
export interface SetUpSeen {
  things: number;
  seconds: number;
}

/** Times outside these are no setting up: it stood already, or something else was done meanwhile, s. */
const BELIEVED = { least: 15, most: 1200 } as const;
/** Fewer say nothing. */
const ENOUGH = 3;

/**
 * A coach's own speed of setting up against the usual one: the median over those seen.
 *
 * @returns null while too few were seen
 */
export function setUpFactor(seen: readonly SetUpSeen[]): number | null {
  const ratios = seen
    .filter(({ seconds }) => seconds >= BELIEVED.least && seconds <= BELIEVED.most)
    .map(({ things, seconds }) => seconds / setUpTime(things));
  return ratios.length < ENOUGH ? null : medianOf(ratios);
}

/** A step of a distribution of time, minutes. */
export const STEP = 0.5;

/** How likely a thing takes each time, in steps of half a minute: `[i]` is the chance of i steps. */
export type Times = Float64Array;

/** A time that is sure, minutes. */
export function sureTime(minutes: number): Times {
  const steps = Math.max(0, Math.round(minutes / STEP));
  const times = new Float64Array(steps + 1);
  times[steps] = 1;
  return times;
}

/**
 * The times that putts take.
 *
 * @param goingOn the chance to go on after so many putts, from none; nought at the last
 * @param seconds from putt to putt
 */
export function timesOf(goingOn: Float64Array, seconds: number): Times {
  const most = goingOn.length - 1;
  const times = new Float64Array(Math.round((most * seconds) / 60 / STEP) + 1);
  for (let putts = 1; putts <= most; putts++) {
    times[Math.round((putts * seconds) / 60 / STEP)]! += goingOn[putts - 1]! - goingOn[putts]!;
  }
  return times;
}

/** The times of one thing after the other, each independent of the other. */
export function after(a: Times, b: Times): Times {
  const sum = new Float64Array(a.length + b.length - 1);
  for (let i = 0; i < a.length; i++) {
    const chance = a[i]!;
    if (chance === 0) continue;
    for (let j = 0; j < b.length; j++) sum[i + j]! += chance * b[j]!;
  }
  return sum;
}

/** Several equally likely distributions as one. */
export function mixed(all: readonly Times[]): Times {
  const sum = new Float64Array(Math.max(...all.map(({ length }) => length)));
  for (const one of all) one.forEach((chance, i) => (sum[i]! += chance / all.length));
  return sum;
}

/** The time that a share of all goings do not exceed, minutes. */
export function timeWithin(times: Times, share: number): number {
  let sum = 0;
  for (let i = 0; i < times.length; i++) {
    sum += times[i]!;
    // A sum of rounded chances may fall short of the share it stands for by a hair.
    if (sum >= share - 1e-9) return i * STEP;
  }
  return (times.length - 1) * STEP;
}

/** Expected time, minutes. */
export const timeOn = (times: Times): number =>
  STEP * times.reduce((sum, chance, i) => sum + chance * i, 0);
