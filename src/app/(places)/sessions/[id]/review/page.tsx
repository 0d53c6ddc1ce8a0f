import { pageTitle } from '@/words/title';
import { redirect } from 'next/navigation';
import { asTrial } from '@/core/drill';
import { getGroup, getSession, getStudent } from '@/data';
import { History } from '@/features/academy/history';
import { CoachWays } from '@/features/session/coach-ways';
import { planOf } from '@/features/session/player-run';
import { Review } from '@/features/session/review';
import { reckon } from '@/features/reckoning/pool';
import { coachContext, orNotFound } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.review');

export default async function ReviewPage({ params }: PageProps<'/sessions/[id]/review'>) {
  const { database, principal, coach, units } = await coachContext();
  const session = await orNotFound(getSession(database, principal, (await params).id));
  if (!session.finishedAt) redirect(`/sessions/${session.id}`);
  const student = await getStudent(database, principal, session.studentId);
  const group = (await getGroup(database, principal, session)).filter(
    ({ id }) => id !== session.id,
  );
  const others = await Promise.all(
    group.map(async ({ id, studentId }) => ({
      id,
      name: (await getStudent(database, principal, studentId)).name,
    })),
  );
  const read = await reckon('review', principal, {
    studentId: student.id,
    sessionId: session.id,
  });
  const compared = new Set(
    session.runs.flatMap(({ rule }) => {
      const trial = asTrial(rule);
      return trial ? [`${trial.a}/${trial.b}`] : [];
    }),
  );
  const trials =
    compared.size > 0 ? await reckon('trials', principal, { studentId: student.id }) : [];
  return (
    <CoachWays coach={{ id: coach.id, name: coach.name }}>
      <Review
        session={session}
        others={others}
        read={read}
        plan={await planOf(database, principal, session)}
        now={new Date()}
        student={student}
        units={units}
        zone={coach.settings.zone}
        trials={trials.filter(({ a, b }) => compared.has(`${a}/${b}`))}
        mayNote={principal.as !== 'assistant'}
      />
      <History
        database={database}
        principal={principal}
        about={[session.id, ...others.map(({ id }) => id)]}
      />
    </CoachWays>
  );
}
