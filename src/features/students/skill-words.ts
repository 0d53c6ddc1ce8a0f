import type { Hand } from '@/core/people';
import { quantities, quantityOf, showAmount, showInterval, shownUnit } from '@/core/quantity';
import { SETTLED, type Change, type Estimate, type Score, type Settable } from '@/core/scoring';
import { settable, settableAlong, showChance, type UnitPreferences } from '@/core/units';

export { showAmount, showInterval };

/** A quantity that has a ruler, by its name. */
export type Ruled = string;

/** The rulers that every student has, in the order in which a putt is made of what they show. */
export const RULED = ['start', 'face', 'path', 'strike', 'pace'] as const;

/** All rulers of a player: those that everyone has, and those of which putts have spoken. */
export const ruledOf = (basis: Partial<Record<string, number>>): Ruled[] =>
  quantities()
    .filter(({ id, ruled }) => ruled || (basis[id] ?? 0) > 0)
    .map(({ id }) => id);

export const nameOf = (skill: Ruled): string => quantityOf(skill).name;

/** What the middle of its ruler stands for: what was intended, where it is known what is. */
export function centreOf(skill: Ruled): string {
  const { against, steers, prior, dimension } = quantityOf(skill);
  if (against) return against.replace(/^than /, '');
  return steers || !prior ? 'intended' : `0${shownUnit(dimension).symbol}`;
}

/** What it is that lies in the window: "eight in ten …". */
export const saysOf = (skill: Ruled): string => quantityOf(skill).says;

/** The words at the left and the right end of a skill's ruler, in a player's hand; pace runs from short to long. */
export const endsOf = (skill: Ruled, hand: Hand): { left: string; right: string } =>
  quantityOf(skill).ends(hand);

/**
 * A bias as its ruler has it. A head whose middle was right of the ball met it on the left of its face, and the ruler of
 * strike shows the face.
 */
export const ruledBias = (skill: Ruled, { low, middle, high }: Estimate): Estimate =>
  quantityOf(skill).mirrored ? { low: -high, middle: -middle, high: -low } : { low, middle, high };

/** A bias in words: "0.4° push", "2.1 mm toe", "no bias". */
export function skillBias(skill: Ruled, bias: number, hand: Hand): string {
  const { nothing, digits } = quantityOf(skill);
  if (Math.abs(bias) < nothing) return 'no bias';
  const ends = endsOf(skill, hand);
  return `${showAmount(skill, bias, digits.bias)} ${bias < 0 ? ends.left : ends.right}`;
}

/** The interval of a bias in words: "0.1° to 0.5° push", or across the middle "0.1° pull to 0.4° push". */
export function skillBiasInterval(skill: Ruled, { low, high }: Estimate, hand: Hand): string {
  const [near, far] = Math.abs(low) < Math.abs(high) ? [low, high] : [high, low];
  const digits = quantityOf(skill).digits.bias;
  if (near * far > 0) {
    return `${showAmount(skill, near, digits)} to ${skillBias(skill, far, hand)}`;
  }
  return `${skillBias(skill, near, hand)} to ${skillBias(skill, far, hand)}`;
}

/** A score's bias in words and its interval: "side unknown" where nothing told right from left. */
export function biasOf(
  skill: Ruled,
  { bias, side }: Pick<Score, 'bias' | 'side'>,
  hand: Hand,
): { words: string; interval: string } {
  const ruled = ruledBias(skill, bias);
  if (side !== 'unknown') {
    const { against, nothing } = quantityOf(skill);
    const words = skillBias(skill, ruled.middle, hand);
    return {
      words: against && Math.abs(ruled.middle) >= nothing ? `${words} ${against}` : words,
      interval: skillBiasInterval(skill, ruled, hand),
    };
  }
  const most = Math.max(Math.abs(bias.low), Math.abs(bias.high));
  return { words: 'side unknown', interval: `up to ${showAmount(skill, most, 1)} either way` };
}

type Changed = Pick<Change, 'ratio' | 'smaller' | 'measure'>;

/** What a window does since another, and what that is: "is", "34 % smaller (99 % sure)". */
function changed({
  ratio,
  smaller,
  measure,
}: Changed): [verb: 'is' | 'looks' | 'shows', what: string] {
  const sure = Math.max(smaller, 1 - smaller);
  const size =
    smaller > 0.5
      ? `${Math.round((1 - ratio.middle) * 100)} % smaller`
      : `${Math.round((ratio.middle - 1) * 100)} % wider`;
  if (measure) return ['looks', `${size}; measure the gap to be sure`];
  if (sure < SETTLED.probability) return ['shows', 'no clear change'];
  return ['is', `${size} (${showChance(sure)} sure)`];
}

/**
 * How a window has changed, with how sure it is: "34 % smaller (99 % sure)". Where only the tees are in doubt, it says what
 * would settle it.
 */
export function changeWords(change: Changed): string {
  const [verb, what] = changed(change);
  return verb === 'looks' ? `it looks ${what}` : what;
}

/** The same as what the window does in a sentence: "the window {shows no clear change}". */
export const windowSince = (change: Changed): string => changed(change).join(' ');

/** Lengths of a gate that this coach can set. */
export const byTape = (units: UnitPreferences): Settable => ({
  across: (metres) => settable(metres, units),
  along: (metres) => settableAlong(metres, units),
});
