import type { Translate } from '@/words/translate';
import { measuredAs, type Rung, type RungStrictness } from '@/core/layout';
import { roughLength, showDegrees, showLength, type UnitPreferences } from '@/core/units';

/** The one number a rung changes. */
export function rungWords(rung: Rung, units: UnitPreferences): string {
  if (rung.putt !== undefined) return `${showLength(rung.putt, 'putt', units)} putt`;
  const [field, value] = Object.entries(Object.values(rung.set)[0] ?? {})[0] ?? [];
  if (field === undefined || value === undefined) return 'as designed';
  return `${field === 'air' ? 'clearance' : field} ${showLength(value, measuredAs(field), units)}`;
}

/** What a rung lets through, in its own unit. */
export function strictnessOfRung(
  t: Translate,
  { quantity, tolerance }: RungStrictness,
  units: UnitPreferences,
): string {
  switch (quantity) {
    case 'strike':
      return t('drills.rungWords.mm', { tolerance: (tolerance * 500).toFixed(1) });
    case 'pace':
      return roughLength(tolerance, units);
    default:
      return `±${showDegrees(tolerance / 2)}`;
  }
}
