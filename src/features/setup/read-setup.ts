import 'server-only';
import { effectsOf, setupChanges, trialsOf, type SetupEffect, type Trial } from '@/core/coaching';
import { asTrial, cardOf } from '@/core/drill';
import type { Card } from '@/core/setup';
import type { Estimate } from '@/core/scoring';
import { getCoach, toLoggedRuns, type CoachPrincipal, type Database, type Session } from '@/data';
import { studentHistory } from '../reckoning/history';

/** What is known of a student's set-up. */
export interface SetupRead {
  /** The last that was looked at; null where nobody has. */
  last: { card: Card; at: Date } | null;
  /** What changed when, and what went along with it; the newest first. */
  effects: SetupEffect[];
  trials: Trial[];
  /** Loft at impact against 3°, where a sensor has read it. */
  loft: Estimate | null;
}

/** Skills of which a change is told. */
const SKILLS = ['start', 'face', 'path', 'strike', 'pace'] as const;
/** Changes that are told of: the newest. */
const TOLD = 3;

/** The set-up card of each session that has one, with the day of the session. */
export const datedCards = (sessions: readonly Session[]): { at: Date; card: Card }[] =>
  sessions.flatMap(({ startedAt, runs }) => {
    const card = cardOf(runs.flatMap(({ marks }) => marks));
    return card ? [{ at: startedAt, card }] : [];
  });

/** What was compared in trials, over all of a student's sessions. */
export async function readTrials(
  database: Database,
  principal: CoachPrincipal,
  { studentId }: { studentId: string },
): Promise<Trial[]> {
  const { sessions, faceShare } = await studentHistory(database, principal, studentId);
  return trialsIn(sessions, faceShare);
}

function trialsIn(sessions: readonly Session[], faceShare: number): Trial[] {
  const runs = sessions
    .flatMap((session) => session.runs)
    .filter(({ rule, cold }) => !cold && asTrial(rule))
    .flatMap((run) =>
      toLoggedRuns([run], { others: true }).map((logged) => ({ ...logged, rule: run.rule })),
    );
  return trialsOf(runs, SKILLS, faceShare);
}

/** A student's set-up: the card, what changed, and whether it worked. */
export async function readSetup(
  database: Database,
  principal: CoachPrincipal,
  { studentId }: { studentId: string },
): Promise<SetupRead> {
  const [{ sessions, scores, faceShare }, { settings }] = await Promise.all([
    studentHistory(database, principal, studentId),
    getCoach(database, principal),
  ]);
  const cards = datedCards(sessions);
  const changes = setupChanges(cards, settings.units);
  const newest = cards.toSorted((a, b) => b.at.getTime() - a.at.getTime())[0];
  const skip = Math.max(0, changes.length - TOLD);
  return {
    last: newest ?? null,
    effects: effectsOf(changes, scores, SKILLS, faceShare).slice(skip).reverse(),
    trials: trialsIn(sessions, faceShare),
    loft: scores.at(-1)?.carried.loft?.bias ?? null,
  };
}
