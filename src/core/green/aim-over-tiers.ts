import type { Stretch } from './tier';
import { momentAt, trackOf, type Moment, type Motion, type Track } from './track';

const { abs, cos, hypot } = Math;

/** Arrival directions farther from the line than this are no putt, rad. */
const WIDEST = 1.4;

/**
 * The start of a roll over planes in a row that crosses the hole's centre at a speed: the roll is run backwards from the
 * hole, plane by plane, and the arrival direction sought (by secants) for which it began at the ball.
 *
 * @param stretches the planes
 * @param distance ball to hole, m
 * @param arrivalSpeed at the hole's centre, m/s
 * @returns the start and the arrival direction, or null when no such roll exists
 */
export function aimOverTiers(
  stretches: Stretch[],
  distance: number,
  arrivalSpeed: number,
): { start: Motion; arrival: number } | null {
  const begun = (arrival: number): Motion | null =>
    backFrom(stretches, { along: distance, across: 0, speed: arrivalSpeed, direction: arrival });
  let before = { arrival: 0, start: begun(0) };
  let now = { arrival: 0.02, start: begun(0.02) };
  for (let step = 0; step < 60; step++) {
    if (!before.start || !now.start) return null;
    if (abs(now.start.across) < 1e-11 * (1 + distance)) {
      return abs(now.start.direction) < WIDEST ? { start: now.start, arrival: now.arrival } : null;
    }
    const rise = (now.start.across - before.start.across) / (now.arrival - before.arrival);
    let change = -now.start.across / rise;
    if (!Number.isFinite(change)) return null;
    change = Math.max(-0.4, Math.min(0.4, change));
    let start = begun(now.arrival + change);
    // Arriving too far aside, the ball could not have come from the ball mark at all: go half way.
    for (let halving = 0; !start && halving < 20; halving++) {
      change /= 2;
      start = begun(now.arrival + change);
    }
    before = now;
    now = { arrival: now.arrival + change, start };
  }
  return null;
}

/** The motion at the ball's line square to the putt, of a roll that arrives at the hole so. */
function backFrom(stretches: Stretch[], arrival: Motion): Motion | null {
  let motion: Motion = arrival;
  for (const { from, plane } of stretches.toReversed()) {
    if (from >= motion.along) continue;
    const border = Math.max(from, 0);
    const moment = backTo(trackOf(plane, motion), border);
    if (!moment) return null;
    motion = moment;
    if (border === 0) break;
  }
  return motion;
}

/** The moment at which a track, run backwards, was this far along; null when it never was. */
function backTo(track: Track, along: number): Moment | null {
  const beyond = (lambda: number) => momentAt(track, lambda).along - along;
  let low = -0.05;
  while (beyond(low) > 0) {
    low *= 2;
    if (low < -40) return null;
  }
  let high = 0;
  let lambda = low / 2;
  for (let step = 0; step < 100; step++) {
    const moment = momentAt(track, lambda);
    const left = moment.along - along;
    if (abs(left) < 1e-13 * (1 + hypot(along, moment.across))) return moment;
    if (left > 0) high = lambda;
    else low = lambda;
    const rise = (moment.speed ** 2 * cos(moment.direction)) / track.plane.deceleration;
    const next = lambda - left / rise;
    const inside = next > low && next < high ? next : (low + high) / 2;
    if (inside === lambda) return moment;
    lambda = inside;
  }
  return momentAt(track, lambda);
}
