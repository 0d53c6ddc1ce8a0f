import { pageTitle } from '@/words/title';
import { redirect } from 'next/navigation';
import { homeSession } from '@/data';
import { HomeLogging } from '@/features/home/home-logging';
import { openHome } from '@/features/home/server';
import { playerRun } from '@/features/session/player-run';
import { orNotFound } from '@/features/shared/server';

export const generateMetadata = pageTitle('titles.homework', {
  robots: { index: false, follow: false },
});

export default async function HomeSessionPage({
  params,
}: PageProps<'/home/[token]/sessions/[id]'>) {
  const { token, id } = await params;
  const { database, principal, student, units } = await openHome(token);
  const session = await orNotFound(homeSession(database, principal, id));
  if (session.finishedAt) redirect(`/home/${token}/sessions/${id}/done`);
  return (
    <HomeLogging
      token={token}
      student={{ id: student.id, name: student.name }}
      players={[await playerRun(database, principal, session, units)]}
      first={0}
      units={units}
      drills={[]}
    />
  );
}
