import { useTranslations } from 'next-intl';
import { tapeList, type Layout, type TapeRow } from '@/core/layout';
import { formatLength, roughLength, showLength, type UnitPreferences } from '@/core/units';
import { ColumnHead } from '@/ui/column-head';

/** How far aside a row is: a pin or a station is measured as the putt is, not as a gap. */
export function asideWords({ at, what, beforeHole }: TapeRow, units: UnitPreferences): string {
  const side = at.across < 0 ? 'left' : 'right';
  if (beforeHole !== undefined) {
    return Math.abs(at.across) < NO_WAY
      ? 'on the line'
      : `${roughLength(Math.abs(at.across), units)} ${side}`;
  }
  const far = what === 'pin' || Math.abs(at.across) > FAR_ASIDE;
  const shown = far
    ? formatLength(Math.abs(at.across), units.long === 'imperial' ? 'in' : 'cm')
    : showLength(Math.abs(at.across), 'spot', units);
  return shown.startsWith('0 ') ? 'on the line' : `${shown} ${side}`;
}

/** Things farther aside than this are measured with the long tape, m. */
const FAR_ASIDE = 0.15;

/** Nearer than this is there already, m. */
const NO_WAY = 0.005;

/** How far along a row is: from the ball mark, behind it said so; a station from the hole. */
export function alongWords({ at, what, beforeHole }: TapeRow, units: UnitPreferences): string {
  if (beforeHole !== undefined) {
    if (Math.abs(beforeHole) < NO_WAY) return 'level with the hole';
    const way = roughLength(Math.abs(beforeHole), units);
    return beforeHole > 0 ? `${way} before the hole` : `${way} past the hole`;
  }
  if (what === 'ball') return 'start';
  if (Math.abs(at.along) < 5e-4) return 'level';
  const shown = showLength(Math.abs(at.along), what === 'pin' ? 'putt' : 'along', units);
  return at.along < 0 ? `${shown} behind` : shown;
}

/** A length to check between two places: a gap by the tape's finest marks, a string roughly. */
export const checkLength = (metres: number, units: UnitPreferences): string =>
  metres > LONG ? roughLength(metres, units) : showLength(metres, 'across', units);

/** Nothing longer than this is a gap, m. */
const LONG = 0.6;

/** Its id on a page: drawings point to it. */
export const TAPE_LIST = 'tape-list';

/** Where everything goes, measured from the ball mark, in the order of placing. */
export function TapeList({ layout, units }: { layout: Layout; units: UnitPreferences }) {
  const t = useTranslations();
  return (
    <table id={TAPE_LIST} className="w-full text-[0.9375rem]">
      <caption className="sr-only">{t('drills.tapeList.tapeListFromTheBall')}</caption>
      <thead>
        <tr className="border-b text-left cap">
          <ColumnHead>{t('drills.tapeList.item')}</ColumnHead>
          <ColumnHead className="pl-3 text-right">{t('drills.tapeList.along')}</ColumnHead>
          <ColumnHead className="pl-3 text-right">
            {t('drills.tapeList.acrossToTheCentreOf')}
          </ColumnHead>
        </tr>
      </thead>
      <tbody>
        {tapeList(layout).map((row) => (
          <tr key={row.id} className="border-b border-hair">
            <td className="py-1.5 pr-3">
              {row.label ? `${row.name}, ${row.label}` : row.name}
              {row.what === 'curve' && (
                <span className="block text-sm text-ink2">
                  {t('drills.tapeList.aCoinToRollOver')}
                </span>
              )}
              {row.checks.map(({ name, metres }) => (
                <span key={name} className="block text-sm text-ink2">
                  {t('drills.tapeList.check', { checkLength: checkLength(metres, units), name })}
                </span>
              ))}
            </td>
            <td className="py-1.5 pl-3 text-right align-top num whitespace-nowrap">
              {alongWords(row, units)}
            </td>
            <td className="py-1.5 pl-3 text-right align-top num whitespace-nowrap">
              {asideWords(row, units)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
