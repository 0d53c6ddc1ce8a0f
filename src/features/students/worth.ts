import 'server-only';
import { READS_ENOUGH, gains, worthByDistance, type Gain, type Worth } from '@/core/coaching';
import { FLAT } from '@/core/green';
import type { Layout } from '@/core/layout';
import { pointsOf, type SessionScore } from '@/core/scoring';
import { FOOT, type UnitPreferences } from '@/core/units';

/** Distances asked of, as a coach counts them. */
const DISTANCES = {
  imperial: [3, 4, 5, 6, 8, 10, 15, 20].map((feet) => feet * FOOT),
  metric: [1, 1.2, 1.5, 2, 2.5, 3, 4.5, 6],
};

/** What the skills are worth in putts made. */
export interface WorthTold {
  now: Worth[];
  /** At first; null while there is one session only. */
  first: Worth[] | null;
  /** What a fifth less spread would bring, the larger first; null while pace is not known. */
  gains: Gain[] | null;
  /** The distance that the gains are of, m. */
  reference: number;
  /** Whether the reads are this player's own, or assumed. */
  ownReads: boolean;
}

/**
 * What the skills are worth in putts made, now and at first.
 *
 * @param scores in order of time, at least one
 * @param layout whose green and pace are taken
 * @returns null while there is no data on the start line: the prior is not a finding
 */
export function worthOf(
  scores: SessionScore[],
  layout: Layout,
  units: UnitPreferences,
  faceShare: number,
): WorthTold | null {
  if (scores.every(({ basis }) => basis.start === 0)) return null;
  const [first, last] = [scores[0]!, scores.at(-1)!];
  const distances = DISTANCES[units.long];
  // Where putts are worth most to make: short ones go in, long ones seldom.
  const reference = distances[4]!;
  const putt = { ...layout.putt, slope: FLAT, tiers: [], distance: reference };
  const reads = scores.reduce((sum, { basis }) => sum + (basis.reading ?? 0), 0);
  const ownReads = reads >= READS_ENOUGH;
  const at = ({ belief }: SessionScore) => ({
    start: pointsOf(belief.smoothed, 'start', faceShare),
    pace: pointsOf(belief.smoothed, 'pace', faceShare),
    reading: ownReads ? pointsOf(belief.smoothed, 'reading', faceShare) : null,
  });
  const [now, then] = [at(last), at(first)];
  const paceKnown = scores.some(({ basis }) => basis.pace > 0);
  return {
    now: worthByDistance(putt, now.start, now.pace, distances, now.reading),
    first:
      first === last ? null : worthByDistance(putt, then.start, then.pace, distances, then.reading),
    gains: paceKnown ? gains(putt, now.start, now.pace, now.reading) : null,
    reference,
    ownReads,
  };
}
