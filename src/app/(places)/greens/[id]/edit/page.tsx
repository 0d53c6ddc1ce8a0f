import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { getGreen } from '@/data';
import { GreenForm } from '@/features/greens/green-form';
import { PlaceHead } from '@/features/shared/place';
import { coachContext, orNotFound } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.editGreen');

export default async function EditGreenPage({ params }: PageProps<'/greens/[id]/edit'>) {
  const t = await getTranslations();
  const { database, principal } = await coachContext('coach');
  const { id, name, notes, spots } = await orNotFound(
    getGreen(database, principal, (await params).id),
  );
  return (
    <>
      <PlaceHead title={name} sub={t('pages.greensIdEdit.nameSpotsAndNotes')} />
      <GreenForm id={id} values={{ name, notes, spots }} />
    </>
  );
}
