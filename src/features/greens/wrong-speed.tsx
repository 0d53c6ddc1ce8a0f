import { onOtherGreen, type OtherGreen, type Putt } from '@/core/green';
import { FOOT, roughLength, showLength, type UnitPreferences } from '@/core/units';
import { ColumnHead } from '@/ui/column-head';

/** A foot of green speed either way, as coaches feel the difference; two for a bad guess. */
const OFF = [-2, -1, 0, 1, 2].map((feet) => feet * FOOT);

/** What became of the putt, in the words of who watched it. */
function endWords({ outcome, past }: OtherGreen, units: UnitPreferences): string {
  if (outcome.result === 'holed') return 'still goes in';
  if (outcome.result === 'runs away' || past === null) return 'does not stop';
  const side =
    outcome.side === 'middle'
      ? ''
      : `, ${roughLength(outcome.offset, units)} ${outcome.side} of the hole`;
  return past < 0
    ? `${roughLength(-past, units)} short`
    : `${roughLength(past, units)} past${side}`;
}

/** The same aim and the same stroke on a green that is not as it was read. */
export function WrongSpeed({ putt, units }: { putt: Putt; units: UnitPreferences }) {
  const rows = OFF.map((off) => putt.greenSpeed + off)
    .filter((speed) => speed >= 1.2 && speed <= 5)
    .map((speed) => onOtherGreen(putt, speed));
  return (
    <table className="w-full text-[0.9375rem]">
      <caption className="sr-only">The same putt on another green speed</caption>
      <thead>
        <tr className="border-b text-left cap">
          <ColumnHead className="pr-4">green speed</ColumnHead>
          <ColumnHead className="pr-4">result</ColumnHead>
          <ColumnHead className="text-right">correct aim</ColumnHead>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => {
          const asRead = row.greenSpeed === putt.greenSpeed;
          return (
            <tr
              key={row.greenSpeed}
              className={`border-b border-hair ${asRead ? 'font-[650]' : ''}`}
            >
              <td className="py-1.5 pr-4 num whitespace-nowrap">
                {showLength(row.greenSpeed, 'speed', units)}
                {asRead && <span className="font-normal"> as read</span>}
              </td>
              <td className="py-1.5 pr-4">{endWords(row, units)}</td>
              <td className="py-1.5 text-right num whitespace-nowrap">
                {row.needed ? besideWords(row.needed.beside, units) : 'no aim at this pace'}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** How far beside the hole a start line passes. */
export function besideWords(beside: number, units: UnitPreferences): string {
  if (Math.abs(beside) < 0.002) return 'straight';
  return `${roughLength(Math.abs(beside), units)} ${beside < 0 ? 'left' : 'right'}`;
}
