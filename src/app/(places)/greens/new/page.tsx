import type { Metadata } from 'next';
import { GreenForm } from '@/features/greens/green-form';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';

export const metadata: Metadata = { title: 'New green' };

export default async function NewGreenPage() {
  await coachContext('coach');
  return (
    <>
      <PlaceHead title="New green" sub="Name, and the spots you putt from" />
      <GreenForm id={null} values={{ name: '', notes: '', spots: [{ name: '' }] }} />
    </>
  );
}
