import { DROP_SPEED, HOLE_RADIUS } from './constants';
import type { Plane } from './plane';
import type { Putt } from './putt';
import { nearestOnRoute, routeOf } from './route';
import { stretchesOf } from './tier';
import { distanceBetween, nearestTo, trackOf } from './track';

// Taken once: a look-up of the global in the innermost loop costs more than the arithmetic.
const { abs, cos, exp, log, sin } = Math;

/**
 * How well a ball near the hole drops: above 0 it is holed, below 0 it is not, and 0 is the edge.
 *
 * `R² (1 - v/1.63) - δ²`, that is `v ≤ v_max(δ)` made smooth in both.
 *
 * @param offset closest approach to the hole's centre, m
 * @param speed speed there, m/s
 * @returns m²
 */
export function marginOf(offset: number, speed: number): number {
  return HOLE_RADIUS ** 2 * (1 - speed / DROP_SPEED) - offset ** 2;
}

/** Margin of one start: speed (m/s, above 0) and direction (rad from the line, right positive). */
export type DropMargin = (startSpeed: number, direction: number) => number;

/**
 * The margin of any start on a putt, over all its planes.
 *
 * @param putt distance, green speed, slope and tiers (its pace is not used)
 */
export function dropMarginOf(putt: Omit<Putt, 'past'>): DropMargin {
  const stretches = stretchesOf(putt);
  if (stretches.length === 1) return dropMarginOn(stretches[0]!.plane, putt.distance);
  const hole = { along: putt.distance, across: 0 };
  return (speed, direction) => {
    const { moment } = nearestOnRoute(
      routeOf(stretches, { along: 0, across: 0, speed, direction }),
      hole,
    );
    return marginOf(distanceBetween(moment, hole), moment.speed);
  };
}

/** A step of λ after which Newton's next would be lost in rounding. */
const FINE = 1e-6;
/** A ball that rests this far before the hole has never been on it, m. */
const SHORT = 3 * HOLE_RADIUS;
const MOST_STEPS = 40;
/** A step forth in λ where the ball seems to stop before it gets so far. */
const STRIDE = 0.7;
/** λ by which a ball that is still coming nearer has as good as stopped. */
const LATE = 14;

/**
 * The margin of any start on one plane, for the many starts of windows, maps and probabilities.
 *
 * It is {@link nearestTo} written out for speed: the same closed form and Newton steps on plain numbers, from a guess
 * that neglects the curve. A ball that stops before it is nearest is judged where it rests, and a start that does not
 * behave (a green too steep, a ball sent away from the hole) is handed to the general way.
 *
 * @param plane what the ball rolls on
 * @param distance ball to hole, m
 */
export function dropMarginOn(plane: Plane, distance: number): DropMargin {
  const { deceleration: a, pull, falls } = plane;
  const e = pull / a;
  const general: DropMargin = (speed, direction) =>
    generalMargin(plane, distance, speed, direction);
  if (e > 0.9) return general;
  const holeDown = distance * cos(falls);
  const holeAside = -distance * sin(falls);
  const [steep, gentle, half, whole] = [1 / (2 - 2 * e), 1 / (2 + 2 * e), 1 / (2 - e), 1 / (2 + e)];
  const slowing = a - pull * cos(falls);
  return (speed, direction) => {
    const c = cos((direction - falls) / 2);
    const s = sin((direction - falls) / 2);
    const cc = c * c;
    const ss = s * s;
    const cs = c * s;
    const downScale = (speed * speed) / a;
    const restDown = downScale * (cc * cc * steep - ss * ss * gentle) - holeDown;
    const restAside = 2 * downScale * cs * (cc * half + ss * whole) - holeAside;
    const atRest = HOLE_RADIUS ** 2 - restDown * restDown - restAside * restAside;
    const past = (restDown * holeDown + restAside * holeAside) / distance;
    // Well short of the hole on a green that turns the ball only gently, the place of rest will do: the ball may have
    // been nearer by a little, but not by this much.
    if (e < 0.5 && past < -SHORT) return atRest;
    const left = 1 - (2 * slowing * distance) / (speed * speed);
    let lambda = left > 0.02 ? (-log(left) / 2) * (a / slowing) : 1.5;
    let low = 0;
    let high = LATE;
    for (let step = 0; step < MOST_STEPS; step++) {
      const q = exp(-lambda);
      const r = exp(-e * lambda);
      const back = 1 / r;
      const qq = q * q;
      const down =
        downScale *
        (cc * cc * (1 - qq * back * back) * steep - ss * ss * (1 - qq * r * r) * gentle);
      const aside = 2 * downScale * cs * (cc * (1 - qq * back) * half + ss * (1 - qq * r) * whole);
      const turn = cc + ss * r * r;
      const alongDown = (cc - ss * r * r) / turn;
      const alongAside = (2 * cs * r) / turn;
      const v = speed * q * back * turn;
      const toDown = down - holeDown;
      const toAside = aside - holeAside;
      const beyond = toDown * alongDown + toAside * alongAside;
      const beside = toAside * alongDown - toDown * alongAside;
      const rise = (v * v) / a - beside * e * alongAside;
      const shrink = 1 + (2 * beyond) / rise;
      if (!(rise > 0)) return general(speed, direction);
      if (beyond < 0) low = lambda;
      else high = lambda;
      const change = shrink > 0 ? log(shrink) / 2 : -STRIDE;
      if (abs(change) < FINE) {
        // One more step's worth of speed; the offset is at its least and does not change.
        return marginOf(beside, v * (1 + change));
      }
      const next = lambda - change;
      if (next >= LATE || low > LATE - FINE) return atRest;
      lambda = next > low && next < high ? next : (low + high) / 2;
    }
    return general(speed, direction);
  };
}

function generalMargin(plane: Plane, distance: number, speed: number, direction: number): number {
  const hole = { along: distance, across: 0 };
  const { moment } = nearestTo(trackOf(plane, { along: 0, across: 0, speed, direction }), hole);
  return marginOf(distanceBetween(moment, hole), moment.speed);
}
