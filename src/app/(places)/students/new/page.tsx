import type { Metadata } from 'next';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';
import { newStudent } from '@/features/students/form';
import { StudentForm } from '@/features/students/student-form';

export const metadata: Metadata = { title: 'New student' };

export default async function NewStudentPage() {
  const { units } = await coachContext('coach');
  return (
    <>
      <PlaceHead title="New student" sub="The student and their putter" />
      <StudentForm id={null} values={newStudent(units)} units={units} />
    </>
  );
}
