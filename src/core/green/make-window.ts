import { aimFor, type Aim } from './aim';
import { captureHalfWidth } from './capture';
import { DROP_SPEED, HOLE_RADIUS } from './constants';
import { dropMarginOf } from './drop-margin';
import type { Putt } from './putt';

/** What is holed around the intended start of a putt. */
export interface MakeWindow {
  /** The intended start. */
  aim: Aim;
  /** Share of the hole that is usable at the arrival speed, 0 to 1. */
  shareOfHole: number;
  /** Start directions holed at the intended speed: this far left of the start line, rad. */
  left: number;
  /** Start directions holed at the intended speed: this far right of the start line, rad. */
  right: number;
  /** Slowest and fastest start speed holed on the intended start line, m/s. */
  slowest: number;
  fastest: number;
}

/**
 * How far from a point that is holed the edge of holing lies: steps out until it is missed, then halves.
 *
 * @param margin above 0 where holed, at a distance from the point
 * @param step first step out
 * @param most where the search ends
 */
function edgeFrom(margin: (distance: number) => number, step: number, most: number): number {
  let low = 0;
  let high = step;
  while (margin(high) >= 0) {
    if (high >= most) return most;
    low = high;
    high = Math.min(2 * high, most);
  }
  while (high - low > 1e-11 * (1 + high)) {
    const middle = (low + high) / 2;
    if (middle === low || middle === high) break;
    if (margin(middle) >= 0) low = middle;
    else high = middle;
  }
  return low;
}

/**
 * The make window of a putt at its intended pace: the start directions holed at the intended start speed, and the start
 * speeds holed on the intended start line. Not symmetric on a slope.
 *
 * @param putt distance 0.3 to 40 m, green speed 1.2 to 5 m, slope to 8 %, run past the hole 0 to 3 m
 * @returns nothing on either side where the pace is too firm for the ball to drop at all ({@link refuseTooFirm})
 * @throws RangeError when the slope cannot hold the pace
 */
export function makeWindow(putt: Putt): MakeWindow {
  const aim = aimFor(putt);
  const { direction, startSpeed, arrivalSpeed } = aim;
  if (arrivalSpeed >= DROP_SPEED) {
    const none = { shareOfHole: 0, left: 0, right: 0 };
    return { aim, ...none, slowest: startSpeed, fastest: startSpeed };
  }
  const margin = dropMarginOf(putt);
  const turned = (by: number) => margin(startSpeed, direction + by);
  const paced = (by: number) => margin(startSpeed + by, direction);
  const step = HOLE_RADIUS / putt.distance / 4;
  return {
    aim,
    shareOfHole: captureHalfWidth(arrivalSpeed) / HOLE_RADIUS,
    left: edgeFrom((by) => turned(-by), step, 1),
    right: edgeFrom(turned, step, 1),
    slowest: startSpeed - edgeFrom((by) => paced(-by), startSpeed / 200, 0.99 * startSpeed),
    fastest: startSpeed + edgeFrom(paced, startSpeed / 200, 4 * startSpeed),
  };
}

/**
 * Refuses a putt whose pace is too firm for the ball to drop at all.
 *
 * @param putt as for {@link makeWindow}
 * @throws RangeError that names the pace and what is needed, or when the slope cannot hold it
 */
export function refuseTooFirm(putt: Putt): void {
  const { arrivalSpeed } = aimFor(putt);
  if (arrivalSpeed < DROP_SPEED) return;
  throw new RangeError(
    `At a pace of ${putt.past.toFixed(2)} m past the hole on a green speed of ${putt.greenSpeed.toFixed(2)} m, the ball reaches the hole at ${arrivalSpeed.toFixed(2)} m/s and cannot drop. It must arrive below ${DROP_SPEED} m/s.`,
  );
}
