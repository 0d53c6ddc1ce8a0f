import { Matrix, inverse } from 'ml-matrix';
import { basisOf, cellsOf, type Basis, type Cell, type LoggedRun } from './cells';
import { carry, priorBelief, straightened, type Belief } from './gaussian';
import { DEFAULT_FACE_SHARE } from './latents';
import { observe } from './posterior';
import { scoresOf, type Scores } from './skills';

/** What was putted at one time. */
export interface LoggedSession {
  id: string;
  at: Date;
  runs: readonly LoggedRun[];
}

/** A session's scores: from its own putts only, as known then, and as all sessions together tell it now. */
export interface SessionScore {
  id: string;
  at: Date;
  /** Putts that say something of each skill. */
  basis: Basis;
  alone: Scores;
  /** With all earlier sessions carried to it. */
  carried: Scores;
  /** With later sessions too: smoothed backwards. */
  smoothed: Scores;
  /** What the scores are read from; the covariance with the last session's parameters tells what both share. */
  belief: { carried: Belief; smoothed: Belief; withLast: Matrix };
}

const DAY = 86_400_000;
const daysBetween = (from: Date, to: Date): number => (to.getTime() - from.getTime()) / DAY;

/** A belief at each session. */
interface Step {
  session: LoggedSession;
  cells: Cell[];
  /** Before its putts and after them. */
  before: Belief;
  after: Belief;
}

/** Runs the filter over a player's sessions in order of time; those that say nothing are left out. */
function filtered(sessions: readonly LoggedSession[], faceShare: number): Step[] {
  let last: Step | undefined;
  return sessions
    .map((session) => ({ session, cells: cellsOf(session.runs) }))
    .filter(({ cells }) => cells.length > 0)
    .sort((a, b) => a.session.at.getTime() - b.session.at.getTime())
    .map(({ session, cells }) => {
      const before = last
        ? carry(last.after, daysBetween(last.session.at, session.at))
        : priorBelief();
      last = { session, cells, before, after: observe(before, cells, faceShare) };
      return last;
    });
}

/**
 * What all sessions together say of each: the Gaussian recursion backwards (Rauch, Tung and Striebel 1965), and how each
 * goes with the last.
 */
function smoothed(steps: Step[]): { belief: Belief; withLast: Matrix }[] {
  const all: { belief: Belief; withLast: Matrix }[] = [];
  const last = steps.at(-1);
  if (!last) return all;
  all[steps.length - 1] = { belief: last.after, withLast: last.after.covariance };
  for (let t = steps.length - 2; t >= 0; t--) {
    const { after } = steps[t]!;
    const { before } = steps[t + 1]!;
    const next = all[t + 1]!;
    const gain = after.covariance.mmul(inverse(before.covariance));
    const shift = gain.mmul(
      Matrix.columnVector(Array.from(next.belief.mean, (value, j) => value - before.mean[j]!)),
    );
    const change = next.belief.covariance.clone().sub(before.covariance);
    all[t] = {
      belief: {
        mean: Float64Array.from(after.mean, (value, j) => value + shift.get(j, 0)),
        covariance: straightened(
          after.covariance.clone().add(gain.mmul(change).mmul(gain.transpose())),
        ),
      },
      withLast: gain.mmul(next.withLast),
    };
  }
  return all;
}

/**
 * Scores a player's sessions one after the other: each alone from the prior, carried from day to day by the filter, and
 * smoothed backwards.
 *
 * @param sessions of one player, in any order
 * @param faceShare how much of the start direction is the face's
 * @returns in order of time; sessions that say nothing are left out
 */
export function scoreHistory(
  sessions: readonly LoggedSession[],
  faceShare = DEFAULT_FACE_SHARE,
): SessionScore[] {
  const steps = filtered(sessions, faceShare);
  const back = smoothed(steps);
  const prior = priorBelief();
  return steps.map(({ session: { id, at }, cells, after }, t) => ({
    id,
    at,
    basis: basisOf(cells),
    alone: scoresOf(observe(prior, cells, faceShare), faceShare),
    carried: scoresOf(after, faceShare),
    smoothed: scoresOf(back[t]!.belief, faceShare),
    belief: { carried: after, smoothed: back[t]!.belief, withLast: back[t]!.withLast },
  }));
}

/**
 * What some runs say by themselves, from the prior: to compare kinds of putts with each other.
 *
 * @param runs of one player
 * @param faceShare how much of the start direction is the face's
 */
export function beliefOfRuns(
  runs: readonly LoggedRun[],
  faceShare = DEFAULT_FACE_SHARE,
): { belief: Belief; basis: Basis } {
  const cells = cellsOf(runs);
  return { belief: observe(priorBelief(), cells, faceShare), basis: basisOf(cells) };
}

/**
 * A player's scores at their last session, all earlier ones carried to it.
 *
 * @param sessions of one player, in any order
 * @param faceShare how much of the start direction is the face's
 * @returns the scores, their date and what they rest on; null when no putt says anything
 */
export function currentScores(
  sessions: readonly LoggedSession[],
  faceShare = DEFAULT_FACE_SHARE,
): { at: Date; scores: Scores; basis: Basis } | null {
  const steps = filtered(sessions, faceShare);
  const last = steps.at(-1);
  if (!last) return null;
  const basis = steps
    .map(({ cells }) => basisOf(cells))
    .reduce((sum, one) => {
      for (const skill of Object.keys(sum) as (keyof Basis)[]) sum[skill] += one[skill];
      return sum;
    });
  return { at: last.session.at, scores: scoresOf(last.after, faceShare), basis };
}
