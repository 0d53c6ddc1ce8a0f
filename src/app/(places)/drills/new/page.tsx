import type { Metadata } from 'next';
import { Designer } from '@/features/drills/designer';
import { newDrill } from '@/features/drills/form';
import { coachContext } from '@/features/shared/server';

export const metadata: Metadata = { title: 'New drill' };

export default async function NewDrillPage() {
  const { units, coach } = await coachContext();
  return <Designer id={null} values={newDrill(units, coach.settings.greenSpeed)} units={units} />;
}
