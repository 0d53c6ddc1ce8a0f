import type { Translate } from '@/words/translate';
import { aimFor, breakWords, isLevel } from '@/core/green';
import { layoutAt, stationCount, stationNamed, type Layout, type PuttPlace } from '@/core/layout';
import { roughLength, showLength, type UnitPreferences } from '@/core/units';

const plural = new Intl.PluralRules('en', { type: 'ordinal' });
const ENDINGS: Record<string, string> = { one: 'st', two: 'nd', few: 'rd', other: 'th' };

/** "4th". */
export const ordinal = (count: number): string => `${count}${ENDINGS[plural.select(count)]}`;

/** How it breaks from there: "a cup right to left", "uphill"; null on the level, or where the slope cannot hold it. */
function breakThere({ putt }: Layout): string | null {
  if (isLevel(putt)) return null;
  try {
    const words = breakWords(aimFor(putt).cups);
    const climb = Math.cos(putt.slope.falls);
    const way = climb > 0.35 ? 'downhill' : climb < -0.35 ? 'uphill' : null;
    return [words === 'straight' ? null : words, way].filter(Boolean).join(', ') || 'straight';
  } catch {
    return null;
  }
}

/**
 * Where a putt is made: "9 ft, 4th of 6 spots, a cup right to left"; null where there is but one place and all of it stands
 * in the title block.
 *
 * @param layout as it stands at its ball mark
 * @param place of the putt
 * @param units the coach's
 * @param unread without the break, while the player is asked for it
 */
export function placeWords(
  t: Translate,
  layout: Layout,
  place: PuttPlace,
  units: UnitPreferences,
  unread = false,
): string | null {
  const count = stationCount(layout);
  const there = layoutAt(layout, place);
  const moved = place.again > 0 || count > 1;
  if (there && !moved && there === layout) return null;
  const name = count > 1 && place.again === 0 ? stationNamed(layout, place.station) : null;
  const numbered =
    count > 1
      ? t('session.placeWords.ofSpots', { ordinal: ordinal((place.station % count) + 1), count })
      : null;
  const spot = name ? `from the ${name}, ${numbered}` : numbered;
  const again =
    place.again > 0 ? t('session.placeWords.putt', { ordinal: ordinal(place.again + 1) }) : null;
  const far =
    there === null
      ? t('session.placeWords.spotNotSet')
      : place.again > 0
        ? roughLength(there.putt.distance, units)
        : showLength(there.putt.distance, 'putt', units);
  return [far, spot, again, there && !unread && breakThere(there)].filter(Boolean).join(', ');
}
