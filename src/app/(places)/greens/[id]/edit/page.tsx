import type { Metadata } from 'next';
import { getGreen } from '@/data';
import { GreenForm } from '@/features/greens/green-form';
import { PlaceHead } from '@/features/shared/place';
import { coachContext, orNotFound } from '@/features/shared/server';

export const metadata: Metadata = { title: 'Edit green' };

export default async function EditGreenPage({ params }: PageProps<'/greens/[id]/edit'>) {
  const { database, principal } = await coachContext('coach');
  const { id, name, notes, spots } = await orNotFound(
    getGreen(database, principal, (await params).id),
  );
  return (
    <>
      <PlaceHead title={name} sub="Name, spots and notes" />
      <GreenForm id={id} values={{ name, notes, spots }} />
    </>
  );
}
