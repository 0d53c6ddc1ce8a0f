import 'server-only';
import { notFound } from 'next/navigation';
import { connection as untilRequested } from 'next/server';
import { keptHistory } from './scores';
import { Problem, connection, getCoach, listSessions, toLogged } from '@/data';

/** The open database, its owner and the owner's settings, for a page. */
export async function coachContext() {
  await untilRequested();
  const { database, owner } = await connection();
  const coach = await getCoach(database, owner);
  return { database, owner, coach, units: coach.settings.units };
}

/** Turns an unknown id in an address into the page that says so. */
export async function orNotFound<T>(found: Promise<T>): Promise<T> {
  try {
    return await found;
  } catch (error) {
    if (error instanceof Problem && error.code === 'not-found') notFound();
    throw error;
  }
}

/** A student's sessions, newest first, and their scores in order of time. */
export async function studentHistory(studentId: string) {
  const { database, owner } = await connection();
  const [sessions, { settings }] = await Promise.all([
    listSessions(database, owner, { studentId }),
    getCoach(database, owner),
  ]);
  const faceShare = Number(settings.faceShare);
  const logged = sessions.map(toLogged);
  return { sessions, logged, faceShare, scores: keptHistory(studentId, logged, faceShare) };
}
