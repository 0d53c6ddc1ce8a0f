import type { Metadata } from 'next';
import { AccuracyView } from '@/features/accuracy/accuracy-view';
import { reckon } from '@/features/reckoning/pool';
import { PlaceHead } from '@/features/shared/place';
import { coachContext } from '@/features/shared/server';

export const metadata: Metadata = { title: 'Accuracy' };

export default async function AccuracyPage() {
  const { principal, coach } = await coachContext();
  const read = await reckon('accuracy', principal, undefined);
  return (
    <>
      <PlaceHead
        title="Accuracy"
        sub="How often Dirigo’s forecasts were right for your own students"
      />
      <AccuracyView read={read} corrected={coach.settings.correction !== null} />
    </>
  );
}
