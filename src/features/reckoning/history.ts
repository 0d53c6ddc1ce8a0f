import 'server-only';
import type { LoggedSession, SessionScore } from '@/core/scoring';
import {
  getCoach,
  listSessions,
  sessionsStand,
  toLogged,
  type CoachPrincipal,
  type Database,
  type Session,
} from '@/data';
import { keptHistory } from './scores';

/** A session's scores without what they were reckoned from. */
export type ScoreTold = Omit<SessionScore, 'belief' | 'findings'>;

export const told = (scores: readonly SessionScore[]): ScoreTold[] =>
  scores.map(({ id, at, basis, alone, carried, smoothed, instruments }) => ({
    ...{ id, at, basis, alone, carried, smoothed, instruments },
  }));

/** A student's sessions, newest first, as they are scored, and their scores in order of time. */
export interface StudentHistory {
  sessions: Session[];
  logged: LoggedSession[];
  faceShare: number;
  scores: SessionScore[];
}

/** Putts of which all is kept at once: what it takes of memory. */
const MOST = 60_000;

/** What was read last of each student and as whom, the newest last; with what it was read at. */
type Read = Map<string, { at: string; putts: number; history: StudentHistory }>;
const readFrom = new WeakMap<Database, Read>();

/** Keeps a history, and lets go of the oldest that there is no room for. */
function keep(read: Read, key: string, at: string, history: StudentHistory): void {
  const puttsOf = (runs: { putts: readonly unknown[] }[]) =>
    runs.reduce((sum, { putts }) => sum + putts.length, 0);
  const putts = history.sessions.reduce((sum, { runs }) => sum + puttsOf(runs), 0);
  read.set(key, { at, putts, history });
  let all = [...read.values()].reduce((sum, known) => sum + known.putts, 0);
  for (const [old, known] of read) {
    if (all <= MOST) break;
    read.delete(old);
    all -= known.putts;
  }
}

/** A student's history as it stands: read again only when something of it has changed. Nobody changes what is answered. */
export async function studentHistory(
  database: Database,
  principal: CoachPrincipal,
  studentId: string,
): Promise<StudentHistory> {
  const [stand, { settings }] = await Promise.all([
    sessionsStand(database, principal, studentId),
    getCoach(database, principal),
  ]);
  const faceShare = Number(settings.faceShare);
  const read: Read = readFrom.get(database) ?? new Map();
  readFrom.set(database, read);
  const { as, coachId } = principal;
  const key = JSON.stringify([as, coachId, studentId]);
  const at = JSON.stringify([faceShare, stand]);
  const known = read.get(key);
  read.delete(key);
  if (known?.at === at) {
    read.set(key, known);
    return known.history;
  }
  const sessions = await listSessions(database, principal, { studentId });
  const logged = sessions.map(toLogged);
  const scores = keptHistory(studentId, logged, faceShare);
  const history = { sessions, logged, faceShare, scores };
  keep(read, key, at, history);
  return history;
}
