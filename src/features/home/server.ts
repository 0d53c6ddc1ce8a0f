import 'server-only';
import { notFound } from 'next/navigation';
import { connection as untilRequested } from 'next/server';
import { connection, getCoach, getStudent } from '@/data';
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
