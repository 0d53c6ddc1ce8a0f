import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { getGroup, getSession } from '@/data';
import { Logging } from '@/features/session/logging';
import { startOptions } from '@/features/session/options';
import { playerRun } from '@/features/session/player-run';
import { coachContext, orNotFound } from '@/features/shared/server';

export const metadata: Metadata = { title: 'Session' };

export default async function SessionPage({ params }: PageProps<'/sessions/[id]'>) {
  const { database, owner, units } = await coachContext();
  const session = await orNotFound(getSession(database, owner, (await params).id));
  if (session.finishedAt) redirect(`/sessions/${session.id}/review`);
  if (session.runs.length === 0) notFound();
  const group = (await getGroup(database, owner, session)).filter(
    ({ finishedAt, runs }) => !finishedAt && runs.length > 0,
  );
  const [players, { drills }] = await Promise.all([
    Promise.all(group.map((one) => playerRun(database, owner, one, units))),
    startOptions(database, owner, units),
  ]);
  return (
    <Logging
      players={players}
      first={group.findIndex(({ id }) => id === session.id)}
      units={units}
      drills={drills}
    />
  );
}
