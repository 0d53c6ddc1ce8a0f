import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import { onOtherGreen, type OtherGreen, type Putt } from '@/core/green';
import { FOOT, roughLength, showLength, type UnitPreferences } from '@/core/units';
import { ColumnHead } from '@/ui/column-head';

/** A foot of green speed either way, as coaches feel the difference; two for a bad guess. */
const OFF = [-2, -1, 0, 1, 2].map((feet) => feet * FOOT);

/** What became of the putt, in the words of who watched it. */
function endWords(t: Translate, { outcome, past }: OtherGreen, units: UnitPreferences): string {
  if (outcome.result === 'holed') return t('greens.wrongSpeed.stillGoesIn');
  if (outcome.result === 'runs away' || past === null) return t('greens.wrongSpeed.doesNotStop');
  const side =
    outcome.side === 'middle'
      ? ''
      : t('greens.wrongSpeed.ofTheHole', {
          offset: roughLength(outcome.offset, units),
          side: outcome.side,
        });
  return past < 0
    ? t('greens.wrongSpeed.short', { length: roughLength(-past, units) })
    : t('greens.wrongSpeed.past', { past: roughLength(past, units), side });
}

/** The same aim and the same stroke on a green that is not as it was read. */
export function WrongSpeed({ putt, units }: { putt: Putt; units: UnitPreferences }) {
  const t = useTranslations();
  const rows = OFF.map((off) => putt.greenSpeed + off)
    .filter((speed) => speed >= 1.2 && speed <= 5)
    .map((speed) => onOtherGreen(putt, speed));
  return (
    <table className="w-full text-[0.9375rem]">
      <caption className="sr-only">{t('greens.wrongSpeed.theSamePuttOnAnother')}</caption>
      <thead>
        <tr className="border-b text-left cap">
          <ColumnHead className="pr-4">{t('greens.wrongSpeed.greenSpeed')}</ColumnHead>
          <ColumnHead className="pr-4">{t('greens.wrongSpeed.result')}</ColumnHead>
          <ColumnHead className="text-right">{t('greens.wrongSpeed.correctAim')}</ColumnHead>
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
                {asRead && <span className="font-normal"> {t('greens.wrongSpeed.asRead')}</span>}
              </td>
              <td className="py-1.5 pr-4">{endWords(t, row, units)}</td>
              <td className="py-1.5 text-right num whitespace-nowrap">
                {row.needed
                  ? besideWords(row.needed.beside, units)
                  : t('greens.wrongSpeed.noAimAtThisPace')}
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
