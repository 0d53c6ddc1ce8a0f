import 'server-only';
import { changeBetween, type Change } from '@/core/scoring';
import type { CoachPrincipal, Database, Session } from '@/data';
import { basisOfAll } from '../students/reading';
import { studentHistory, told, type ScoreTold } from '../reckoning/history';

/** What a session says, and what was known before it. */
export interface ReviewRead {
  /** All of the student's. */
  sessions: Session[];
  /** Null where no putt of it says anything. */
  score: ScoreTold | null;
  /** Putts that told of each skill, from the first session to this one. */
  putts: Partial<Record<string, number>>;
  /** By skill: since the session before that told of it; none where this is the first. */
  changes: Partial<Record<string, { since: Date; change: Change; before: ScoreTold }>>;
}

/** Reads what a review tells of one session. */
export async function readReview(
  database: Database,
  principal: CoachPrincipal,
  { studentId, sessionId }: { studentId: string; sessionId: string },
): Promise<ReviewRead> {
  const { sessions, scores, faceShare } = await studentHistory(database, principal, studentId);
  const here = scores.findIndex(({ id }) => id === sessionId);
  const score = scores[here];
  if (!score) return { sessions, score: null, putts: {}, changes: {} };
  const changes = Object.entries(score.basis).flatMap(([skill, putts]) => {
    const before = scores.slice(0, here).findLast(({ basis }) => (basis[skill] ?? 0) > 0);
    if (putts === 0 || !before) return [];
    const change = changeBetween([before], [score], skill, faceShare);
    return [[skill, { since: before.at, change, before: told([before])[0]! }] as const];
  });
  const putts = basisOfAll(scores.slice(0, here + 1));
  return { sessions, score: told([score])[0]!, putts, changes: Object.fromEntries(changes) };
}
