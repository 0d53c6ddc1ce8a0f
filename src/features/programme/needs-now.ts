import 'server-only';
import { differenceInCalendarDays } from 'date-fns';
import { needsOf, type Need } from '@/core/planning';
import { beliefLater, priorBelief, scoresOf, type Belief, type SessionScore } from '@/core/scoring';
import {
  listProgrammes,
  refreshProgramme,
  type CoachPrincipal,
  type Database,
  type Programme,
} from '@/data';
import { studentHistory } from '../shared/server';
import { basisOfAll } from '../students/reading';

/** What is known of a player at a time: what was known last, wider by the days since. */
export function beliefAt(scores: readonly SessionScore[], at: Date): Belief {
  const last = scores.at(-1);
  if (!last) return priorBelief();
  return beliefLater(last.belief.carried, Math.max(0, differenceInCalendarDays(at, last.at)));
}

/** What a student needs, as it is known at a time. */
export async function needsNow(
  database: Database,
  principal: CoachPrincipal,
  studentId: string,
  at: Date,
): Promise<Need[]> {
  const { scores, faceShare } = await studentHistory(database, principal, studentId);
  return needsOf(scoresOf(beliefAt(scores, at), faceShare), basisOfAll(scores));
}

/** The programmes that go on, brought up to date. */
export async function currentProgrammes(
  database: Database,
  principal: CoachPrincipal,
  at: Date,
  zone: string,
): Promise<Programme[]> {
  const going = (await listProgrammes(database, principal)).filter(({ endedAt }) => !endedAt);
  const refreshed: Programme[] = [];
  for (const { id, studentId } of going) {
    const needs = await needsNow(database, principal, studentId, at);
    refreshed.push(await refreshProgramme(database, principal, id, { needs, at, zone }));
  }
  return refreshed;
}
