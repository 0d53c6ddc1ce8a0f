import { pageTitle } from '@/words/title';
import { HourBuilder } from '@/features/programme/hour-builder';
import { loadPlan, planStudents } from '@/features/programme/load-plan';
import { coachContext, orNotFound } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.plan');

export default async function HourPage({ params }: PageProps<'/programme/hours/[id]'>) {
  const { id } = await params;
  const { database, principal } = await coachContext('coach');
  const [{ plan, frame, items, offers, own, reckoned }, students] = await Promise.all([
    orNotFound(loadPlan(id, true)),
    planStudents(database, principal),
  ]);
  return (
    <HourBuilder
      key={id}
      id={id}
      archived={plan.archivedAt !== null}
      students={students}
      start={{ frame, items, offers, own, reckoned }}
    />
  );
}
