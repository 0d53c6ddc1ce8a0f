import 'server-only';
import type { currentScores } from '@/core/scoring';
import { getCoach, listSessions, toLogged, type CoachPrincipal, type Database } from '@/data';
import { keptScores } from '../reckoning/scores';

/** Every student's scores at their last session, by the student; none for whom nothing is known. */
export async function scoresNow(
  database: Database,
  principal: CoachPrincipal,
): Promise<Record<string, ReturnType<typeof currentScores>>> {
  const [sessions, { settings }] = await Promise.all([
    listSessions(database, principal),
    getCoach(database, principal),
  ]);
  const students = [...new Set(sessions.map(({ studentId }) => studentId))];
  return Object.fromEntries(
    students.map((id) => {
      const own = sessions.filter(({ studentId }) => studentId === id);
      return [id, keptScores(id, own.map(toLogged), Number(settings.faceShare))];
    }),
  );
}
