import type { Metadata } from 'next';
import { getStudent } from '@/data';
import { PlaceHead } from '@/features/shared/place';
import { coachContext, orNotFound } from '@/features/shared/server';
import { typedStudent } from '@/features/students/form';
import { StudentForm } from '@/features/students/student-form';

export const metadata: Metadata = { title: 'Change a student' };

export default async function EditStudentPage({ params }: PageProps<'/students/[id]/edit'>) {
  const { database, owner, units } = await coachContext();
  const {
    id,
    archivedAt: _archivedAt,
    ...values
  } = await orNotFound(getStudent(database, owner, (await params).id));
  return (
    <>
      <PlaceHead title={values.name} sub="name, hand, putter and notes" />
      <StudentForm id={id} values={typedStudent(values, units)} units={units} />
    </>
  );
}
