import { Matrix, inverse } from 'ml-matrix';
import { normalBelow } from '@/core/numbers';
import type { Moments } from '@/core/scoring';

/** What one session says of something, so many days after a change; before it below 0. */
export interface Dated extends Moments {
  day: number;
}

/** A step at a change, beside the trend that was there anyway. */
export interface Step {
  /** The step and its standard deviation, in the unit of what is tracked. */
  step: number;
  deviation: number;
  /** How likely it is a step down. */
  down: number;
}

/** How fast the log of a window usually runs down or up: to half in ten weeks, one standard deviation. */
const SLOPE = Math.log(2) / 70;
/** How large a step usually is. */
const STEP = 0.4;
/** How much the same player differs from day to day. */
const DAY_TO_DAY = 0.1;

/**
 * Tells a step at a change from the trend of a player who improves anyway: level, slope and step are fitted together to the
 * sessions before and after (interrupted time series; Wagner and others 2002), slope and step each held to what is usual.
 *
 * @param sessions what each says, with the days since the change
 * @returns the step that is left once the trend is taken out
 */
export function stepBesideTrend(sessions: readonly Dated[]): Step {
  const rows = sessions.map(({ day }) => [1, day, day >= 0 ? 1 : 0]);
  const weights = sessions.map(({ variance }) => 1 / (variance + DAY_TO_DAY ** 2));
  const precision = Matrix.diag([0, 1 / SLOPE ** 2, 1 / STEP ** 2]);
  const pull = [0, 0, 0];
  rows.forEach((row, i) =>
    row.forEach((x, j) => {
      pull[j]! += weights[i]! * x * sessions[i]!.mean;
      row.forEach((y, k) => precision.set(j, k, precision.get(j, k) + weights[i]! * x * y));
    }),
  );
  const covariance = inverse(precision);
  const step = covariance.mmul(Matrix.columnVector(pull)).get(2, 0);
  const deviation = Math.sqrt(covariance.get(2, 2));
  return { step, deviation, down: normalBelow(-step / deviation) };
}
