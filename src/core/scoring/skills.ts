import { quantities } from '@/core/quantity';
import { SKILLS, type ByQuantity } from './by-quantity';
import { marginal, rootOf, type Belief } from './gaussian';
import { partsOf } from './latents';
import { normals } from './normals';
import { eightInTenWindow } from './window';

/** A number that never goes without its interval: the median and the ends of the 80 % interval. */
export interface Estimate {
  middle: number;
  low: number;
  high: number;
}

/** The share of probability that every interval holds. */
export const INTERVAL_SHARE = 0.8;
const TAIL = (1 - INTERVAL_SHARE) / 2;

/** One quantity, in SI, against what is intended. */
export interface Score {
  bias: Estimate;
  spread: Estimate;
  /** Half-width, centred on the target, that holds eight putts in ten. */
  window: Estimate;
  /** Nothing told right from left: the bias may have either sign. */
  side?: 'unknown';
}

export type Scores = ByQuantity<Score>;

/** Points that a belief is read from. */
const POINTS = 400;

/** Bias and spread of a skill at points of a belief, always at the same quantiles. */
export interface SkillPoints {
  bias: Float64Array;
  spread: Float64Array;
}

/** Where a skill's parameters are. */
export const skillIndices = (skill: string): number[] =>
  partsOf(skill, 0).flatMap(({ at }) => [at, at + 1]);

/** Bias and spread of a skill at points of its parameters. */
export function pointsAt(
  points: readonly Float64Array[],
  skill: string,
  faceShare: number,
): SkillPoints {
  const shares = partsOf(skill, faceShare).map(({ share }) => share);
  const [bias, spread] = [new Float64Array(points.length), new Float64Array(points.length)];
  points.forEach((at, i) => {
    let [sum, squares] = [0, 0];
    shares.forEach((share, j) => {
      sum += share * at[2 * j]!;
      squares += (share * Math.exp(at[2 * j + 1]!)) ** 2;
    });
    bias[i] = sum;
    spread[i] = Math.sqrt(squares);
  });
  return { bias, spread };
}

/**
 * How much wider than the model a skill is told. Strikes of players whose tails are heavier than a normal's (t, 4 degrees of
 * freedom) are held by 73 % of the model's own intervals: drills ask for them in the tail, in misses by a few millimetres.
 */
const WIDENED: Partial<Record<string, number>> = { strike: 1.06 };

/**
 * What a belief says of one skill, as evenly spread points.
 *
 * @param belief of all parameters
 * @param skill which
 * @param faceShare how much of the start direction is the face's
 */
export function pointsOf(belief: Belief, skill: string, faceShare: number): SkillPoints {
  const indices = skillIndices(skill);
  const { mean, covariance } = marginal(belief, indices);
  const root = rootOf(covariance)
    .mul(WIDENED[skill] ?? 1)
    .to2DArray();
  const points = normals(POINTS, indices.length).map((draw) =>
    mean.map((value, j) => {
      let sum = value;
      for (let k = 0; k <= j; k++) sum += root[j]![k]! * draw[k]!;
      return sum;
    }),
  );
  const found = pointsAt(points, skill, faceShare);
  if (belief.side !== 'unknown' || (skill !== 'start' && skill !== 'face')) return found;
  return { ...found, bias: found.bias.map((bias, i) => (i % 2 === 0 ? bias : -bias)) };
}

/** Median and 80 % interval of some values, all equally likely. */
export function estimateOf(values: Float64Array): Estimate {
  const sorted = Float64Array.from(values).sort();
  const at = (share: number) => {
    const place = share * sorted.length - 0.5;
    const below = Math.min(Math.max(Math.floor(place), 0), sorted.length - 2);
    return sorted[below]! + (place - below) * (sorted[below + 1]! - sorted[below]!);
  };
  return { low: at(TAIL), middle: at(0.5), high: at(1 - TAIL) };
}

/** The window in spreads by the bias in spreads, from none to the last; beyond it the window is the bias and a constant. */
const STEP = 1 / 64;
const LAST = 4;
const WINDOWS = Float64Array.from({ length: LAST / STEP + 2 }, (_, i) =>
  eightInTenWindow(i * STEP, 1),
);
const BEYOND = eightInTenWindow(LAST, 1) - LAST;

/** The eight-in-ten windows of some points, from a table: exact to a hundred-thousandth of the spread. */
export function windowsOf({ bias, spread }: SkillPoints): Float64Array {
  const windows = WINDOWS;
  return bias.map((one, i) => {
    const shift = Math.abs(one) / spread[i]!;
    if (shift >= LAST) return spread[i]! * (shift + BEYOND);
    const place = shift / STEP;
    const before = Math.floor(place);
    const here = windows[before]!;
    return spread[i]! * (here + (place - before) * (windows[before + 1]! - here));
  });
}

/** One skill, summed up. */
export function scoreOf(points: SkillPoints): Score {
  return {
    bias: estimateOf(points.bias),
    spread: estimateOf(points.spread),
    window: estimateOf(windowsOf(points)),
  };
}

/**
 * All quantities of which something is known, summed up.
 *
 * @param belief of all parameters
 * @param faceShare how much of the start direction is the face's
 * @param told putts that say something of each; all that have a register's entry where left out
 */
export function scoresOf(
  belief: Belief,
  faceShare: number,
  told?: Partial<Record<string, number>>,
): Scores {
  return Object.fromEntries(
    quantities()
      .filter(({ id }) => SKILLS.some((skill) => skill === id) || !told || (told[id] ?? 0) > 0)
      .map(({ id: skill }) => {
        const score = scoreOf(pointsOf(belief, skill, faceShare));
        const sided = belief.side !== 'unknown' || (skill !== 'start' && skill !== 'face');
        return [skill, sided ? score : { ...score, side: 'unknown' as const }];
      }),
  ) as Scores;
}
