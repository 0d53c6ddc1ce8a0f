import { aimFor } from './aim';
import { GRADE_RANGE, HOLE_RADIUS } from './constants';
import type { Slope } from './plane';
import type { Putt } from './putt';

/** How far beside the hole the start line passes on a grade, m, or infinitely far when the slope holds no pace. */
function breakOn(putt: Putt, slope: Slope): number {
  try {
    return Math.abs(aimFor({ ...putt, slope }).beside);
  } catch (error) {
    if (error instanceof RangeError) return Infinity;
    throw error;
  }
}

/**
 * The slope that makes a putt break as much as a coach says: "two cups, right to left".
 *
 * The grade is sought between level and 8 % with the putt's own direction of fall, turned to the side asked for; a
 * putt that falls straight up or down, or not at all, falls square across.
 *
 * @param putt on one plane; its grade is not used
 * @param cups start line beside the hole in hole widths, 0 or more
 * @param towards the side the ball breaks to
 * @returns the slope
 * @throws RangeError when no believed grade breaks that much
 */
export function slopeForBreak(putt: Putt, cups: number, towards: 'left' | 'right'): Slope {
  const side = towards === 'left' ? -1 : 1;
  const aside = Math.abs(Math.sin(putt.slope.falls));
  const crosses = putt.slope.grade > 0 && aside > 0.05;
  const falls = side * (crosses ? Math.abs(putt.slope.falls) : Math.PI / 2);
  const wanted = cups * 2 * HOLE_RADIUS;
  let low = 0;
  let high: number = GRADE_RANGE.max;
  const most = breakOn(putt, { grade: high, falls });
  if (most < wanted) {
    throw new RangeError(
      `A break of ${cups} cups would need a slope above ${GRADE_RANGE.max * 100} %. This putt can break at most ${(most / (2 * HOLE_RADIUS)).toFixed(1)} cups.`,
    );
  }
  while (high - low > 1e-9) {
    const middle = (low + high) / 2;
    if (breakOn(putt, { grade: middle, falls }) < wanted) low = middle;
    else high = middle;
  }
  return { grade: low, falls };
}
