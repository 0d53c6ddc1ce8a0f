import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { GreenForm } from '@/features/greens/green-form';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.newGreen');

export default async function NewGreenPage() {
  const t = await getTranslations();
  await coachContext('coach');
  return (
    <>
      <PlaceHead
        title={t('pages.greensNew.newGreen')}
        sub={t('pages.greensNew.nameAndTheSpotsYou')}
      />
      <GreenForm id={null} values={{ name: '', notes: '', spots: [{ name: '' }] }} />
    </>
  );
}
