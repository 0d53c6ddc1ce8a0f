import { Matrix, inverse } from 'ml-matrix';
import { addBasis, basisOf, noBasis, type Basis } from './basis';
import { findingsOf, hidesSide, type Findings, type LoggedRun, type Unscored } from './cells';
import {
  carry,
  ofPlayer,
  priorBelief,
  straightened,
  unfolded,
  withMounts,
  type Belief,
} from './gaussian';
import { DEFAULT_FACE_SHARE } from './latents';
import { instrumentsOf, type InstrumentOff } from './instruments';
import { observe } from './posterior';
import { scoresOf, type Scores } from './skills';
import { AS_PLANNED, shifted } from './terms';
import { learnWander, unknownWander, variancesOf } from './wander';

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
  /** What the scores are read from. */
  belief: { alone: Belief; carried: Belief; smoothed: Belief };
  /** How far off each instrument reads, as it is known then. */
  instruments: InstrumentOff[];
  /** What its putts say, for comparing it with others. */
  findings: Findings;
}

const DAY = 86_400_000;
const daysBetween = (from: Date, to: Date): number => (to.getTime() - from.getTime()) / DAY;

/** A belief at each session. */
interface Step {
  session: LoggedSession;
  findings: Findings;
  /** From its own putts only. */
  alone: Belief;
  /** Before its putts and after them. */
  before: Belief;
  after: Belief;
}

/** Runs the filter over a player's sessions in order of time; those that say nothing are left out. */
function filtered(sessions: readonly LoggedSession[], faceShare: number): Step[] {
  const own = priorBelief();
  const told = sessions
    .map((session) => ({ session, findings: findingsOf(named(session)) }))
    .filter(({ findings }) => findings.cells.length > 0)
    .sort((a, b) => a.session.at.getTime() - b.session.at.getTime());
  // How an instrument stands lasts from session to session, and is found along with the player.
  const mounts = [...new Set(told.flatMap(({ findings }) => findings.mounts))];
  const prior = withMounts(own, mounts.length);
  let last: Step | undefined;
  let wander = unknownWander();
  return told.map(({ session, findings: found }) => {
    const findings = onMounts(found, mounts);
    const alone = observe(prior, findings, faceShare);
    let before = prior;
    if (last) {
      const days = daysBetween(last.session.at, session.at);
      const known = hidesSide(findings.cells) ? last.after : sided(last.after);
      wander = learnWander(wander, known, days, alone, prior);
      before = carry(known, days, variancesOf(wander));
    }
    last = { session, findings, alone, before, after: observe(before, findings, faceShare) };
    return last;
  });
}

/** The same findings, with instruments numbered as those of several sessions are. */
export function onMounts(findings: Findings, mounts: string[]): Findings {
  if (findings.mounts.length === 0) return { ...findings, mounts };
  const to = findings.mounts.map((mount) => mounts.indexOf(mount));
  const same = (stand: number) => stand;
  return {
    ...findings,
    mounts,
    cells: findings.cells.map((cell) => shifted(cell, same, (one) => to[one]!)),
  };
}

/** Runs of one session were set up at one time: alike layouts of it share how their tees really stood. */
const named = ({ id, runs }: LoggedSession): LoggedRun[] =>
  runs.map((run) => ({ ...run, stand: run.stand ?? id }));

const sided = (belief: Belief): Belief => (belief.side === 'unknown' ? unfolded(belief) : belief);

/** What all sessions together say of each: the Gaussian recursion backwards (Rauch, Tung and Striebel 1965). */
function smoothed(steps: Step[]): Belief[] {
  const all: Belief[] = [];
  const last = steps.at(-1);
  if (!last) return all;
  all[steps.length - 1] = last.after;
  for (let t = steps.length - 2; t >= 0; t--) {
    const { after } = steps[t]!;
    const { before } = steps[t + 1]!;
    const next = all[t + 1]!;
    const gain = after.covariance.mmul(inverse(before.covariance));
    const shift = gain.mmul(
      Matrix.columnVector(Array.from(next.mean, (value, j) => value - before.mean[j]!)),
    );
    const change = next.covariance.clone().sub(before.covariance);
    all[t] = {
      mean: Float64Array.from(after.mean, (value, j) => value + shift.get(j, 0)),
      covariance: straightened(
        after.covariance.clone().add(gain.mmul(change).mmul(gain.transpose())),
      ),
      ...(after.side && next.side && { side: after.side }),
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
  const back = smoothed(steps).map(ofPlayer);
  const bases = steps.map(({ findings }) => basisOf(findings.cells));
  const all = bases.reduce(addBasis, noBasis());
  return steps.map(({ session: { id, at }, findings, ...step }, t) => {
    const [alone, after] = [ofPlayer(step.alone), ofPlayer(step.after)];
    return {
      id,
      at,
      basis: bases[t]!,
      alone: scoresOf(alone, faceShare, all),
      carried: scoresOf(after, faceShare, all),
      smoothed: scoresOf(back[t]!, faceShare, all),
      belief: { alone, carried: after, smoothed: back[t]! },
      instruments: instrumentsOf(step.after, findings),
      findings,
    };
  });
}

/**
 * What some runs say by themselves, from the prior: to compare kinds of putts with each other.
 *
 * @param runs of one player
 * @param faceShare how much of the start direction is the face's
 * @param options `any` takes putts of every manner; `exact` takes all that stands, and the green, to be just as planned, for
 *   comparing putts that share them
 */
export function beliefOfRuns(
  runs: readonly LoggedRun[],
  faceShare = DEFAULT_FACE_SHARE,
  { any = false, exact = false }: { any?: boolean; exact?: boolean } = {},
): { belief: Belief; basis: Basis } {
  const findings = findingsOf(runs, any);
  const { cells } = findings;
  const said = exact
    ? { cells: cells.map((cell) => shifted(cell, () => AS_PLANNED)), stands: [] }
    : findings;
  return { belief: observe(priorBelief(), said, faceShare), basis: basisOf(cells) };
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
  const basis = steps.map(({ findings }) => basisOf(findings.cells)).reduce(addBasis, noBasis());
  return { at: last.session.at, scores: scoresOf(last.after, faceShare, basis), basis };
}

/**
 * Runs that cannot be scored, or some putts of them, with the reason; each is told on the run itself and nowhere else.
 *
 * @param sessions of one player
 * @returns by session and place of the run in it
 */
export const unscoredOf = (sessions: readonly LoggedSession[]): (Unscored & { id: string })[] =>
  sessions.flatMap((session) =>
    findingsOf(session.runs).unscored.map((one) => ({ ...one, id: session.id })),
  );
