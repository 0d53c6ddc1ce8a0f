import { showChance } from '@/core/units';

/** How a drill's difficulty suits a player on the day. */
export interface GateFit {
  verdict: 'too hard' | 'too easy' | 'fits' | 'unknown';
  /** Putts that it rests on, and how many of them passed. */
  passed: number;
  of: number;
  /** Of the verdict; null while it is unknown. */
  probability: number | null;
}

/** The success rate that teaches: below it a player loses heart, above it nothing is learnt. */
export const TEACHING = { least: 0.5, most: 0.9 } as const;
/** How sure one must be to interrupt a coach. */
const SURE = 0.85;
/** Fewer putts than this are a bad start, no verdict. */
const ENOUGH = 6;
/** Older putts say what the player was, not what they are today. */
const LATELY = 20;

/**
 * The probability that a success rate is below a share, after some putts: the uniform prior's Beta posterior, which for
 * whole numbers is a binomial tail, P(Beta(k+1, n-k+1) < x) = P(Bin(n+1, x) > k).
 *
 * @param share 0 to 1
 * @param passed 0 to `of`
 * @param of putts, 0 or more
 */
export function rateBelow(share: number, passed: number, of: number): number {
  const trials = of + 1;
  if (share <= 0) return 0;
  if (share >= 1) return 1;
  let term = (1 - share) ** trials;
  let upTo = 0;
  for (let k = 0; k <= passed; k++) {
    upTo += term;
    term *= ((trials - k) / (k + 1)) * (share / (1 - share));
  }
  return Math.min(1, Math.max(0, 1 - upTo));
}

/**
 * Whether a drill is much too hard or much too easy as it stands: the success rate is very likely under a half, or
 * over nine in ten.
 *
 * @param passes whether each putt passed, null where nobody saw, in order; the last twenty that were seen count
 */
export function gateFit(passes: readonly (boolean | null)[]): GateFit {
  const lately = passes.filter((one) => one !== null).slice(-LATELY);
  const of = lately.length;
  const passed = lately.filter(Boolean).length;
  const hard = rateBelow(TEACHING.least, passed, of);
  const easy = 1 - rateBelow(TEACHING.most, passed, of);
  if (of < ENOUGH) return { verdict: 'unknown', passed, of, probability: null };
  if (hard >= SURE) return { verdict: 'too hard', passed, of, probability: hard };
  if (easy >= SURE) return { verdict: 'too easy', passed, of, probability: easy };
  const within = 1 - hard - easy;
  if (within >= SURE) return { verdict: 'fits', passed, of, probability: within };
  return { verdict: 'unknown', passed, of, probability: null };
}

/** The verdict with its numbers, as a coach would say it; null when there is nothing to say. */
export function gateFitWords({ verdict, passed, of, probability }: GateFit): string | null {
  if (probability === null) return null;
  const counted = `Passed ${passed} of the last ${of}`;
  switch (verdict) {
    case 'too hard':
      return `${counted}: too hard today (${showChance(probability)} sure that the pass rate is under half).`;
    case 'too easy':
      return `${counted}: too easy to teach much now (${showChance(probability)} sure that the pass rate is over 9 in 10).`;
    case 'fits':
      return `${counted}: the right difficulty for learning.`;
    case 'unknown':
      return null;
  }
}
