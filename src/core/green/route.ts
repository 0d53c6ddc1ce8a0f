import type { Plane } from './plane';
import type { Stretch } from './tier';
import {
  endOf,
  firstReach,
  momentAt,
  nearestTo,
  restOf,
  trackOf,
  type Moment,
  type Motion,
  type Track,
} from './track';

const { cos, min } = Math;

/** The part of a roll that lies on one plane. */
export interface Leg {
  track: Track;
  /** λ at which it ends: at a border, or as good as at rest. */
  end: number;
}

/** A roll over planes in a row. */
export interface Route {
  legs: Leg[];
  /** Where and when it comes to rest, or null when the green is too steep for the ball to stop. */
  rest: Moment | null;
}

/** A ball that crosses borders more often than this is trapped between two planes that face each other. */
const MOST_LEGS = 40;
/** A ball slower than this on a border that it has crossed again and again, m/s, stays there. */
const TRAPPED = 1e-3;
/** λ after a border at which the ball is inside the next plane for certain. */
const INSIDE = 1e-6;

/**
 * Rolls a ball over planes in a row: the closed form on each, joined where the ball crosses from one to the next. Place,
 * speed and direction are continuous; the edge itself takes nothing from the ball.
 *
 * @param stretches from {@link stretchesOf}
 * @param start where (m), how fast (m/s, above 0) and in which direction (rad)
 */
export function routeOf(stretches: Stretch[], start: Motion): Route {
  const legs: Leg[] = [];
  let motion = start;
  let time = 0;
  let index = stretches.findIndex(({ until }) => start.along < until);
  while (legs.length < MOST_LEGS) {
    const { from, until, plane } = stretches[index]!;
    const track = trackOf(plane, aslant(plane, motion));
    const begun = legs.length === 0 ? 0 : INSIDE;
    const onward = crossing(track, until, 1, begun);
    const backward = crossing(track, from, -1, begun);
    const end = min(onward, backward);
    if (end === Infinity) {
      legs.push({ track, end: endOf(track) });
      const rest = restOf(track);
      // Too slow to be followed over the border again, between two planes that both send it back there.
      if (!rest && legs.length > 2 && motion.speed < TRAPPED) {
        return { legs, rest: { ...motion, speed: 0, time } };
      }
      return { legs, rest: rest && { ...rest, time: rest.time + time } };
    }
    legs.push({ track, end });
    const crossed = momentAt(track, end);
    time += crossed.time;
    motion = crossed;
    index += onward < backward ? 1 : -1;
  }
  // It goes to and fro over the border, each time less far, and comes to rest on it.
  const { along, across, direction } = motion;
  return { legs, rest: { along, across, direction, speed: 0, time } };
}

/** Straight up a plane too steep to stop on a ball would stand for ever on its way back: nothing is that straight. */
const aslant = ({ pull, deceleration, falls }: Plane, motion: Motion): Motion =>
  pull >= deceleration && Math.abs(Math.sin(motion.direction - falls)) < ASLANT
    ? { ...motion, direction: motion.direction + ASLANT }
    : motion;
const ASLANT = 1e-3;

/** λ at which a track first crosses a line square to the putt, going forth (1) or back (-1); Infinity when never. */
function crossing(track: Track, along: number, way: 1 | -1, from: number): number {
  if (!Number.isFinite(along)) return Infinity;
  const found = firstReach(
    track,
    (moment) => way * (moment.along - along),
    ({ direction }) => way * cos(direction),
    from,
  );
  // A track whose end only touches the line has come to rest there.
  return found === null || found >= endOf(track) ? Infinity : found;
}

/** Where a rolling ball first comes nearest to a point, and on which leg. */
export function nearestOnRoute(
  { legs }: Route,
  point: { along: number; across: number },
): { leg: number; lambda: number; moment: Moment } {
  for (const [leg, { track, end }] of legs.entries()) {
    const { lambda, moment } = nearestTo(track, point, end);
    if (lambda < end || leg === legs.length - 1) return { leg, lambda, moment };
  }
  throw new RangeError('A route needs at least one leg.');
}

/**
 * Where a roll first is this far along an axis through the ball, going forth.
 *
 * @param route from {@link routeOf}
 * @param along m
 * @param axis direction of the axis, rad from the line to the hole, right positive; that line unless told
 * @returns the moment, or null when it never gets there
 */
export function routeAt({ legs }: Route, along: number, axis = 0): Moment | null {
  const [c, s] = [cos(axis), Math.sin(axis)];
  for (const { track, end } of legs) {
    const found = firstReach(
      track,
      (moment) => moment.along * c + moment.across * s - along,
      ({ direction }) => cos(direction - axis),
      0,
      end,
    );
    if (found !== null) return momentAt(track, found);
  }
  return null;
}

/**
 * A roll as points, dense enough for a smooth line.
 *
 * @param route from {@link routeOf}
 * @param until how far along to follow it, m
 * @param count points to a leg
 */
export function routePoints(
  { legs }: Route,
  until: number,
  count = 60,
): { along: number; across: number }[] {
  return legs.flatMap(({ track, end }) => {
    if (track.start.along >= until) return [];
    const reached =
      firstReach(
        track,
        ({ along }) => along - until,
        ({ direction }) => cos(direction),
        0,
        end,
      ) ?? end;
    // Steps of about equal length: the way rolled goes as 1 - e^(-2λ).
    const whole = 1 - Math.exp(-2 * min(reached, 15));
    return Array.from({ length: count + 1 }, (_, i) => {
      const { along, across } = momentAt(track, -Math.log(1 - (whole * i) / count) / 2);
      return { along, across };
    });
  });
}

/**
 * How far beside a point a roll passes, seen along its own direction.
 *
 * @param moment the roll where it is nearest to the point
 * @param point m
 * @returns m, positive when the roll passes right of the point
 */
export function besideOf(
  { along, across, direction }: Motion,
  point: { along: number; across: number },
): number {
  return (across - point.across) * cos(direction) - (along - point.along) * Math.sin(direction);
}
