import { makeWindow } from '@/core/green';
import type { Layout } from '@/core/layout';
import type { Hand } from '@/core/people';
import { missWord, scoreBias, scoreBiasInterval, type Score } from '@/core/scoring';
import { showDegrees, showLength, type UnitPreferences } from '@/core/units';
import { Ruler } from '@/ui/ruler';

/** A start line on its ruler, against the hole of the putt it was last trained on. */
export function ScoreRuler({
  name,
  basis,
  score,
  hand,
  layout,
  units,
  reach,
}: {
  name: string;
  basis: string;
  score: Score;
  hand: Hand;
  layout: Layout;
  units: UnitPreferences;
  /** Half of the ruler at least, rad. */
  reach?: number;
}) {
  const { left, right } = makeWindow(layout.putt);
  const { window } = score;
  return (
    <Ruler
      name={name}
      basis={basis}
      reach={reach}
      window={window}
      bias={score.bias}
      allowed={{ left, right, label: `${showLength(layout.putt.distance, 'putt', units)} hole` }}
      ends={{ left: missWord('left', hand), right: missWord('right', hand) }}
      value={`±${showDegrees(window.middle)}`}
      interval={`${showDegrees(window.low)} to ${showDegrees(window.high)}`}
      words={`${scoreBias(score, hand)} (${scoreBiasInterval(score, hand)})`}
    />
  );
}
