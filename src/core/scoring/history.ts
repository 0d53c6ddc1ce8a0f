import { standing, type Layout, type Outcomes, type Standing } from '@/core/layout';
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

/** What one putt says of its start direction: where all that its elements say is true at once; null when nothing. */
function startOf(
  elements: Standing[],
  outcomes: Outcomes,
): { lower: number; upper: number } | null {
  const said = elements.flatMap((element) =>
    element.evidence(outcomes[element.id] ?? '').filter(({ quantity }) => quantity === 'start'),
  );
  const [first] = said;
  if (!first) return null;
  const lower = Math.max(...said.map((one) => one.lower));
  const upper = Math.min(...said.map((one) => one.upper));
  // A ball that a tee has turned can meet what its start would not have: then only the first thing it met counts.
  return lower < upper ? { lower, upper } : { lower: first.lower, upper: first.upper };
}

/**
 * What the outcomes of some runs say of the start direction, equal intervals counted together. Two gates on one putt
 * are one piece of evidence.
 *
 * @param runs layouts with what happened on each putt
 */
export function startObservations(runs: LoggedRun[]): Observation[] {
  const counts = new Map<string, Observation>();
  for (const { layout, putts } of runs) {
    const elements = standing(layout);
    for (const outcomes of putts) {
      const said = startOf(elements, outcomes);
      if (!said) continue;
      const key = `${said.lower} ${said.upper}`;
      const known = counts.get(key);
      if (known) known.count += 1;
      else counts.set(key, { ...said, count: 1 });
    }
  }
  return [...counts.values()];
}

const DAY = 86_400_000;

/** Runs the grid filter over a player's sessions in order of time; those that say nothing of the start are left out. */
function filterSessions(sessions: LoggedSession[], edges: EdgeTable) {
  let belief = priorBelief();
  let last: Date | undefined;
  return sessions
    .map((session) => ({ session, observations: startObservations(session.runs) }))
    .filter(({ observations }) => observations.length > 0)
    .sort((a, b) => a.session.at.getTime() - b.session.at.getTime())
    .map(({ session, observations }) => {
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
  return filterSessions(sessions, edges).map(({ session: { id, at }, observations, belief }) => ({
    id,
    at,
    putts: observations.reduce((sum, { count }) => sum + count, 0),
    alone: score(observe(prior, observations, edges)),
    carried: score(belief),
  }));
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
