import type { Plane } from './plane';

const { cos, exp, hypot, sin, sqrt, abs, atan2, log, min } = Math;

/** A point on the green, m from the ball's first place: along the line to the hole, and across it, right positive. */
interface Point {
  along: number;
  across: number;
}

/** A ball in motion. */
export interface Motion extends Point {
  /** m/s. */
  speed: number;
  /** Rad from the line, right positive. */
  direction: number;
}

/** A ball somewhere on its track. */
export interface Moment extends Motion {
  /** Since the start of the track, s. */
  time: number;
}

/**
 * The track of a ball rolling on a plane, in closed form.
 *
 * With ψ the angle of the velocity from downhill, c = cos(ψ₀/2), s = sin(ψ₀/2) at the start, ε = pull over
 * deceleration, and λ the time measured in losses of speed (dT = v dλ / a), the known solution
 * `v = C tan(ψ/2)^k / sin ψ` becomes sums of exponentials without a singular case:
 *
 *     v = v₀ [c² e^(-λ(1-ε)) + s² e^(-λ(1+ε))]        tan(ψ/2) = tan(ψ₀/2) e^(-ελ)
 *     X = v₀² [c⁴ F(2,-2) - s⁴ F(2,2)]                Y = 2 v₀² [c³s F(2,-1) + cs³ F(2,1)]
 *     T = v₀ [c² F(1,-1) + s² F(1,1)]                 F(m,n) = (1 - e^(-λ(m+nε))) / (a (m+nε))
 *
 * X downhill, Y across it. Flat is ε = 0; straight up or down is c = 0 or s = 0; m+nε = 0 is its limit λ/a.
 */
export interface Track {
  plane: Plane;
  start: Motion;
  /** ε: above 1 a ball that rolls downhill does not come to rest. */
  steepness: number;
  c: number;
  s: number;
}

/**
 * Starts a ball on a plane.
 *
 * @param plane what it rolls on
 * @param start where, how fast (m/s, above 0) and in which direction (rad)
 */
export function trackOf(plane: Plane, start: Motion): Track {
  const half = wrap(start.direction - plane.falls) / 2;
  return { plane, start, steepness: plane.pull / plane.deceleration, c: cos(half), s: sin(half) };
}

/** An angle brought to (-π, π]. */
function wrap(angle: number): number {
  return atan2(sin(angle), cos(angle));
}

/** (1 - e^(-λw)) / w, whose limit for w → 0 is λ. */
function loss(weight: number, decayed: number, lambda: number): number {
  if (abs(weight) > 1e-5) return (1 - decayed) / weight;
  const x = weight * lambda;
  return lambda * (1 - x / 2 + (x * x) / 6);
}

/**
 * Where a ball is after λ.
 *
 * @param track from {@link trackOf}
 * @param lambda 0 or more
 */
export function momentAt({ plane, start, steepness: e, c, s }: Track, lambda: number): Moment {
  const { deceleration: a, falls } = plane;
  const q = exp(-lambda);
  const r = exp(-e * lambda);
  const qq = q * q;
  const rr = r * r;
  const v0 = start.speed;
  const cc = c * c;
  const ss = s * s;
  const down =
    (v0 *
      v0 *
      (cc * cc * loss(2 - 2 * e, qq / rr, lambda) - ss * ss * loss(2 + 2 * e, qq * rr, lambda))) /
    a;
  const aside =
    (2 * v0 * v0 * c * s * (cc * loss(2 - e, qq / r, lambda) + ss * loss(2 + e, qq * r, lambda))) /
    a;
  return {
    along: start.along + down * cos(falls) - aside * sin(falls),
    across: start.across + down * sin(falls) + aside * cos(falls),
    speed: v0 * ((cc * q) / r + ss * q * r),
    direction: wrap(falls + 2 * atan2(s * r, c)),
    time: (v0 * (cc * loss(1 - e, q / r, lambda) + ss * loss(1 + e, q * r, lambda))) / a,
  };
}

/**
 * Where and when the ball comes to rest.
 *
 * @returns the last moment, its speed 0, or null when the green is too steep for the ball to stop
 */
export function restOf({ plane, start, steepness: e, c, s }: Track): Moment | null {
  const { deceleration: a, falls } = plane;
  if (e >= 1) return null;
  const v0 = start.speed;
  const cc = c * c;
  const ss = s * s;
  const whole = (weight: number, part: number) => (part === 0 ? 0 : part / weight);
  const down = (v0 * v0 * (whole(2 - 2 * e, cc * cc) - whole(2 + 2 * e, ss * ss))) / a;
  const aside = (2 * v0 * v0 * (whole(2 - e, cc * c * s) + whole(2 + e, c * s * ss))) / a;
  return {
    along: start.along + down * cos(falls) - aside * sin(falls),
    across: start.across + down * sin(falls) + aside * cos(falls),
    speed: 0,
    direction: e === 0 ? start.direction : falls,
    time: (v0 * (whole(1 - e, cc) + whole(1 + e, ss))) / a,
  };
}

