import { DROP_SPEED, HOLE_RADIUS } from './constants';
import type { Plane } from './plane';
import { distanceBetween, endOf, momentAt, nearestTo, restOf, trackOf } from './track';

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

/** A step of λ after which Newton's next would be lost in rounding. */
const FINE = 1e-6;
const MOST_STEPS = 14;

/**
 * The margin of any start on one putt, for the many starts of windows, maps and probabilities.
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
    const left = 1 - (2 * slowing * distance) / (speed * speed);
    let lambda = left > 0.02 ? (-log(left) / 2) * (a / slowing) : 1.5;
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
      if (!(shrink > 0)) return stoppedMargin(plane, distance, speed, direction);
      const change = log(shrink) / 2;
      if (abs(change) < FINE) {
        // One more step's worth of speed; the offset is at its least and does not change.
        return marginOf(beside, v * (1 + change));
      }
      lambda -= change;
      if (lambda < 0) return general(speed, direction);
    }
    return general(speed, direction);
  };
}

/**
 * The margin of a ball that seems to stop before it is nearest to the hole. Well short of it on a green that turns the
 * ball only gently, the place of rest will do: the ball may have been nearer by a little, but not by this much.
 */
function stoppedMargin(plane: Plane, distance: number, speed: number, direction: number): number {
  const track = trackOf(plane, { along: 0, across: 0, speed, direction });
  const rest = restOf(track);
  if (!rest) return generalMargin(plane, distance, speed, direction);
  const away = distanceBetween(rest, { along: distance, across: 0 });
  if (track.steepness < 0.5 && rest.along < distance - 3 * HOLE_RADIUS) return marginOf(away, 0);
  const last = momentAt(track, endOf(track));
  const beyond = (last.along - distance) * cos(last.direction) + last.across * sin(last.direction);
  return beyond < 0 && last.along < distance
    ? marginOf(away, 0)
    : generalMargin(plane, distance, speed, direction);
}

function generalMargin(plane: Plane, distance: number, speed: number, direction: number): number {
  const hole = { along: distance, across: 0 };
  const { moment } = nearestTo(trackOf(plane, { along: 0, across: 0, speed, direction }), hole);
  return marginOf(distanceBetween(moment, hole), moment.speed);
}
