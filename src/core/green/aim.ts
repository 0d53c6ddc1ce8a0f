import { HOLE_RADIUS } from './constants';
import { aimOverTiers } from './aim-over-tiers';
import type { Plane } from './plane';
import type { Putt } from './putt';
import { routeOf, routePoints } from './route';
import { stretchesOf, type Stretch } from './tier';
import { momentAt, paceSpeed, trackOf, type Motion } from './track';

/** How to start a putt so that it crosses the hole's centre at its pace. */
export interface Aim {
  /** Start direction, rad from the line to the hole, right positive. */
  direction: number;
  /** m/s. */
  startSpeed: number;
  /** Direction at the hole, rad from the line, right positive. */
  arrivalDirection: number;
  /** Speed at the hole's centre, m/s. */
  arrivalSpeed: number;
  /** How far beside the hole the start line passes, m, right positive; and in hole widths. */
  beside: number;
  cups: number;
  /** The point of the curve farthest from the line between ball and hole. */
  highest: { along: number; across: number };
}

/** A ball that dies at the hole is given this much run, so that it arrives at all, m. */
const LEAST_PAST = 1e-4;
/** Start directions farther from the line than this are no putt, rad. */
const WIDEST = 1.4;

/**
 * Solves a putt for its pace, on one plane or over tiers.
 *
 * The roll is run backwards from the hole's centre (the closed form holds for negative λ too): the two unknowns are
 * the direction at the hole and λ, the two equations that it began at the ball. Newton steps; a slope that is too much
 * for them is approached from the flat in parts.
 *
 * @param putt distance, green speed, slope and run past the hole
 * @returns the aim
 * @throws RangeError when no putt reaches the hole at this pace: the slope cannot hold it
 */
export function aimFor(putt: Putt): Aim {
  const stretches = stretchesOf(putt);
  const { deceleration } = stretches[0]!.plane;
  const arrivalSpeed = paceSpeed(Math.max(putt.past, LEAST_PAST), deceleration);
  const found: Solution | null =
    stretches.length === 1
      ? aimOnPlane(stretches[0]!.plane, putt.distance, arrivalSpeed)
      : aimOverTiers(stretches, putt.distance, arrivalSpeed);
  if (!found) {
    throw new RangeError(
      `No ${putt.distance.toFixed(2)} m putt can have a pace of ${putt.past.toFixed(2)} m past the hole on a ${(steepest(putt) * 100).toFixed(1)} % slope at a green speed of ${putt.greenSpeed.toFixed(2)} m. The slope cannot hold that pace.`,
    );
  }
  const { start, arrival } = found;
  const beside = putt.distance * Math.tan(start.direction);
  return {
    direction: start.direction,
    startSpeed: start.speed,
    arrivalDirection: arrival,
    arrivalSpeed,
    beside,
    cups: beside / (2 * HOLE_RADIUS),
    highest:
      found.lambda === undefined
        ? highestOnRoute(stretches, start, putt.distance)
        : highestPoint(stretches[0]!.plane, start, found.lambda),
  };
}

const steepest = ({ slope, tiers }: Putt): number =>
  Math.max(slope.grade, ...tiers.map((tier) => tier.slope.grade));

interface Solution {
  start: Motion;
  /** Direction at the hole, rad. */
  arrival: number;
  /** At the hole, on one plane. */
  lambda?: number;
}

function aimOnPlane(plane: Plane, distance: number, arrivalSpeed: number): Solution | null {
  const found =
    solve(plane, distance, arrivalSpeed, straightGuess(plane, distance, arrivalSpeed)) ??
    approach(plane, distance, arrivalSpeed);
  return found && { ...found, start: startOf(plane, distance, arrivalSpeed, found) };
}

/** The point of a roll over tiers farthest from the line, among points about a hundredth of the putt apart. */
function highestOnRoute(stretches: Stretch[], start: Motion, distance: number) {
  const points = routePoints(routeOf(stretches, { ...start, along: 0, across: 0 }), distance, 100);
  return points.reduce((best, point) =>
    Math.abs(point.across) > Math.abs(best.across) ? point : best,
  );
}

