import type { Metadata } from 'next';
import { studentValues } from '@/core/people';
import { getStudent } from '@/data';
import { PlaceHead } from '@/features/shared/place';
import { coachContext, orNotFound } from '@/features/shared/server';
import { typedStudent } from '@/features/students/form';
import { StudentForm } from '@/features/students/student-form';

export const metadata: Metadata = { title: 'Edit student' };

export default async function EditStudentPage({ params }: PageProps<'/students/[id]/edit'>) {
  const { database, principal, units } = await coachContext('coach');
  const student = await orNotFound(getStudent(database, principal, (await params).id));
  const values = studentValues.parse(student);
  return (
    <>
      <PlaceHead title={values.name} sub="Name, hand, putter and notes" />
      <StudentForm
        id={student.id}
        version={student.version}
        values={typedStudent(values, units)}
        units={units}
      />
    </>
  );
}
