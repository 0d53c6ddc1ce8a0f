import { marginals, type Belief } from './belief';
import { BIASES, BIAS_STEP, LOG_SPREADS, LOG_SPREAD_STEP, windowTable } from './grid';

/** A number that never goes without its interval: the median and the ends of the 80 % interval. */
export interface Estimate {
  middle: number;
  low: number;
  high: number;
}

/** The share of probability that every interval holds. */
export const INTERVAL_SHARE = 0.8;

/** A player's start line, in radians, right positive. */
export interface Score {
  bias: Estimate;
  spread: Estimate;
  /** Half-width, centred on the target, that holds eight putts in ten. */
  window: Estimate;
}

const TAIL = (1 - INTERVAL_SHARE) / 2;
const LEVELS = [TAIL, 0.5, 1 - TAIL] as const;

/**
 * Sums a belief up: median and 80 % interval of bias, spread and eight-in-ten window.
 *
 * @param belief a belief over the grid
 * @returns radians
 */
export function score(belief: Belief): Score {
  const { bias, logSpread } = marginals(belief);
  const spread = estimate((level) => binQuantile(logSpread, LOG_SPREADS, LOG_SPREAD_STEP, level));
  return {
    bias: estimate((level) => binQuantile(bias, BIASES, BIAS_STEP, level)),
    spread: {
      middle: Math.exp(spread.middle),
      low: Math.exp(spread.low),
      high: Math.exp(spread.high),
    },
    window: windowEstimate(belief),
  };
}

function estimate(quantile: (level: number) => number): Estimate {
  const [low, middle, high] = LEVELS.map(quantile) as [number, number, number];
  return { low, middle, high };
}

/** Quantile of a histogram whose bins are centred on `values`, straight within a bin. */
function binQuantile(
  weights: Float64Array,
  values: Float64Array,
  step: number,
  level: number,
): number {
  let sum = 0;
  for (let i = 0; i < weights.length; i++) {
    const weight = weights[i]!;
    if (sum + weight >= level) return values[i]! + ((level - sum) / weight - 0.5) * step;
    sum += weight;
  }
  return values[values.length - 1]!;
}

/** Quantiles of the window, over the cells in order of their window. */
function windowEstimate(belief: Belief): Estimate {
  const { windows, cells, mirrors } = windowTable();
  const found: number[] = [];
  let sum = 0;
  let before = windows[0]!;
  for (let k = 0; k < cells.length && found.length < LEVELS.length; k++) {
    const cell = cells[k]!;
    const mirror = mirrors[k]!;
    const weight = cell === mirror ? belief[cell]! : belief[cell]! + belief[mirror]!;
    const here = windows[k]!;
    while (found.length < LEVELS.length && sum + weight >= LEVELS[found.length]!) {
      found.push(before + ((here - before) * (LEVELS[found.length]! - sum)) / weight);
    }
    sum += weight;
    before = here;
  }
  const [low = before, middle = before, high = before] = found;
  return { low, middle, high };
}
