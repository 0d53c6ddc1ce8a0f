import { captureSpeed } from './capture';
import { marginOf } from './drop-margin';
import type { Putt } from './putt';
import { besideOf, nearestOnRoute, routeOf } from './route';
import { stretchesOf } from './tier';
import { distanceBetween, type Moment } from './track';

const BALL = { along: 0, across: 0 };

/** What became of a putt. */
export interface PuttOutcome {
  result: 'holed' | 'short' | 'past' | 'runs away';
  /** Which side of the hole it passed or stopped on. */
  side: 'left' | 'right' | 'middle';
  /** Nearest to the hole's centre: how far off (m), and how fast there (m/s). */
  offset: number;
  speed: number;
  /** Where it came to rest; the hole when holed, null when the green is too steep for it to stop. */
  rest: { along: number; across: number } | null;
}

/**
 * Rolls one putt to its end.
 *
 * A ball that passes over part of the hole too fast to drop goes on in its direction, having lost the energy of a ball
 * that would just have dropped there: `v² - v_max(δ)²`. That is continuous at the edge of dropping and small for a
 * ball that only brushes the rim; how a real rim turns the ball is not modelled.
 *
 * @param putt distance, green and slope (its pace is not used)
 * @param startSpeed m/s, above 0
 * @param direction rad from the line, right positive
 */
export function rollPutt(putt: Putt, startSpeed: number, direction: number): PuttOutcome {
  const stretches = stretchesOf(putt);
  const hole = { along: putt.distance, across: 0 };
  const route = routeOf(stretches, { ...BALL, speed: startSpeed, direction });
  const { leg, lambda, moment } = nearestOnRoute(route, hole);
  const offset = distanceBetween(moment, hole);
  const passed = sideOf(moment, hole);
  if (marginOf(offset, moment.speed) >= 0) {
    return { result: 'holed', side: passed, offset, speed: moment.speed, rest: hole };
  }
  const over = captureSpeed(offset);
  const rolling = over > 0 && moment.speed > over && lambda < route.legs[leg]!.end;
  const { rest } = rolling
    ? routeOf(stretches, { ...moment, speed: Math.sqrt(moment.speed ** 2 - over ** 2) })
    : route;
  if (!rest) return { result: 'runs away', side: passed, offset, speed: moment.speed, rest: null };
  return {
    result: rest.along < putt.distance ? 'short' : 'past',
    side: passed,
    offset,
    speed: moment.speed,
    rest: { along: rest.along, across: rest.across },
  };
}

/** The side of the hole a ball is on, seen along its own direction. */
function sideOf(moment: Moment, hole: { along: number; across: number }): PuttOutcome['side'] {
  const aside = besideOf(moment, hole);
  if (Math.abs(aside) < 1e-9) return 'middle';
  return aside > 0 ? 'right' : 'left';
}
