import { basisOf } from './basis';
import { findingsOf, type Findings, type LoggedRun } from './cells';
import { marginal, priorBelief, rootOf, type Belief } from './gaussian';
import { onMounts, type SessionScore } from './history';
import { normals } from './normals';
import { observe } from './posterior';
import {
  estimateOf,
  pointsAt,
  pointsOf,
  scoreOf,
  skillIndices,
  windowsOf,
  type Estimate,
} from './skills';
import { shifted } from './terms';

const POINTS = 600;

/** How a skill's window has changed from some sessions to later ones. */
export interface Change {
  /** The window now over the window then: below 1 is better. */
  ratio: Estimate;
  /** Probability that it has become smaller. */
  smaller: number;
  /** It would be settled, were it known how the tees really stood: measuring the gap settles it. */
  measure: boolean;
  /** The windows themselves, each from its own putts, and how many those were. */
  then: { window: Estimate; putts: number };
  now: { window: Estimate; putts: number };
}

/**
 * Windows mostly stay as they are from one time to the next and now and then step: spreads of the log of the ratio, either
 * as likely. A claim is held against that, so that of players who have not changed at most one in ten is told of a change. The
 * ratio itself is told as the putts have it.
 */
const STILL = 0.12;
const STEPS = 0.6;
const usually = (log: number): number =>
  Math.exp(-((log / STILL) ** 2) / 2) / STILL + Math.exp(-((log / STEPS) ** 2) / 2) / STEPS;

/** A change is claimed, and settled, at this probability, and z standard deviations from none. */
export const SETTLED = { probability: 0.9, z: 1.2816 } as const;

/**
 * Whether a window has really changed: before against after, each from the prior by its own putts, with what is not known of
 * how the tees stood.
 *
 * @param then earlier sessions
 * @param now later ones
 * @param skill which
 * @param faceShare how much of the start direction is the face's
 */
export function changeBetween(
  then: readonly SessionScore[],
  now: readonly SessionScore[],
  skill: string,
  faceShare: number,
): Change {
  const sides = [pooled(then), pooled(now)] as const;
  const beliefs = (some: readonly Findings[]) =>
    some.map((findings) => observe(priorBelief(), findings, faceShare));
  const [before, after] = beliefs(sides);
  const loose = sides.some(({ stands }) => stands.some(({ measured }) => !measured));
  const { ratio, smaller } = compared(before!, after!, skill, faceShare);
  const settled = (smaller: number) => Math.max(smaller, 1 - smaller) >= SETTLED.probability;
  const exact = () => {
    const [a, b] = beliefs(sides.map(withoutStands));
    return compared(a!, b!, skill, faceShare).smaller;
  };
  return {
    ratio,
    smaller,
    measure: loose && !settled(smaller) && settled(exact()),
    then: {
      window: scoreOf(pointsOf(before!, skill, faceShare)).window,
      putts: puttsOf(then, skill),
    },
    now: { window: scoreOf(pointsOf(after!, skill, faceShare)).window, putts: puttsOf(now, skill) },
  };
}

/** How one of two kinds of putts compares with the other. */
export interface Difference extends Pick<Change, 'then' | 'now'> {
  /** Log of the second's window over the first's, from the putts alone, and its variance; Infinity where they say nothing. */
  log: number;
  variance: number;
}

/**
 * Compares two kinds of putts made in turn on the same layout: the second's window over the first's. Errors of the set-up are
 * left out, since both kinds were putted on the same one. The prior is removed, so that the result can be tested as putts come in.
 *
 * @param first putts of one kind
 * @param second putts of the other
 * @param skill which
 * @param faceShare how much of the start direction is the face's
 */
export function differenceOf(
  first: readonly LoggedRun[],
  second: readonly LoggedRun[],
  skill: string,
  faceShare: number,
): Difference {
  const of = (runs: readonly LoggedRun[]) => {
    const findings = findingsOf(runs);
    const belief = observe(priorBelief(), withoutStands(findings), faceShare);
    return {
      ...logWindow(belief, skill, faceShare),
      window: scoreOf(pointsOf(belief, skill, faceShare)).window,
      putts: basisOf(findings.cells)[skill] ?? 0,
    };
  };
  const [then, now] = [of(first), of(second)];
  return { log: now.mean - then.mean, variance: then.variance + now.variance, then, now };
}

/** Mean and variance of something that is normal, or nearly so. */
export interface Moments {
  mean: number;
  variance: number;
}

/**
 * Estimates the log of a window from the putts alone: the prior that the belief began with is removed.
 *
 * @param belief made of the prior and the putts
 * @param skill which
 * @param faceShare how much of the start direction is the face's
 * @returns a variance of Infinity where the putts say nothing
 */
export function logWindow(belief: Belief, skill: string, faceShare: number): Moments {
  const of = (one: Belief) => momentsOf(windowsOf(pointsOf(one, skill, faceShare)).map(Math.log));
  return withoutPrior(of(belief), of(priorBelief()));
}

function momentsOf(values: Float64Array): Moments {
  const mean = values.reduce((sum, one) => sum + one, 0) / values.length;
  const variance = values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / values.length;
  return { mean, variance };
}

