import { useTranslations } from 'next-intl';
import type { UnitPreferences } from '@/core/units';
import type { WorthTold } from './worth';
import { WorthTable } from './worth-table';

/** What the skills are worth in putts made, now and at first. */
export function WorthPart({ worth, units }: { worth: WorthTold | null; units: UnitPreferences }) {
  const t = useTranslations();
  return (
    <section
      aria-label={t('students.worthPart.puttsHoledByDistance')}
      className="px-4 py-5 md:px-7"
    >
      <h2 className="mb-2 text-[1.25rem] num">{t('students.worthPart.puttsHoledByDistance')}</h2>
      {worth ? (
        <WorthTable {...worth} units={units} />
      ) : (
        <p className="text-ink2">{t('students.worthPart.noDataOnTheStart')}</p>
      )}
    </section>
  );
}
