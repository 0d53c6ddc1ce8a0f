import { DEGREE } from '@/core/units';
import { BIASES, BIAS_STEP, LOG_SPREADS, LOG_SPREAD_STEP, SPREADS, cellOf, overGrid } from './grid';
import { normalBelow } from '@/core/numbers';

// Taken once: a look-up of the global in the innermost loop costs more than the arithmetic.
const { exp, log } = Math;

/** What is believed of a player's start line: a probability for each cell of the (bias, log spread) grid. */
export type Belief = Float64Array;

/** A start direction known to lie between two bounds (rad, right positive, ±Infinity allowed), `count` times. */
export interface Observation {
  lower: number;
  upper: number;
  count: number;
}

/**
 * The mild prior: bias N(0, 1°), log spread N(log 1.2°, 0.7), independent. Eight in ten players are taken to
 * have a bias within 1.3° and a spread between 0.5° and 2.9°. Chosen to hold beginners and masters alike; the
 * calibration test says whether it may stay.
 */
export const PRIOR = { biasSpread: 1 * DEGREE, middleSpread: 1.2 * DEGREE, logSpreadSpread: 0.7 };

/**
 * How far a player wanders: standard deviation of the daily step of bias (rad) and of log spread. Set between
 * simulated players who stay as they are (covered too often, 0.9) and players whose window halves in ten weeks
 * (covered 0.75 of the time).
 */
export const DAILY_STEP = { bias: 0.05 * DEGREE, logSpread: 0.04 };

/** Share of putts that are anything-goes slips, and how widely those start, rad. */
export const SLIP = { share: 0.01, spread: 6 * DEGREE };

/** The belief before any putt. */
export function priorBelief(): Belief {
  return normalise(
    overGrid((bias, spread) => {
      const b = bias / PRIOR.biasSpread;
      const s = Math.log(spread / PRIOR.middleSpread) / PRIOR.logSpreadSpread;
      return Math.exp(-(b * b + s * s) / 2);
    }),
  );
}

/**
 * Takes in interval-censored evidence (`P = (1-ε) [Φ((u-β)/σ) - Φ((l-β)/σ)] + ε P_slip`), equal intervals at once.
 * The order of the evidence does not matter.
 *
 * @param belief before
 * @param observations intervals in rad with their counts
 * @param edges memory of Φ on the grid by bound, to share between calls on the same gates
 * @returns the belief after
 */
export function observe(
  belief: Belief,
  observations: Observation[],
  edges = new EdgeTable(),
): Belief {
  const logs = new Float64Array(belief.length);
  for (const { lower, upper, count } of observations) {
    if (!(lower < upper))
      throw new RangeError(`An interval from ${lower} to ${upper} rad holds no direction.`);
    addLogChances(logs, edges.at(lower), edges.at(upper), slipChance(lower, upper), count);
  }
  let top = -Infinity;
  for (let cell = 0; cell < logs.length; cell++) {
    if (belief[cell]! > 0 && logs[cell]! > top) top = logs[cell]!;
  }
  const after = new Float64Array(belief.length);
  for (let cell = 0; cell < logs.length; cell++) {
    if (belief[cell]! > 0) after[cell] = belief[cell]! * exp(logs[cell]! - top);
  }
  return normalise(after);
}

const slipChance = (lower: number, upper: number): number =>
  SLIP.share * (normalBelow(upper / SLIP.spread) - normalBelow(lower / SLIP.spread));

function addLogChances(
  logs: Float64Array,
  below: Float64Array,
  above: Float64Array,
  slip: number,
  count: number,
): void {
  const share = 1 - SLIP.share;
  for (let cell = 0; cell < logs.length; cell++) {
    logs[cell]! += count * log(share * (above[cell]! - below[cell]!) + slip);
  }
}

/** Φ((bound - β)/σ) over the grid for each bound asked for, each worked out once. */
export class EdgeTable {
  private readonly known = new Map<number, Float64Array>();

