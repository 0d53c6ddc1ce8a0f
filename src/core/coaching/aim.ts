import type { Hand } from '@/core/people';
import { quantityOf } from '@/core/quantity';
import {
  biasIntervalWords,
  estimateOf,
  missWord,
  type Estimate,
  type SkillPoints,
} from '@/core/scoring';
import { showDegrees } from '@/core/units';
import { differenceOfDraws } from './difference-of-draws';

/** Where a player aims, and what the stroke adds to it: together they are where the ball starts. Rad, right positive. */
export interface AimAndStroke {
  aim: Estimate;
  stroke: Estimate;
  start: Estimate;
  /** How likely both are off, to opposite sides. */
  hidden: number;
  /** Looks that the aim rests on. */
  looks: number;
}

/** Fewer looks, or fewer starts, than this tell nothing apart. */
const ENOUGH = 10;
/** Off by less than this is not off, rad: a quarter of a degree. */
const OFF = Math.PI / 720;
/** Surer than this it is said that the two hide each other. */
const SURE = 0.8;

/**
 * Tells the aim from the stroke: the start is where it was aimed, and what the stroke adds. What the stroke adds is found
 * as the difference of the two biases, each as it is known.
 *
 * @param points what is known of the player, as evenly likely values
 * @param basis putts that say something of each quantity
 * @returns null where the aim was not looked at often enough, or no start was seen
 * @example tellAim(points, basis)?.stroke.middle // 0.0105: pushed by 0.6°
 */
export function tellAim(
  points: Partial<Record<string, SkillPoints>>,
  basis: Partial<Record<string, number>>,
): AimAndStroke | null {
  const { aim, start } = points;
  const looks = basis.aim ?? 0;
  if (!aim || !start || looks < ENOUGH || (basis.start ?? 0) < ENOUGH) return null;
  const { taken: aimed, left: added } = differenceOfDraws(start, aim);
  const hiding = aimed.filter(
    (value, i) => value * added[i]! < 0 && Math.min(Math.abs(value), Math.abs(added[i]!)) > OFF,
  );
  return {
    aim: estimateOf(aimed),
    stroke: estimateOf(added),
    start: estimateOf(start.bias),
    hidden: hiding.length / aimed.length,
    looks,
  };
}

/** Whether an interval leaves no doubt of its side. */
const sided = ({ low, high }: Estimate): boolean => low * high > 0;

const side = (value: number): 'left' | 'right' => (value < 0 ? 'left' : 'right');

/**
 * Aim and stroke in words: "aims 0.8° left, then pushes 0.6°: the two hide each other".
 *
 * @param told by {@link tellAim}
 * @param hand the player's
 * @returns what follows a player's name, and the intervals it rests on
 */
export function aimWords(
  { aim, stroke, hidden, looks }: AimAndStroke,
  hand: Hand,
): { sentence: string; basis: string } {
  const { nothing } = quantityOf('aim');
  const off = (estimate: Estimate) => sided(estimate) && Math.abs(estimate.middle) > nothing;
  const amount = ({ middle }: Estimate) => showDegrees(Math.abs(middle), 1);
  const aims = off(aim)
    ? `aims ${amount(aim)} ${side(aim.middle)}`
    : 'aims straight, on the putts so far';
  const does = { push: 'pushes', pull: 'pulls' }[missWord(side(stroke.middle), hand)];
  const misses = `${does} ${amount(stroke)}`;
  const sentence = !off(stroke)
    ? `${aims}; the stroke shows no clear push or pull`
    : !off(aim)
      ? `${aims}, but the stroke ${misses}`
      : aim.middle * stroke.middle > 0
        ? `${aims}, and the stroke ${misses} further`
        : `${aims}, then ${misses}${hidden > SURE ? ', and each error hides the other' : ''}`;
  const aimedFrom = `${showDegrees(Math.abs(aim.low), 1)} ${side(aim.low)} to ${showDegrees(Math.abs(aim.high), 1)} ${side(aim.high)}`;
  return {
    sentence,
    basis: `Based on ${looks} aim checks. 80 % intervals: aim ${aimedFrom}, stroke ${biasIntervalWords(stroke, hand)}`,
  };
}
