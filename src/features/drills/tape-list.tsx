import { aimFor } from '@/core/green';
import { breaks, midpointOf, standing, type Layout, type Spot } from '@/core/layout';
import { formatLength, showLength, type UnitPreferences } from '@/core/units';

const across = ({ across: metres }: Spot, units: UnitPreferences): string => {
  const shown = showLength(Math.abs(metres), 'spot', units);
  return shown.startsWith('0 ') ? 'on the line' : `${shown} ${metres < 0 ? 'left' : 'right'}`;
};

/** A pin far from the line is measured as the putt is, not as a gap. */
const pinWords = ({ across: metres }: Spot, units: UnitPreferences): string =>
  `${formatLength(Math.abs(metres), units.long === 'imperial' ? 'in' : 'cm')} ${metres < 0 ? 'left' : 'right'}`;

/** Where everything goes, measured from the ball mark, in the order of placing. */
export function TapeList({ layout, units }: { layout: Layout; units: UnitPreferences }) {
  const aim = aimFor(layout.putt);
  const pin = { along: layout.putt.distance, across: aim.beside };
  const turns = breaks(aim);
  const middle = turns ? midpointOf(layout) : null;
  const rows = standing(layout).flatMap((element) => {
    const checks = element.checks();
    return element.places().map((place, index, places) => ({
      id: `${element.id}-${place.id}`,
      name: place.label ? `${place.name}, ${place.label}` : place.name,
      at: place.at,
      check: index === places.length - 1 ? checks : [],
    }));
  });
  return (
    <table className="w-full text-[15px]">
      <thead>
        <tr className="border-b text-left cap">
          <th className="py-1.5 font-[inherit]">place</th>
          <th className="py-1.5 pl-3 text-right font-[inherit]">along</th>
          <th className="py-1.5 pl-3 text-right font-[inherit]">across, to the tee’s middle</th>
        </tr>
      </thead>
      <tbody>
        {turns && (
          <tr className="border-b border-hair">
            <td className="py-1.5 pr-3">start line pin, beside the hole</td>
            <td className="py-1.5 pl-3 text-right align-top num whitespace-nowrap">
              {showLength(pin.along, 'putt', units)}
            </td>
            <td className="py-1.5 pl-3 text-right align-top num whitespace-nowrap">
              {pinWords(pin, units)}
            </td>
          </tr>
        )}
        {rows.map(({ id, name, at, check }) => (
          <tr key={id} className="border-b border-hair">
            <td className="py-1.5 pr-3">
              {name}
              {check.map(({ name: what, metres }) => (
                <span key={what} className="block text-sm text-ink2">
                  check {showLength(metres, 'across', units)} {what}
                </span>
              ))}
            </td>
            <td className="py-1.5 pl-3 text-right align-top num whitespace-nowrap">
              {at.along === 0 ? 'start' : showLength(at.along, 'along', units)}
            </td>
            <td className="py-1.5 pl-3 text-right align-top num whitespace-nowrap">
              {across(at, units)}
            </td>
          </tr>
        ))}
        {middle && (
          <tr className="border-b border-hair">
            <td className="py-1.5 pr-3">
              middle of the curve, ×
              <span className="block text-sm text-ink2">a coin to roll over, not a tee</span>
            </td>
            <td className="py-1.5 pl-3 text-right align-top num whitespace-nowrap">
              {showLength(middle.along, 'along', units)}
            </td>
            <td className="py-1.5 pl-3 text-right align-top num whitespace-nowrap">
              {across(middle, units)}
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
