import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { studentValues } from '@/core/people';
import { getStudent } from '@/data';
import { PlaceHead } from '@/features/shared/place';
import { coachContext, orNotFound } from '@/features/shared/server';
import { typedStudent } from '@/features/students/form';
import { StudentForm } from '@/features/students/student-form';

export const generateMetadata = pageTitle('titles.editStudent');

export default async function EditStudentPage({ params }: PageProps<'/students/[id]/edit'>) {
  const t = await getTranslations();
  const { database, principal, units } = await coachContext('coach');
  const student = await orNotFound(getStudent(database, principal, (await params).id));
  const values = studentValues.parse(student);
  return (
    <>
      <PlaceHead title={values.name} sub={t('pages.studentsIdEdit.nameHandPutterAndNotes')} />
      <StudentForm
        id={student.id}
        version={student.version}
        values={typedStudent(values, units)}
        units={units}
      />
    </>
  );
}
