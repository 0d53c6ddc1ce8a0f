import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { AccuracyView } from '@/features/accuracy/accuracy-view';
import { reckon } from '@/features/reckoning/pool';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.accuracy');

export default async function AccuracyPage() {
  const t = await getTranslations();
  const { principal, coach } = await coachContext();
  const read = await reckon('accuracy', principal, undefined);
  return (
    <>
      <PlaceHead
        title={t('pages.recordsAccuracy.accuracy')}
        sub={t('pages.recordsAccuracy.howOftenDirigosForecastsWere')}
      />
      <AccuracyView read={read} corrected={coach.settings.correction !== null} />
    </>
  );
}
