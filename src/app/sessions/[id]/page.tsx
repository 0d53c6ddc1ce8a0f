import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { counted, getSession, getStudent } from '@/data';
import { rungWords } from '@/features/drills/rung-words';
import { Logging } from '@/features/session/logging';
import { coachContext, orNotFound } from '@/features/shared/server';

export const metadata: Metadata = { title: 'Session' };

export default async function SessionPage({ params }: PageProps<'/sessions/[id]'>) {
  const { database, owner, units } = await coachContext();
  const session = await orNotFound(getSession(database, owner, (await params).id));
  if (session.finishedAt) redirect(`/sessions/${session.id}/review`);
  const run = session.runs.at(-1);
  if (!run) notFound();
  const student = await getStudent(database, owner, session.studentId);
  return (
    <Logging
      key={run.id}
      sessionId={session.id}
      runId={run.id}
      student={{ id: student.id, name: student.name }}
      drillName={run.drillName}
      layout={run.layout}
      units={units}
      rule={run.rule}
      cap={run.cap}
      ladder={run.ladder.map((rung) => rungWords(rung, units))}
      rung={run.rung}
      begunOn={session.runs[0]!.rung}
      earlier={session.runs.slice(0, -1).map(({ layout, putts }) => ({
        layout,
        putts: counted(putts).map(({ outcomes, at }) => ({ outcomes, at })),
      }))}
      putts={run.putts.map(({ id, outcomes, at, undoneAt }) => ({
        id,
        outcomes,
        at: at.toISOString(),
        undone: undoneAt !== null,
      }))}
    />
  );
}
