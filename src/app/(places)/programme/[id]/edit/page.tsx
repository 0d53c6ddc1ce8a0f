import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { getProgramme, getStudent } from '@/data';
import { ProgrammeForm } from '@/features/programme/programme-form';
import { asTyped } from '@/features/programme/programme-form-schema';
import { PlaceHead } from '@/features/shared/place';
import { coachContext, orNotFound } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.editProgramme');

export default async function EditProgrammePage({ params }: PageProps<'/programme/[id]/edit'>) {
  const t = await getTranslations();
  const { database, principal } = await coachContext('coach');
  const programme = await orNotFound(getProgramme(database, principal, (await params).id));
  const { name } = await getStudent(database, principal, programme.studentId);
  return (
    <>
      <PlaceHead
        title={t('pages.programmeIdEdit.editSProgramme', { name })}
        sub={t('pages.programmeIdEdit.daysThatKeepTheirDate')}
      />
      <ProgrammeForm
        id={programme.id}
        students={[]}
        values={asTyped(programme, programme.studentId)}
      />
    </>
  );
}
