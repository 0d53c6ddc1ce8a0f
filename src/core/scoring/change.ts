import { Matrix } from 'ml-matrix';
import { marginal, rootOf } from './gaussian';
import type { SessionScore } from './history';
import { normals } from './normals';
import {
  estimateOf,
  pointsAt,
  skillIndices,
  windowsOf,
  type Estimate,
  type SkillName,
} from './skills';

const POINTS = 600;

/** How a skill's window has changed from one session to the last. */
export interface Change {
  /** The window now over the window then: below 1 is better. */
  ratio: Estimate;
  /** Probability that it has become smaller. */
  smaller: number;
}

/**
 * Whether a window has really shrunk since an earlier session: both ends are known only so well, and share some of what
 * is known.
 *
 * @param then an earlier session
 * @param now the last session of the same history
 * @param skill which
 * @param faceShare how much of the start direction is the face's
 */
export function changeBetween(
  then: SessionScore,
  now: SessionScore,
  skill: SkillName,
  faceShare: number,
): Change {
  const indices = skillIndices(skill);
  const size = indices.length;
  const [before, after] = [
    marginal(then.belief.smoothed, indices),
    marginal(now.belief.smoothed, indices),
  ];
  const shared = then.belief.withLast.selection(indices, indices);
  const covariance = Matrix.zeros(2 * size, 2 * size);
  covariance.setSubMatrix(before.covariance, 0, 0);
  covariance.setSubMatrix(after.covariance, size, size);
  covariance.setSubMatrix(shared, 0, size);
  covariance.setSubMatrix(shared.transpose(), size, 0);
  const mean = Float64Array.from([...before.mean, ...after.mean]);
  const root = rootOf(covariance).to2DArray();
  const draws = normals(POINTS, 2 * size).map((draw) =>
    mean.map((value, j) => {
      let sum = value;
      for (let k = 0; k <= j; k++) sum += root[j]![k]! * draw[k]!;
      return sum;
    }),
  );
  const old = windowsOf(
    pointsAt(
      draws.map((draw) => draw.subarray(0, size)),
      skill,
      faceShare,
    ),
  );
  const recent = windowsOf(
    pointsAt(
      draws.map((draw) => draw.subarray(size)),
      skill,
      faceShare,
    ),
  );
  const ratios = recent.map((window, i) => window / old[i]!);
  return {
    ratio: estimateOf(ratios),
    smaller: ratios.reduce((sum, ratio) => sum + Number(ratio < 1), 0) / ratios.length,
  };
}

/** A change is settled when it is this likely, and z standard deviations from none. */
const SETTLED = { probability: 0.9, z: 1.2816 };
/** More putts than this are no plan. */
const MOST = 2000;

const logSpreadOf = ({ low, high }: Estimate): number => Math.log(high / low) / (2 * SETTLED.z);

/**
 * How many more putts would settle whether a window has changed, were the change as it seems now.
 *
 * @param change as it seems
 * @param then the window then
 * @param now the window now
 * @param perSession the window from one session alone, and its putts: what a putt tells
 * @returns 0 when it is settled, null when no number of putts now would settle it
 */
export function puttsToSettle(
  change: Change,
  then: Estimate,
  now: Estimate,
  perSession: { window: Estimate; putts: number },
): number | null {
  if (Math.max(change.smaller, 1 - change.smaller) >= SETTLED.probability) return 0;
  const seen = Math.abs(Math.log(change.ratio.middle));
  const [before, after] = [logSpreadOf(then) ** 2, logSpreadOf(now) ** 2];
  const allowed = (seen / SETTLED.z) ** 2 - before;
  if (allowed <= 0 || perSession.putts === 0) return null;
  const perPutt = 1 / (logSpreadOf(perSession.window) ** 2 * perSession.putts);
  const putts = Math.ceil(Math.max(0, 1 / allowed - 1 / after) / perPutt);
  return putts > MOST ? null : Math.max(1, putts);
}
