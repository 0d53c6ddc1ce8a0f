import { pageTitle } from '@/words/title';
import { z } from 'zod';
import { HourBuilder } from '@/features/programme/hour-builder';
import { emptyFrame, planStudents } from '@/features/programme/load-plan';
import { coachContext } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.newPlan');

const query = z.object({
  student: z.uuid().optional().catch(undefined),
  minutes: z.coerce.number().int().min(10).max(180).catch(60),
});

export default async function NewHourPage({ searchParams }: PageProps<'/programme/hours/new'>) {
  const { database, principal } = await coachContext('coach');
  const { student, minutes } = query.parse(await searchParams);
  const students = await planStudents(database, principal);
  const frame = emptyFrame(students, student ? [student] : [], minutes);
  return (
    <HourBuilder
      id={null}
      students={students}
      start={{ frame, items: [], offers: [], own: {}, reckoned: '' }}
    />
  );
}
