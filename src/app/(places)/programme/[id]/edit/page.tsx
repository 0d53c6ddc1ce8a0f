import type { Metadata } from 'next';
import { getProgramme, getStudent } from '@/data';
import { ProgrammeForm } from '@/features/programme/programme-form';
import { asTyped } from '@/features/programme/programme-form-schema';
import { PlaceHead } from '@/features/shared/place';
import { coachContext, orNotFound } from '@/features/shared/server';

export const metadata: Metadata = { title: 'Edit programme' };

export default async function EditProgrammePage({ params }: PageProps<'/programme/[id]/edit'>) {
  const { database, principal } = await coachContext('coach');
  const programme = await orNotFound(getProgramme(database, principal, (await params).id));
  const { name } = await getStudent(database, principal, programme.studentId);
  return (
    <>
      <PlaceHead
        title={`Edit ${name}’s programme`}
        sub="Days that keep their date stay as they are"
      />
      <ProgrammeForm
        id={programme.id}
        students={[]}
        values={asTyped(programme, programme.studentId)}
      />
    </>
  );
}
