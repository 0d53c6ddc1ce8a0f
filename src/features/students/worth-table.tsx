import type { MessageKey } from '@/words/translate';
import { useTranslations } from 'next-intl';
import { USUAL_SLOPE, type Gain, type Worth } from '@/core/coaching';
import { showChance, showChanceRange, showLength, type UnitPreferences } from '@/core/units';
import { ColumnHead } from '@/ui/column-head';

/** What the gain is of, as the sentence has it. */
const SPREAD = {
  start: 'students.worthTable.spreadStart',
  pace: 'students.worthTable.spreadPace',
  reading: 'students.worthTable.spreadReading',
} as const satisfies Record<Gain['skill'], MessageKey>;

/** How often putts go in by distance, now and at the first session, with their bands. */
export function WorthTable({
  now,
  first,
  gains,
  reference,
  ownReads,
  units,
}: {
  now: Worth[];
  first: Worth[] | null;
  /** What a fifth less spread would bring, the larger first; null while pace is not known. */
  gains: Gain[] | null;
  /** The distance that the gains are of, m. */
  reference: number;
  /** Whether the reads are this player's own, or assumed. */
  ownReads: boolean;
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const [best] = gains ?? [];
  return (
    <div className="grid grid-cols-1 gap-x-10 gap-y-3 lg:grid-cols-[minmax(0,1fr)_360px]">
      <table className="w-full self-start text-[1rem]">
        <caption className="sr-only">{t('students.worthTable.puttsHoledByDistance')}</caption>
        <thead>
          <tr className="border-b text-left cap">
            <ColumnHead>{t('students.worthTable.from')}</ColumnHead>
            <ColumnHead>{t('students.worthTable.holedNowWithThe80')}</ColumnHead>
            {first && (
              <ColumnHead className="pl-3 text-right">
                {t('students.worthTable.atFirst')}
              </ColumnHead>
            )}
          </tr>
        </thead>
        <tbody>
          {now.map(({ distance, made }, index) => (
            <tr key={distance} className="border-b border-hair">
              <td className="w-20 py-1 whitespace-nowrap">{showLength(distance, 'putt', units)}</td>
              <td className="py-1">
                <span className="grid grid-cols-[minmax(60px,1fr)_150px] items-center gap-3">
                  <span aria-hidden className="relative block h-3 bg-ink/10">
                    <span
                      className="absolute inset-y-0 bg-ink/35"
                      style={{
                        left: `${100 * made.low}%`,
                        width: `${100 * (made.high - made.low)}%`,
                      }}
                    />
                    <span
                      className="absolute -inset-y-0.5 w-[3px] bg-ink"
                      style={{ left: `calc(${100 * made.middle}% - 3px)` }}
                    />
                  </span>
                  <span className="whitespace-nowrap">
                    <strong className="num">{showChance(made.middle)}</strong>{' '}
                    <span className="text-sm text-ink2">
                      {showChanceRange(made.low, made.high)}
                    </span>
                  </span>
                </span>
              </td>
              {first && (
                <td className="py-1 pl-3 text-right num">
                  {showChance(first[index]!.made.middle)}
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      <div className="grid content-start gap-2">
        {best && best.gain >= 0.5 && (
          <p className="max-w-prose text-[1.0625rem]">
            {t('students.worthTable.cuttingTheSpreadOfBy', {
              spread: t(SPREAD[best.skill]),
              gain: best.gain.toFixed(0),
              reference: showLength(reference, 'putt', units),
              others: gains!
                .slice(1)
                // Less than half a putt of a hundred is none.
                .filter(({ gain }) => gain >= 0.5)
                .map(({ skill, gain }) =>
                  t('students.worthTable.forMore', {
                    spread: t(SPREAD[skill]),
                    gain: gain.toFixed(0),
                  }),
                )
                .join(''),
            })}
          </p>
        )}
        <p className="max-w-prose text-sm text-ink2">
          {ownReads
            ? t('students.worthTable.forALevelPuttOn', { share: (100 * USUAL_SLOPE).toFixed(1) })
            : t('students.worthTable.forALevelPuttOn2')}
        </p>
      </div>
    </div>
  );
}