interface Unknowns {
  arrival: number;
  lambda: number;
}

/** The moment a ball must have started at, to be at the hole after λ with this direction and speed. */
function startOf(
  plane: Plane,
  distance: number,
  arrivalSpeed: number,
  { arrival, lambda }: Unknowns,
) {
  const atHole = { along: distance, across: 0, speed: arrivalSpeed, direction: arrival };
  return momentAt(trackOf(plane, atHole), -lambda);
}

/** The straight putt with the slope's share along the line; null when it would have to start from below rest. */
function straightGuess(plane: Plane, distance: number, arrivalSpeed: number): Unknowns | null {
  const { deceleration, pull, falls } = plane;
  const along = deceleration - pull * Math.cos(falls);
  const energy = 1 + (2 * along * distance) / arrivalSpeed ** 2;
  if (energy <= 0) return null;
  const share = along / deceleration;
  const lambda =
    Math.abs(share) < 1e-6
      ? (deceleration * distance) / arrivalSpeed ** 2
      : Math.log(energy) / (2 * share);
  return { arrival: 0, lambda };
}

const NUDGE = 1e-6;

function solve(
  plane: Plane,
  distance: number,
  arrivalSpeed: number,
  guess: Unknowns | null,
): Unknowns | null {
  if (!guess) return null;
  let { arrival, lambda } = guess;
  for (let step = 0; step < 40; step++) {
    const here = startOf(plane, distance, arrivalSpeed, { arrival, lambda });
    const miss = Math.hypot(here.along, here.across);
    if (!Number.isFinite(miss)) return null;
    if (miss < 1e-11 * (1 + distance)) {
      return Math.abs(here.direction) < WIDEST ? { arrival, lambda } : null;
    }
    const turned = startOf(plane, distance, arrivalSpeed, { arrival: arrival + NUDGE, lambda });
    const alongByTurn = (turned.along - here.along) / NUDGE;
    const acrossByTurn = (turned.across - here.across) / NUDGE;
    const back = -(here.speed ** 2) / plane.deceleration;
    const alongByLambda = back * Math.cos(here.direction);
    const acrossByLambda = back * Math.sin(here.direction);
    const determinant = alongByTurn * acrossByLambda - acrossByTurn * alongByLambda;
    const turn = (-here.along * acrossByLambda + here.across * alongByLambda) / determinant;
    const longer = (-alongByTurn * here.across + acrossByTurn * here.along) / determinant;
    const most = Math.max(Math.abs(turn) / 0.5, Math.abs(longer) / Math.max(0.5, 0.5 * lambda), 1);
    arrival += turn / most;
    lambda = Math.max(lambda + longer / most, 1e-9);
  }
  return null;
}

/** Solves gentler slopes first and follows them to the full one. */
function approach(plane: Plane, distance: number, arrivalSpeed: number): Unknowns | null {
  const parts = 12;
  let found = straightGuess({ ...plane, pull: 0 }, distance, arrivalSpeed);
  for (let part = 1; part <= parts && found; part++) {
    found = solve({ ...plane, pull: (plane.pull * part) / parts }, distance, arrivalSpeed, found);
  }
  return found;
}

/** Where the curve runs parallel to the line, if it does between ball and hole; else the ball or the hole itself. */
function highestPoint(
  plane: Plane,
  start: { direction: number; speed: number; along: number; across: number },
  lambda: number,
) {
  const track = trackOf(plane, { ...start, along: 0, across: 0 });
  const parallel = Math.tan(Math.atan2(Math.sin(-plane.falls), Math.cos(-plane.falls)) / 2);
  const ratio = track.s / track.c / parallel;
  const at = track.steepness > 0 && ratio > 1 ? Math.log(ratio) / track.steepness : 0;
  const { along, across } = momentAt(track, Math.min(Math.max(at, 0), lambda));
  return { along, across };
}
