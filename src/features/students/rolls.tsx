import { useTranslations } from 'next-intl';
import { rollRows, type RollTable } from '@/core/coaching';
import { roughLength, showLength, type UnitPreferences, FOOT } from '@/core/units';

/** Distances that a coach asks for, m. */
const DISTANCES = { imperial: [5, 10, 20, 30].map((feet) => feet * FOOT), metric: [1.5, 3, 6, 9] };
const WIDTH = 300;
const HEIGHT = 170;
const ROOM = { left: 8, right: 10, top: 10, bottom: 18 };

/** How far back for how far: a player's own table and curve; nothing where too few such strokes were seen. */
export function Rolls({
  table,
  given,
  greenSpeed,
  units,
}: {
  table: RollTable | null;
  given: string;
  /** Of the green that it is told for, m. */
  greenSpeed: number;
  units: UnitPreferences;
}) {
  const t = useTranslations();
  if (!table) return null;
  const rows = rollRows(table, DISTANCES[units.long], greenSpeed);
  const share = greenSpeed / (10 * FOOT);
  const most = {
    back: Math.max(...rows.map(({ back }) => back), ...table.rolls.map(({ back }) => back)),
    rolled: Math.max(...rows.map(({ high }) => high)),
  };
  const x = (back: number) => ROOM.left + (back / most.back) * (WIDTH - ROOM.left - ROOM.right);
  const y = (rolled: number) =>
    HEIGHT - ROOM.bottom - (rolled / most.rolled) * (HEIGHT - ROOM.top - ROOM.bottom);
  const curve = Array.from({ length: 41 }, (_, index) => (index / 40) * most.back)
    .map((back) => `${x(back).toFixed(1)},${y(table.constant * share * back ** 2).toFixed(1)}`)
    .join(' ');
  const speed = showLength(greenSpeed, 'speed', units);
  return (
    <section
      aria-label={t('students.rolls.backstrokeAndRoll')}
      className="border-b-[length:var(--stroke)] border-ink px-4 py-5 md:px-7"
    >
      <h2 className="mb-1 text-[1.25rem] num">{t('students.rolls.backstrokeAndRoll')}</h2>
      <p className="mb-3 max-w-prose text-sm text-ink2">
        {t('students.rolls.sOwnFiguresFromStrokes', { given, rolls: table.rolls.length, speed })}
      </p>
      <div className="grid gap-6 sm:grid-cols-[minmax(0,420px)_300px]">
        <table className="w-full text-[1rem]">
          <caption className="sr-only">
            {t('students.rolls.backstrokeByDistance', { given })}
          </caption>
          <thead>
            <tr className="border-b border-rule text-left cap">
              <th scope="col" className="py-1">
                {t('students.rolls.roll')}
              </th>
              <th scope="col">{t('students.rolls.backstroke')}</th>
              <th scope="col">{t('students.rolls.n8In10FinishBetween')}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ distance, back, low, high }) => (
              <tr key={distance} className="border-b border-hair">
                <th scope="row" className="py-1.5 text-left font-[620]">
                  {showLength(distance, 'putt', units)}
                </th>
                <td className="font-[720]">{roughLength(back, units)}</td>
                <td className="text-ink2">
                  {t('students.rolls.and', {
                    low: roughLength(low, units),
                    high: roughLength(high, units),
                  })}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <svg
          viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
          className="w-full bg-sheet"
          role="img"
          aria-label={t('students.rolls.rollAgainstBackstrokeStrokesAnd', {
            rolls: table.rolls.length,
          })}
        >
          <text x={ROOM.left} y={ROOM.top + 9} className="fill-ink2 text-[0.6875rem]">
            {t('students.rolls.rollUpTo', { rolled: roughLength(most.rolled, units) })}
          </text>
          <text
            x={WIDTH - ROOM.right}
            y={HEIGHT - 3}
            textAnchor="end"
            className="fill-ink2 text-[0.6875rem]"
          >
            {t('students.rolls.backstrokeUpTo', { back: roughLength(most.back, units) })}
          </text>
          <polyline points={curve} fill="none" className="stroke-ink" strokeWidth={2} />
          {table.rolls.map(({ back, rolled }, index) => (
            <circle
              key={index}
              cx={x(back)}
              cy={Math.max(ROOM.top, y(rolled * share))}
              r={3.5}
              className="fill-line"
            />
          ))}
        </svg>
      </div>
    </section>
  );
}
