import { pageTitle } from '@/words/title';
import { loadPlan } from '@/features/programme/load-plan';
import { PlanOnPage } from '@/features/programme/plan-on-page';
import { orNotFound } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.printablePlan');

export default async function PlanPage({ params }: PageProps<'/programme/hours/[id]/sheet'>) {
  return <PlanOnPage {...await orNotFound(loadPlan((await params).id, false))} />;
}
