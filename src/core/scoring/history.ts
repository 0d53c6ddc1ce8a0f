import { standing, type Layout, type Outcomes } from '@/core/layout';
import { EdgeTable, carry, observe, priorBelief, type Observation } from './belief';
import { score, type Score } from './score';

/** Putts on one layout. */
export interface LoggedRun {
  layout: Layout;
  putts: Outcomes[];
}

/** What was putted at one time. */
export interface LoggedSession {
  id: string;
  at: Date;
  runs: LoggedRun[];
}

/** A session's score from its own putts only, and the current skill with all earlier sessions carried to it. */
export interface SessionScore {
  id: string;
  at: Date;
  putts: number;
  alone: Score;
  carried: Score;
}

/**
 * What the outcomes of some runs say of the start direction, equal intervals counted together.
 *
 * @param runs layouts with what happened on each putt
 */
export function startObservations(runs: LoggedRun[]): Observation[] {
  const counts = new Map<string, Observation>();
  for (const { layout, putts } of runs) {
    const elements = standing(layout);
    for (const outcomes of putts) {
      for (const element of elements) {
        for (const { lower, upper } of element.evidence(outcomes[element.id] ?? '')) {
          const key = `${lower} ${upper}`;
          const known = counts.get(key);
          if (known) known.count += 1;
          else counts.set(key, { lower, upper, count: 1 });
        }
      }
    }
  }
  return [...counts.values()];
}

const DAY = 86_400_000;

/** Runs the grid filter over a player's sessions in order of time; those without putts are left out. */
function filterSessions(sessions: LoggedSession[], edges: EdgeTable) {
  let belief = priorBelief();
  let last: Date | undefined;
  return sessions
    .filter(({ runs }) => runs.some(({ putts }) => putts.length > 0))
    .sort((a, b) => a.at.getTime() - b.at.getTime())
    .map((session) => {
      const observations = startObservations(session.runs);
      if (last) belief = carry(belief, (session.at.getTime() - last.getTime()) / DAY);
      belief = observe(belief, observations, edges);
      last = session.at;
      return { session, observations, belief };
    });
}

/**
 * Scores a player's sessions one after the other: each alone from the prior, and carried from day to day by the
 * grid filter.
 *
 * @param sessions of one player, in any order
 * @returns in order of time; sessions without putts are left out
 */
export function scoreHistory(sessions: LoggedSession[]): SessionScore[] {
  const edges = new EdgeTable();
  const prior = priorBelief();
  return filterSessions(sessions, edges).map(
    ({ session: { id, at, runs }, observations, belief }) => ({
      id,
      at,
      putts: runs.reduce((sum, { putts }) => sum + putts.length, 0),
      alone: score(observe(prior, observations, edges)),
      carried: score(belief),
    }),
  );
}

/**
 * A player's score at their last session, all earlier ones carried to it: the last `carried` of
 * {@link scoreHistory}, without the work for the others.
 *
 * @param sessions of one player, in any order
 * @param edges memory to share between players on the same gates
 * @returns the score and its date, or null when there are no putts
 */
export function currentScore(
  sessions: LoggedSession[],
  edges = new EdgeTable(),
): { at: Date; score: Score } | null {
  const last = filterSessions(sessions, edges).at(-1);
  return last ? { at: last.session.at, score: score(last.belief) } : null;
}
