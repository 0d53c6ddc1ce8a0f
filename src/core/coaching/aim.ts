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
/** What is known of aim and of start is independent: their points are paired by a step that has no factor in common with their number. */
const STEP = 151;

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
  const count = start.bias.length;
  const aimed = start.bias.map((_, i) => aim.bias[(i * STEP) % count]!);
  const added = start.bias.map((bias, i) => bias - aimed[i]!);
  let hidden = 0;
  for (let i = 0; i < count; i++) {
    const apart = aimed[i]! * added[i]! < 0;
    hidden += Number(apart && Math.abs(aimed[i]!) > OFF && Math.abs(added[i]!) > OFF) / count;
  }
  return {
    aim: estimateOf(aimed),
    stroke: estimateOf(added),
    start: estimateOf(start.bias),
    hidden,
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
    : 'aims straight, so far as can be told';
  const misses = `${missWord(side(stroke.middle), hand)}${missWord(side(stroke.middle), hand) === 'push' ? 'es' : 's'} ${amount(stroke)}`;
  const adds = off(stroke) ? misses : null;
  const sentence = !adds
    ? `${aims}; the stroke adds nothing that can be told`
    : !off(aim)
      ? `${aims}; it is the stroke that ${misses}`
      : aim.middle * stroke.middle > 0
        ? `${aims}, and the stroke ${misses} more`
        : `${aims}, then ${misses}${hidden > SURE ? ': the two hide each other' : ''}`;
  const aimedFrom = `${showDegrees(Math.abs(aim.low), 1)} ${side(aim.low)} to ${showDegrees(Math.abs(aim.high), 1)} ${side(aim.high)}`;
  return {
    sentence,
    basis: `${looks} looks at the aim; 80 % intervals: aim ${aimedFrom}, stroke ${biasIntervalWords(stroke, hand)}`,
  };
}
