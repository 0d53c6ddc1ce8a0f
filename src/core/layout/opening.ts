import { isLevel } from '@/core/green';
import type { Evidence, Interval, Setting, Tolerance } from './element';
import type { Spot } from './spot';

/** An edge of what lets a ball through: a spot, and how far right of it the ball passes that just touches, m. */
interface Edge {
  at: Spot;
  beside: number;
}

/** Where a ball may pass: between a left edge and a right one, seen from the start line. */
export interface Opening {
  left: Edge;
  right: Edge;
}

/** Turns farther than this from the aim are no putt, rad. */
const WIDEST_TURN = 1.2;

/**
 * The turn from the aim at which a ball passes an edge: by the straight line on the level, on a slope by rolling, widening
 * from the intended one, since it does not go on rising once the ball falls short.
 */
function turnAt({ at, beside }: Edge, setting: Setting, pace: number): number {
  const straight =
    Math.atan2(at.across, at.along) +
    Math.asin(Math.max(-1, Math.min(1, beside / Math.hypot(at.along, at.across))));
  if (isLevel(setting.putt)) return straight;
  const off = (turn: number) => setting.passes(turn, at, pace) - beside;
  let [from, here] = [0, off(0)];
  const way = here < 0 ? 1 : -1;
  let step = Math.max(Math.abs(here) / (2 * Math.hypot(at.along, at.across)), 1e-5);
  for (;;) {
    const to = from + way * step;
    const there = off(to);
    if (there * here <= 0) return between(off, from, here, to, there);
    // Farther out the ball no longer gets there: what lies beyond is short, whatever it would have passed.
    if (Math.abs(to) > NEAR && !setting.gets(to, at, pace))
      return lastToGet(setting, at, pace, from, to);
    if (Math.abs(to) > WIDEST_TURN) return way * WIDEST_TURN;
    [from, here] = [to, there];
    step *= 1.5;
  }
}

/** Turns within this of the intended one are not asked whether the ball gets there, rad. */
const NEAR = 0.05;

/** The turn at which a ball just gets as far as a spot, between one that does and one that does not. */
function lastToGet(setting: Setting, at: Spot, pace: number, gets: number, fails: number): number {
  let [into, out] = [gets, fails];
  for (let step = 0; step < 24; step++) {
    const middle = (into + out) / 2;
    if (setting.gets(middle, at, pace)) into = middle;
    else out = middle;
  }
  return into;
}

/** Nearer than this is there: a tenth of a micrometre aside, m, or a ten-millionth of a radian. */
const CLOSE = 1e-7;

/** Where a function is zero between two places of unlike sign: the chord's foot, halving what it leaves too wide. */
function between(value: (at: number) => number, a: number, fa: number, b: number, fb: number) {
  let [x0, f0, x1, f1] = [a, fa, b, fb];
  for (let step = 0; step < 60 && Math.abs(x1 - x0) > CLOSE; step++) {
    const chord = f0 === f1 ? (x0 + x1) / 2 : x0 - (f0 * (x1 - x0)) / (f1 - f0);
    const x = step % 3 === 2 ? (x0 + x1) / 2 : chord;
    const f = value(x);
    if (Math.abs(f) < CLOSE) return x;
    if (f * f0 < 0) [x1, f1] = [x, f];
    else [x0, f0] = [x, f];
  }
  return Math.abs(f0) < Math.abs(f1) ? x0 : x1;
}

const windowOf = ({ left, right }: Opening, setting: Setting, pace: number): Interval => [
  turnAt(left, setting, pace),
  turnAt(right, setting, pace),
];

/**
 * Start directions that an opening lets through at the intended pace.
 *
 * @param opening seen from the start line
 * @param setting the putt it stands on
 * @returns rad left and right of the aim; a negative side means that even the intended putt touches there
 */
export function openingTolerance(opening: Opening, setting: Setting): Tolerance {
  const [lower, upper] = windowOf(opening, setting, 0);
  return { quantity: 'start', left: -lower, right: upper };
}

/** Paces between which an opening on a slope is taken to be the same, as shares of the way intended, less one. */
const PACES = [
  -0.6,
  -0.42,
  -0.3,
  ...Array.from({ length: 11 }, (_, i) => -0.22 + 0.05 * i),
  0.38,
  0.55,
  0.8,
  1.2,
];
/** A pace within which most putts lie, and how far an edge may move with it, in tolerances, to be taken as still. */
const USUAL_PACE = 0.12;
const STILL = 0.015;

/**
 * What an opening says of the start direction. Where the way to it depends on the pace (far away on a slope), it speaks of
 * both together.
 *
 * @param outcome `clear`, `left` or `right`; others say nothing
 */
export function openingEvidence(outcome: string, opening: Opening, setting: Setting): Evidence[] {
  const within = (at: Interval): Interval[] => {
    switch (outcome) {
      case 'clear':
        return [at];
      case 'left':
        return [[-Infinity, at[0]]];
      case 'right':
        return [[at[1], Infinity]];
      default:
        return [];
    }
  };
  const meant = windowOf(opening, setting, 0);
  if (!moves(opening, setting, meant)) {
    return within(meant).map(([lower, upper]) => ({ quantity: 'start', lower, upper }));
  }
  const far = Math.max(opening.left.at.along, opening.right.at.along);
  const areas = PACES.slice(1).flatMap((upper, index) => {
    const pace: Interval = [PACES[index]!, upper];
    const middle = (pace[0] + pace[1]) / 2;
    // A ball that does not get there says nothing of the way.
    const { hole } = setting;
    if (hole.along + setting.restOf(middle) < far) return [];
    return within(windowOf(opening, setting, middle)).map((start) => ({ start, pace }));
  });
  return areas.length > 0 ? [{ quantity: 'roll', areas }] : [];
}

function moves(opening: Opening, setting: Setting, meant: Interval): boolean {
  if (isLevel(setting.putt)) return false;
  const allowed = STILL * Math.max(meant[1] - meant[0], 1e-4);
  return [-USUAL_PACE, USUAL_PACE].some((pace) =>
    windowOf(opening, setting, pace).some((edge, i) => Math.abs(edge - meant[i]!) > allowed),
  );
}

/** What a ball meets at an opening: it touches a side, or passes. */
export function openingMet(
  { direction, pace = 0 }: { direction: number; pace?: number },
  { left, right }: Opening,
  setting: Setting,
): 'clear' | 'left' | 'right' {
  if (setting.passes(direction, right.at, pace) > right.beside) return 'right';
  return setting.passes(direction, left.at, pace) < left.beside ? 'left' : 'clear';
}
