import 'server-only';
import { notFound } from 'next/navigation';
import { connection as untilRequested } from 'next/server';
import { connection, counted, getCoach, getStudent, type Session } from '@/data';
import { dayIn } from '@/core/calendar';
import { askingStudent } from '../shared/principal';

/** The student whose own page a link opens, and the coach whose student that is. */
export async function openHome(token: string) {
  await untilRequested();
  const database = await connection();
  const principal = await askingStudent(token);
  if (!principal) notFound();
  const [student, coach] = await Promise.all([
    getStudent(database, principal, principal.studentId),
    getCoach(database, principal),
  ]);
  return {
    database,
    principal,
    student,
    coach,
    units: coach.settings.units,
    zone: coach.settings.zone,
  };
}

/** Days on which homework was done: a session of it has a putt that counts. */
export const daysDone = (sessions: Session[], homeworkId: string, zone: string): string[] =>
  sessions
    .filter(
      (session) =>
        session.homeworkId === homeworkId &&
        session.runs.some(({ putts }) => counted(putts).length > 0),
    )
    .map(({ startedAt }) => dayIn(startedAt, zone));
