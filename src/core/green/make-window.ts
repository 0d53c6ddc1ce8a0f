import { captureHalfWidth, captureSpeed } from './capture';
import { DROP_SPEED, HOLE_RADIUS } from './constants';
import type { Putt } from './putt';
import { rollingDeceleration, speedAfter, startSpeedFor } from './roll';

/** What is holed around the intended start of a putt. */
export interface MakeWindow {
  /** Intended start speed, m/s. */
  startSpeed: number;
  /** Speed at the hole's centre of the intended putt, m/s. */
  arrivalSpeed: number;
  /** Share of the hole that is usable at that speed, 0 to 1. */
  shareOfHole: number;
  /** Start directions holed at the intended speed: this far left of the line, rad. */
  left: number;
  /** Start directions holed at the intended speed: this far right of the line, rad. */
  right: number;
  /** Slowest and fastest start speed holed on the intended line, m/s. */
  slowest: number;
  fastest: number;
}

/**
 * Whether a straight putt on the flat is holed.
 *
 * At the closest approach to the centre, `d cos θ` along the roll and `d sin θ` off the centre, the ball
 * drops when it is no faster than the capture speed there; a ball that stops within the hole's radius drops.
 *
 * @param putt the putt (its pace is not used)
 * @param startSpeed m/s
 * @param direction start direction from the line, rad, right positive
 */
export function isHoled(putt: Putt, startSpeed: number, direction: number): boolean {
  const deceleration = rollingDeceleration(putt.greenSpeed);
  const along = putt.distance * Math.cos(direction);
  const offset = putt.distance * Math.sin(Math.abs(direction));
  const rolls = startSpeed ** 2 / (2 * deceleration);
  if (rolls < along) return Math.hypot(along - rolls, offset) <= HOLE_RADIUS;
  return (
    offset < HOLE_RADIUS && speedAfter(startSpeed, along, deceleration) <= captureSpeed(offset)
  );
}

/**
 * The make window of a straight putt on the flat at its intended pace.
 *
 * The direction limit solves `d sin θ = δ(v(d cos θ))`; it is found by fixed-point iteration, which
 * contracts by the small change of arrival speed with direction.
 *
 * @param putt distance 0.3 to 40 m, green speed 1.2 to 5 m, run past the hole 0 to 3 m
 * @returns the window; symmetric, since the green is flat
 * @throws RangeError when the pace is too firm for the ball to drop at all
 */
export function makeWindow(putt: Putt): MakeWindow {
  const deceleration = rollingDeceleration(putt.greenSpeed);
  const startSpeed = startSpeedFor(putt.distance + putt.past, deceleration);
  const arrivalSpeed = speedAfter(startSpeed, putt.distance, deceleration);
  if (arrivalSpeed >= DROP_SPEED) {
    throw new RangeError(
      `At ${putt.past.toFixed(2)} m past on a ${putt.greenSpeed.toFixed(2)} m green the ball arrives at ${arrivalSpeed.toFixed(2)} m/s and cannot drop: below ${DROP_SPEED} m/s is needed.`,
    );
  }
  let direction = 0;
  for (let step = 0; step < 8; step++) {
    const speed = speedAfter(startSpeed, putt.distance * Math.cos(direction), deceleration);
    direction = Math.asin(captureHalfWidth(speed) / putt.distance);
  }
  return {
    startSpeed,
    arrivalSpeed,
    shareOfHole: captureHalfWidth(arrivalSpeed) / HOLE_RADIUS,
    left: direction,
    right: direction,
    slowest: startSpeedFor(putt.distance - HOLE_RADIUS, deceleration),
    fastest: Math.sqrt(DROP_SPEED ** 2 + 2 * deceleration * putt.distance),
  };
}
