import type { Metadata } from 'next';
import { studentValues } from '@/core/people';
import { getStudent } from '@/data';
import { PlaceHead } from '@/features/shared/place';
import { coachContext, orNotFound } from '@/features/shared/server';
import { typedStudent } from '@/features/students/form';
import { StudentForm } from '@/features/students/student-form';

export const metadata: Metadata = { title: 'Change a student' };

export default async function EditStudentPage({ params }: PageProps<'/students/[id]/edit'>) {
  const { database, owner, units } = await coachContext();
  const student = await orNotFound(getStudent(database, owner, (await params).id));
  const values = studentValues.parse(student);
  return (
    <>
      <PlaceHead title={values.name} sub="name, hand, putter and notes" />
      <StudentForm id={student.id} values={typedStudent(values, units)} units={units} />
    </>
  );
}