/** Speeds below this share of the start speed are rest. */
const REST_SHARE = 1e-7;
/** λ after which a ball that does not stop is no longer followed. */
const RUNAWAY = 60;

/** λ at which the ball is as good as at rest, or no longer followed. */
export function endOf({ steepness: e, c }: Track): number {
  if (c === 0) return -log(REST_SHARE) / (1 + e);
  return e < 1 ? min(-log(REST_SHARE) / (1 - e), 700) : RUNAWAY;
}

/**
 * The first λ at which a rising function of the track's moments reaches zero.
 *
 * Newton steps in 1 - e^(-2λ), in which the way rolled is nearly straight, kept inside a bracket.
 *
 * @param track the track
 * @param value below zero at `from`; its value at a moment, m
 * @param slope how fast it rises with the way rolled at a moment, 1 for straight ahead
 * @param from λ where it is below zero
 * @param to λ where the search ends
 * @returns λ, or null when it stays below zero
 */
export function firstReach(
  track: Track,
  value: (moment: Moment) => number,
  slope: (moment: Moment) => number,
  from = 0,
  to = endOf(track),
): number | null {
  const { deceleration } = track.plane;
  let low = from;
  let high = Infinity;
  let lambda = from;
  for (let step = 0; step < 80; step++) {
    const moment = momentAt(track, lambda);
    const now = value(moment);
    if (abs(now) < 1e-12) return lambda;
    if (now < 0) low = lambda;
    else high = lambda;
    const rise = (moment.speed * moment.speed * slope(moment)) / deceleration;
    const shrink = 1 + (2 * now) / rise;
    const next = rise > 0 && shrink > 0 ? lambda - log(shrink) / 2 : NaN;
    let inside = next > low && next < high ? next : NaN;
    if (Number.isNaN(inside) && high === Infinity) {
      const found = firstAbove(track, value, low, to);
      if (found === null) return null;
      high = found;
    }
    if (Number.isNaN(inside)) inside = (low + high) / 2;
    if (inside >= to) return value(momentAt(track, to)) < 0 ? null : to;
    if (abs(inside - lambda) < 1e-14 * (1 + lambda)) return inside;
    lambda = inside;
  }
  return lambda;
}

/** The first of some points between two λ at which a value is not below zero; null when there is none. */
function firstAbove(
  track: Track,
  value: (moment: Moment) => number,
  from: number,
  to: number,
): number | null {
  const steps = 96;
  for (let step = 1; step <= steps; step++) {
    // Denser near the start, where the ball is fast.
    const lambda = from + (to - from) * (step / steps) ** 2;
    if (value(momentAt(track, lambda)) >= 0) return lambda;
  }
  return null;
}

/**
 * Where the ball first comes nearest to a point.
 *
 * @param track the track
 * @param point m
 * @param to λ where the search ends
 * @returns that moment and λ; the end of the track when it is still coming nearer there
 */
export function nearestTo(
  track: Track,
  point: Point,
  to = endOf(track),
): { lambda: number; moment: Moment } {
  const beyond = ({ along, across, direction }: Moment) =>
    (along - point.along) * cos(direction) + (across - point.across) * sin(direction);
  const turning = track.steepness;
  const slope = (moment: Moment): number => {
    const { along, across, direction, speed } = moment;
    const aside = (across - point.across) * cos(direction) - (along - point.along) * sin(direction);
    const turn = -turning * sin(direction - track.plane.falls);
    return 1 + (aside * turn * track.plane.deceleration) / (speed * speed);
  };
  const from = approachStart(track, beyond, to);
  const lambda = from === null ? 0 : (firstReach(track, beyond, slope, from, to) ?? to);
  return { lambda, moment: momentAt(track, lambda) };
}

/** λ from which the ball comes nearer: 0, or later for a ball that starts away; null when it never does. */
function approachStart(
  track: Track,
  beyond: (moment: Moment) => number,
  to: number,
): number | null {
  if (beyond(momentAt(track, 0)) < 0) return 0;
  const steps = 64;
  for (let step = 1; step < steps; step++) {
    const lambda = (to * step) / steps;
    if (beyond(momentAt(track, lambda)) < 0) return lambda;
  }
  return null;
}

/** The distance between two points, m. */
export const distanceBetween = (a: Point, b: Point): number =>
  hypot(a.along - b.along, a.across - b.across);

/** The speed of a ball that would run this far past on the flat, m/s: `√(2 a p)`. */
export const paceSpeed = (past: number, deceleration: number): number =>
  sqrt(2 * deceleration * past);

/** How far past on the flat a ball of this speed would run, m: the inverse of {@link paceSpeed}. */
export const paceRun = (speed: number, deceleration: number): number =>
  speed ** 2 / (2 * deceleration);
