import type { Metadata } from 'next';
import { GreenForm } from '@/features/greens/green-form';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';

export const metadata: Metadata = { title: 'Add a green' };

export default async function NewGreenPage() {
  await coachContext('coach');
  return (
    <>
      <PlaceHead title="Add a green" sub="its name, and the spots you putt from" />
      <GreenForm id={null} values={{ name: '', notes: '', spots: [{ name: '' }] }} />
    </>
  );
}
