import { pageTitle } from '@/words/title';
import { getTranslations } from 'next-intl/server';
import { notFound, redirect } from 'next/navigation';
import { getGroup, getSession } from '@/data';
import { CoachWays } from '@/features/session/coach-ways';
import { Logging } from '@/features/session/logging';
import { startOptions } from '@/features/session/options';
import { playerRun } from '@/features/session/player-run';
import { coachContext, orNotFound } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.session');

export default async function SessionPage({ params }: PageProps<'/sessions/[id]'>) {
  const t = await getTranslations();
  const { database, principal, coach, units } = await coachContext();
  const session = await orNotFound(getSession(database, principal, (await params).id));
  if (session.finishedAt) redirect(`/sessions/${session.id}/review`);
  if (session.runs.length === 0) notFound();
  const group = (await getGroup(database, principal, session)).filter(
    ({ finishedAt, runs }) => !finishedAt && runs.length > 0,
  );
  const [players, { drills }] = await Promise.all([
    Promise.all(group.map((one) => playerRun(database, principal, one, units))),
    startOptions(t, database, principal, units),
  ]);
  return (
    <CoachWays coach={{ id: coach.id, name: coach.name }}>
      <Logging
        players={players}
        first={group.findIndex(({ id }) => id === session.id)}
        units={units}
        drills={drills}
      />
    </CoachWays>
  );
}
