import { headEnd, type Hand } from '@/core/people';
import {
  SETTLED,
  type Change,
  type Estimate,
  type Score,
  type Settable,
  type SkillName,
} from '@/core/scoring';
import { settable, settableAlong, showDegrees, type UnitPreferences } from '@/core/units';

/** The skills of the five rulers, in the order in which a putt is made of them. */
export const RULED = ['start', 'face', 'path', 'strike', 'pace'] as const;
export type Ruled = (typeof RULED)[number];

export const SKILL_NAMES: Record<Ruled, string> = {
  start: 'Start line',
  face: 'Face',
  path: 'Path',
  strike: 'Strike',
  pace: 'Pace',
};

/** What it is that lies in the window: "eight in ten …". */
export const SKILL_SAYS: Record<Ruled, string> = {
  start: 'start within',
  face: 'have the face within',
  path: 'are swung within',
  strike: 'are struck within',
  pace: 'roll within',
};

/** The words at the left and the right end of a skill's ruler, in a player's hand; pace runs from short to long. */
export function endsOf(skill: Ruled, hand: Hand): { left: string; right: string } {
  const right = hand === 'right';
  switch (skill) {
    case 'start':
      return right ? { left: 'pull', right: 'push' } : { left: 'push', right: 'pull' };
    case 'face':
      return right ? { left: 'closed', right: 'open' } : { left: 'open', right: 'closed' };
    case 'path':
      return right
        ? { left: 'out-to-in', right: 'in-to-out' }
        : { left: 'in-to-out', right: 'out-to-in' };
    case 'strike':
      return { left: headEnd('left', hand), right: headEnd('right', hand) };
    case 'pace':
      return { left: 'short', right: 'long' };
  }
}

/**
 * A bias as its ruler has it. A head whose middle was right of the ball met it on the left of its face, and the ruler of
 * strike shows the face.
 */
export const ruledBias = (skill: Ruled, { low, middle, high }: Estimate): Estimate =>
  skill === 'strike' ? { low: -high, middle: -middle, high: -low } : { low, middle, high };

/** An amount in the skill's unit, without its sign: "0.81°", "6.2 mm", "9 %". */
export function showAmount(skill: SkillName, amount: number, digits?: number): string {
  const size = Math.abs(amount);
  switch (skill) {
    case 'strike':
    case 'height':
      return `${(size * 1000).toFixed(digits ?? 1)} mm`;
    case 'pace':
      return `${(size * 100).toFixed(digits ?? 0)} %`;
    default:
      return showDegrees(size, digits ?? 2);
  }
}

/** An interval in the skill's unit, told once where a number and its unit are apart: "6.2 to 9.3 mm". */
export function showInterval(skill: SkillName, { low, high }: Estimate): string {
  const near = showAmount(skill, low);
  return `${near.includes(' ') ? near.split(' ')[0] : near} to ${showAmount(skill, high)}`;
}

/** Under this a bias is not worth a word. */
const NOTHING: Record<Ruled, number> = {
  start: 0.0009,
  face: 0.0009,
  path: 0.0035,
  strike: 0.0005,
  pace: 0.01,
};

/** A bias in words: "0.4° push", "2.1 mm toe", "no bias". */
export function skillBias(skill: Ruled, bias: number, hand: Hand): string {
  if (Math.abs(bias) < NOTHING[skill]) return 'no bias';
  const ends = endsOf(skill, hand);
  return `${showAmount(skill, bias, skill === 'pace' ? 0 : 1)} ${bias < 0 ? ends.left : ends.right}`;
}

/** The interval of a bias in words: "0.1° to 0.5° push", or across the middle "0.1° pull to 0.4° push". */
export function skillBiasInterval(skill: Ruled, { low, high }: Estimate, hand: Hand): string {
  const [near, far] = Math.abs(low) < Math.abs(high) ? [low, high] : [high, low];
  const digits = skill === 'pace' ? 0 : 1;
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
    return {
      words: skillBias(skill, ruled.middle, hand),
      interval: skillBiasInterval(skill, ruled, hand),
    };
  }
  const most = Math.max(Math.abs(bias.low), Math.abs(bias.high));
  return { words: 'side unknown', interval: `up to ${showAmount(skill, most, 1)} either way` };
}

/**
 * How a window has changed, with how sure it is: "34 % smaller (99 % sure)". Where only the tees are in doubt, it says what
 * would settle it.
 */
export function changeWords({
  ratio,
  smaller,
  measure,
}: Pick<Change, 'ratio' | 'smaller' | 'measure'>): string {
  const sure = Math.max(smaller, 1 - smaller);
  const percent = Math.min(99, Math.round(sure * 100));
  const size =
    smaller > 0.5
      ? `${Math.round((1 - ratio.middle) * 100)} % smaller`
      : `${Math.round((ratio.middle - 1) * 100)} % wider`;
  if (measure) {
    return `not settled: it looks ${size}, but nobody knows just how the tees stood. Measure the gap`;
  }
  return sure < SETTLED.probability ? 'not clearly changed' : `${size} (${percent} % sure)`;
}

/** Lengths of a gate that this coach can set. */
export const byTape = (units: UnitPreferences): Settable => ({
  across: (metres) => settable(metres, units),
  along: (metres) => settableAlong(metres, units),
});
