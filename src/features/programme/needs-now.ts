import 'server-only';
import { differenceInCalendarDays } from 'date-fns';
import { needsOf, type Need } from '@/core/planning';
import {
  beliefLater,
  priorBelief,
  pointsOf,
  scoresOf,
  type Belief,
  type SessionScore,
  type SkillPoints,
} from '@/core/scoring';
import type { CoachPrincipal, Database } from '@/data';
import { studentHistory } from '../reckoning/history';
import { basisOfAll } from '../students/reading';

/** What is known of a player at a time: what was known last, wider by the days since. */
export function beliefAt(scores: readonly SessionScore[], at: Date): Belief {
  const last = scores.at(-1);
  if (!last) return priorBelief();
  return beliefLater(last.belief.carried, Math.max(0, differenceInCalendarDays(at, last.at)));
}

/** What students need, as it is known now, in their order. */
export async function needsNow(
  database: Database,
  principal: CoachPrincipal,
  studentIds: string[],
): Promise<Need[][]> {
  const at = new Date();
  const needs: Need[][] = [];
  for (const id of studentIds) {
    const { scores, faceShare } = await studentHistory(database, principal, id);
    needs.push(needsOf(scoresOf(beliefAt(scores, at), faceShare), basisOfAll(scores)));
  }
  return needs;
}

/** Where a student stands with the skill of an aim; null while nothing was putted. */
export async function standingNow(
  database: Database,
  principal: CoachPrincipal,
  { studentId, skill }: { studentId: string; skill: string },
): Promise<{ points: SkillPoints; putts: number } | null> {
  const { scores, faceShare } = await studentHistory(database, principal, studentId);
  const last = scores.at(-1);
  if (!last) return null;
  const points = pointsOf(last.belief.carried, skill, faceShare);
  return { points, putts: basisOfAll(scores)[skill] ?? 0 };
}
