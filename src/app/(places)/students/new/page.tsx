import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { newStudent } from '@/features/students/form';
import { StudentForm } from '@/features/students/student-form';

export const generateMetadata = pageTitle('titles.newStudent');

export default async function NewStudentPage() {
  const t = await getTranslations();
  const { units } = await coachContext('coach');
  return (
    <>
      <PlaceHead
        title={t('pages.studentsNew.newStudent')}
        sub={t('pages.studentsNew.theStudentAndTheirPutter')}
      />
      <StudentForm id={null} values={newStudent(units)} units={units} />
    </>
  );
}
