import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { getStudent } from '@/data';
import { coachContext, orNotFound, studentHistory } from '@/features/shared/server';
import { Report } from '@/features/students/report';
import { readPlayer } from '@/features/students/reading';

export const metadata: Metadata = { title: 'Report' };

export default async function ReportPage({ params }: PageProps<'/students/[id]/report'>) {
  const { database, principal, coach, units } = await coachContext('coach');
  const student = await orNotFound(getStudent(database, principal, (await params).id));
  const { sessions, logged, scores, faceShare } = await studentHistory(
    database,
    principal,
    student.id,
  );
  const last = scores.at(-1);
  const layout = sessions.find(({ id }) => id === last?.id)?.runs[0]?.layout;
  if (!last || !layout) redirect(`/students/${student.id}`);
  return (
    <Report
      student={student}
      coach={coach.name}
      now={new Date()}
      scores={scores}
      findings={readPlayer(student, sessions, logged, scores, faceShare)}
      layout={layout}
      units={units}
      faceShare={faceShare}
    />
  );
}
