import { pageTitle } from '@/words/title';
import { redirect } from 'next/navigation';
import { getStudent } from '@/data';
import { reckon } from '@/features/reckoning/pool';
import { coachContext, orNotFound } from '@/features/shared/server';
import { Report } from '@/features/students/report';

export const generateMetadata = pageTitle('titles.report');

/** The share that a gate of today should let through. */
const TEACHES = 0.7;

export default async function ReportPage({ params }: PageProps<'/students/[id]/report'>) {
  const { database, principal, coach, units } = await coachContext('coach');
  const student = await orNotFound(getStudent(database, principal, (await params).id));
  const { known } = await reckon('student', principal, { studentId: student.id, rate: TEACHES });
  if (!known) redirect(`/students/${student.id}`);
  return (
    <Report student={student} coach={coach.name} now={new Date()} known={known} units={units} />
  );
}