/** Removes the prior from a posterior, both normal. */
function withoutPrior(after: Moments, before: Moments): Moments {
  const precision = 1 / after.variance - 1 / before.variance;
  if (!(precision > 0)) return { mean: 0, variance: Infinity };
  return {
    mean: (after.mean / after.variance - before.mean / before.variance) / precision,
    variance: 1 / precision,
  };
}

/** Fewer putts than this are too few to judge a change by, where there are more. */
const ENOUGH = 60;

/**
 * The first sessions and the last ones that say something of a skill: as many as make up enough putts at each end, and never
 * one at both.
 *
 * @param scores in order of time
 * @param skill which
 * @returns null where fewer than two sessions say something
 */
export function endsOf(
  scores: readonly SessionScore[],
  skill: string,
): { then: SessionScore[]; now: SessionScore[] } | null {
  const speaking = scores.filter(({ basis }) => (basis[skill] ?? 0) > 0);
  if (speaking.length < 2) return null;
  const most = Math.floor(speaking.length / 2);
  const until = (some: SessionScore[]) => {
    let putts = 0;
    const upTo = some.findIndex(({ basis }) => (putts += basis[skill] ?? 0) >= ENOUGH);
    return some.slice(0, Math.min(most, upTo === -1 ? most : upTo + 1));
  };
  return { then: until(speaking), now: until([...speaking].reverse()).reverse() };
}

const puttsOf = (sessions: readonly SessionScore[], skill: string): number =>
  sessions.reduce((sum, { basis }) => sum + (basis[skill] ?? 0), 0);

/** What some sessions say together; each keeps its own stands, and instruments are the same in all. */
function pooled(sessions: readonly SessionScore[]): Findings {
  const mounts = [...new Set(sessions.flatMap(({ findings }) => findings.mounts))];
  const all: Findings = { cells: [], stands: [], mounts, unscored: [] };
  for (const { findings } of sessions) {
    const before = all.stands.length;
    const { cells } = onMounts(findings, mounts);
    all.cells.push(...cells.map((cell) => shifted(cell, (stand) => stand + before)));
    all.stands.push(...findings.stands);
  }
  return all;
}

/** The same with every tee where it was meant to be, and every instrument too. */
const withoutStands = (findings: Findings): Findings => ({
  ...findings,
  cells: findings.cells.map((cell) => shifted(cell, () => -1)),
});

/** Two beliefs that know nothing of each other, compared at evenly likely players. */
function compared(
  before: Belief,
  after: Belief,
  skill: string,
  faceShare: number,
): Pick<Change, 'ratio' | 'smaller'> {
  const indices = skillIndices(skill);
  const size = indices.length;
  const draws = normals(POINTS, 2 * size);
  const windows = (belief: Belief, from: number) => {
    const { mean, covariance } = marginal(belief, indices);
    const root = rootOf(covariance).to2DArray();
    const at = draws.map((draw) =>
      mean.map((value, j) => {
        let sum = value;
        for (let k = 0; k <= j; k++) sum += root[j]![k]! * draw[from + k]!;
        return sum;
      }),
    );
    return windowsOf(pointsAt(at, skill, faceShare));
  };
  const [old, recent] = [windows(before, 0), windows(after, size)];
  const ratios = recent.map((window, i) => window / old[i]!);
  const weights = ratios.map((ratio) => usually(Math.log(ratio)));
  let [smaller, all] = [0, 0];
  ratios.forEach((ratio, i) => {
    all += weights[i]!;
    if (ratio < 1) smaller += weights[i]!;
  });
  return { ratio: estimateOf(ratios), smaller: smaller / all };
}

/** More putts than this are no plan. */
const MOST = 2000;
/** A change smaller than this share, either way, is as good as none: it is settled too when it is known to be so small. */
const WORTH = 0.2;

const logSpreadOf = ({ low, high }: Estimate): number => Math.log(high / low) / (2 * SETTLED.z);

/** How many more putts would settle whether a window has changed. */
export interface ToSettle {
  putts: number;
  /** Half of them at first, as a new beginning: what was putted then is too little ever to settle it. */
  anew: boolean;
}

/**
 * How many more putts would settle whether a window has changed, or else that it has changed by less than a fifth, were the
 * change as it seems now and a putt as telling as they were.
 *
 * @param change as it seems
 * @returns no putts when it is settled, null when it would take more than 2,000
 */
export function puttsToSettle({ ratio, smaller, then, now }: Change): ToSettle | null {
  if (Math.max(smaller, 1 - smaller) >= SETTLED.probability) return { putts: 0, anew: false };
  const seems = Math.abs(Math.log(ratio.middle));
  const wanted = (Math.max(seems, WORTH) / SETTLED.z) ** 2;
  const [before, after] = [logSpreadOf(then.window) ** 2, logSpreadOf(now.window) ** 2];
  if (seems <= WORTH && before + after <= wanted) return { putts: 0, anew: false };
  const perPutt = Math.max(1 / (before * then.putts), 1 / (after * now.putts));
  const capped = (putts: number, anew: boolean): ToSettle | null => {
    const whole = Math.max(1, Math.ceil(putts));
    return whole > MOST ? null : { putts: whole, anew };
  };
  if (before < wanted) {
    const more = (1 / (wanted - before) - 1 / after) / perPutt;
    const fresh = 4 / wanted / perPutt;
    if (more < fresh) return capped(more, false);
  }
  return capped(4 / wanted / perPutt, true);
}
