import 'server-only';
import type { SessionScore } from '@/core/scoring';
import { getCoach, listSessions, toLogged, type CoachPrincipal, type Database } from '@/data';
import { keptHistory } from './scores';

/** A session's scores without what they were reckoned from. */
export type ScoreTold = Omit<SessionScore, 'belief' | 'findings'>;

export const told = (scores: readonly SessionScore[]): ScoreTold[] =>
  scores.map(({ id, at, basis, alone, carried, smoothed, instruments }) => ({
    ...{ id, at, basis, alone, carried, smoothed, instruments },
  }));

/** A student's sessions, newest first, and their scores in order of time. */
export async function studentHistory(
  database: Database,
  principal: CoachPrincipal,
  studentId: string,
) {
  const [sessions, { settings }] = await Promise.all([
    listSessions(database, principal, { studentId }),
    getCoach(database, principal),
  ]);
  const faceShare = Number(settings.faceShare);
  const logged = sessions.map(toLogged);
  return { sessions, logged, faceShare, scores: keptHistory(studentId, logged, faceShare) };
}
