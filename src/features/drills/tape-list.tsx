import { tapeList, type Layout, type TapeRow } from '@/core/layout';
import { formatLength, showLength, type UnitPreferences } from '@/core/units';
import { ColumnHead } from '@/ui/column-head';

/** How far aside a row is: a pin far from the line is measured as the putt is, not as a gap. */
export function asideWords({ at, what }: TapeRow, units: UnitPreferences): string {
  const far = what === 'pin' || Math.abs(at.across) > FAR_ASIDE;
  const shown = far
    ? formatLength(Math.abs(at.across), units.long === 'imperial' ? 'in' : 'cm')
    : showLength(Math.abs(at.across), 'spot', units);
  return shown.startsWith('0 ') ? 'on the line' : `${shown} ${at.across < 0 ? 'left' : 'right'}`;
}

/** Things farther aside than this are measured with the long tape, m. */
const FAR_ASIDE = 0.15;

/** How far along a row is, behind the ball said so. */
export function alongWords({ at, what }: TapeRow, units: UnitPreferences): string {
  if (what === 'ball') return 'start';
  if (Math.abs(at.along) < 5e-4) return 'level';
  const shown = showLength(Math.abs(at.along), what === 'pin' ? 'putt' : 'along', units);
  return at.along < 0 ? `${shown} behind` : shown;
}

/** Its id on a page: drawings point to it. */
export const TAPE_LIST = 'tape-list';

/** Where everything goes, measured from the ball mark, in the order of placing. */
export function TapeList({ layout, units }: { layout: Layout; units: UnitPreferences }) {
  return (
    <table id={TAPE_LIST} className="w-full text-[0.9375rem]">
      <caption className="sr-only">Tape list, from the ball mark</caption>
      <thead>
        <tr className="border-b text-left cap">
          <ColumnHead>place</ColumnHead>
          <ColumnHead className="pl-3 text-right">along</ColumnHead>
          <ColumnHead className="pl-3 text-right">across, to the tee’s middle</ColumnHead>
        </tr>
      </thead>
      <tbody>
        {tapeList(layout).map((row) => (
          <tr key={row.id} className="border-b border-hair">
            <td className="py-1.5 pr-3">
              {row.label ? `${row.name}, ${row.label}` : row.name}
              {row.what === 'curve' && (
                <span className="block text-sm text-ink2">a coin to roll over, not a tee</span>
              )}
              {row.checks.map(({ name, metres }) => (
                <span key={name} className="block text-sm text-ink2">
                  check {showLength(metres, 'across', units)} {name}
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