  at(bound: number): Float64Array {
    const known = this.known.get(bound);
    if (known) return known;
    const edge = overGrid((bias, spread) => normalBelow((bound - bias) / spread));
    this.known.set(bound, edge);
    return edge;
  }
}

/** The longest time over which a belief is still carried; after it the player is as good as new, days. */
const LONGEST = 730;
/** Under this a cell counts as empty: it cannot be seen in any score, and subnormal numbers are slow. */
const EMPTY = 1e-60;

/**
 * Carries a belief over days without putts: a random walk of bias and log spread, as a smoothing of the grid.
 * The edges of the grid reflect, so that no probability is lost.
 *
 * @param belief before
 * @param days 0 or more; fractions of a day count
 * @returns the wider belief
 */
export function carry(belief: Belief, days: number): Belief {
  const span = Math.min(Math.max(days, 0), LONGEST);
  const columns = SPREADS.length;
  const overBias = walkKernel((span * DAILY_STEP.bias ** 2) / BIAS_STEP ** 2);
  const overSpread = walkKernel((span * DAILY_STEP.logSpread ** 2) / LOG_SPREAD_STEP ** 2);
  const half = smooth(belief, overSpread, BIASES.length, columns, columns, 1);
  return smooth(half, overBias, columns, BIASES.length, 1, columns);
}

/**
 * Weights of a random walk's end, in grid steps from its start: exact in variance when small, a sampled normal
 * distribution (whose variance is right to 1e-4 from half a step on) when large.
 */
function walkKernel(variance: number): Float64Array {
  if (variance <= 0.5) return Float64Array.of(variance / 2, 1 - variance, variance / 2);
  const reach = Math.ceil(5 * Math.sqrt(variance));
  const weights = Float64Array.from({ length: 2 * reach + 1 }, (_, k) =>
    Math.exp(-((k - reach) ** 2) / (2 * variance)),
  );
  return normalise(weights);
}

/** Smooths each of `lines` lines of `length` cells; `skip` leads from line to line, `step` along a line. */
function smooth(
  belief: Belief,
  kernel: Float64Array,
  lines: number,
  length: number,
  skip: number,
  step: number,
): Belief {
  const reach = (kernel.length - 1) / 2;
  const smoothed = new Float64Array(belief.length);
  for (let line = 0; line < lines; line++) {
    const start = line * skip;
    for (let k = 0; k < length; k++) {
      const here = belief[start + k * step]!;
      if (here < EMPTY) continue;
      for (let by = -reach; by <= reach; by++) {
        const to = k + by;
        const inside = to >= 0 && to < length ? to : reflect(to, length);
        smoothed[start + inside * step]! += here * kernel[by + reach]!;
      }
    }
  }
  return smoothed;
}

function reflect(index: number, length: number): number {
  const period = 2 * length;
  const inside = ((index % period) + period) % period;
  return inside < length ? inside : period - 1 - inside;
}

function normalise(belief: Belief): Float64Array<ArrayBuffer> {
  let total = 0;
  for (let cell = 0; cell < belief.length; cell++) total += belief[cell]!;
  const least = EMPTY * total;
  const whole = new Float64Array(belief.length);
  for (let cell = 0; cell < belief.length; cell++) {
    const here = belief[cell]!;
    if (here > least) whole[cell] = here / total;
  }
  return whole;
}

/** Probability of each bias value, and of each log spread value. */
export function marginals(belief: Belief): { bias: Float64Array; logSpread: Float64Array } {
  const bias = new Float64Array(BIASES.length);
  const logSpread = new Float64Array(LOG_SPREADS.length);
  for (let i = 0; i < bias.length; i++) {
    for (let j = 0; j < logSpread.length; j++) {
      const weight = belief[cellOf(i, j)]!;
      bias[i]! += weight;
      logSpread[j]! += weight;
    }
  }
  return { bias, logSpread };
}
