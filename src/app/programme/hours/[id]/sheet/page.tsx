import type { Metadata } from 'next';
import { loadPlan } from '@/features/programme/load-plan';
import { PlanOnPage } from '@/features/programme/plan-on-page';
import { orNotFound } from '@/features/shared/server';

export const metadata: Metadata = { title: 'Printable plan' };

export default async function PlanPage({ params }: PageProps<'/programme/hours/[id]/sheet'>) {
  return <PlanOnPage {...await orNotFound(loadPlan((await params).id, false))} />;
}
