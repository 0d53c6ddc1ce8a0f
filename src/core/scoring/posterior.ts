import { CholeskyDecomposition, Matrix, inverse } from 'ml-matrix';
import { hidesSide, type Findings } from './cells';
import {
  marginal,
  ofPlayer,
  rootOf,
  straightened,
  withMarginal,
  withMounts,
  type Belief,
} from './gaussian';
import { MISHITS, biasAt, dimension, standIndex } from './latents';
import { model, type Model, type Ready } from './likelihood';
import { normals } from './normals';
import { shifted } from './terms';

const MOST_STEPS = 40;
const ROUGH_STEPS = 14;
/** A step that promises less than this in log density is no step. */
const CLOSE = 1e-5;
/** Samples to correct the curvature's normal with, where putts are few and what they say is skewed. */
const SAMPLES = 256;
/** Above this many cells the normal needs no correction, and the correction would take long. */
const MANY_CELLS = 120;

/**
 * What is known of a player after some putts.
 *
 * The mode of the posterior is found by Newton steps and its curvature gives a normal around it (Laplace); samples from
 * that normal, weighted by the posterior itself, then give mean and covariance, so that few or all-clear putts keep
 * their skew. How each stand was really set, and how many slips there were, is found along with the player and left out of
 * the answer: it widens it. Parameters that no putt speaks of follow by what ties them to the others.
 *
 * @param before what was known before
 * @param findings what the putts say, in any order
 * @param faceShare how much of the start direction is the face's, 0 to 1
 */
export function observe(before: Belief, findings: Said, faceShare: number): Belief {
  const { mounts = [] } = findings;
  if (before.mean.length === dimension() + mounts.length) {
    return observed(before, findings, faceShare);
  }
  return ofPlayer(observed(withMounts(ofPlayer(before), mounts.length), findings, faceShare));
}

type Said = Pick<Findings, 'cells' | 'stands'> & Partial<Pick<Findings, 'mounts'>>;

function observed(before: Belief, { cells, stands, mounts = [] }: Said, faceShare: number): Belief {
  const player = dimension();
  // How instruments stand comes first among the stands.
  const { ready, size, ...chances } = model(faceShare, mounts.length + stands.length);
  const placed =
    mounts.length > 0
      ? cells.map((cell) => shifted(cell, (stand) => stand + mounts.length))
      : cells;
  // What not even a slip could do says nothing: the tees of a lane, say, that no head can touch at once.
  const all = placed.map(ready).filter(({ slip }) => slip > IMPOSSIBLE);
  const active = [...new Set(all.flatMap((cell) => cell.active))].sort((a, b) => a - b);
  // Parameters of the player and of instruments, which the belief holds without the shares of mishits between them.
  const isOwn = (index: number) =>
    index < player || (index >= standIndex(0) && index < standIndex(mounts.length));
  const inBelief = (index: number) => (index < player ? index : index - MISHITS);
  const own = active.filter(isOwn);
  if (own.length === 0) return before;
  const kept = own.map(inBelief);
  const rest = active.filter((index) => !isOwn(index));
  const from = (start: Belief) =>
    posterior(chances, all, size, marginal(start, kept), [...own, ...rest]);
  if (hidesSide(cells)) {
    const found = overSides(before, from, own);
    return { ...withMarginal(before, kept, found), side: 'unknown' };
  }
  const target = from(before);
  const joint = climb(target);
  const mode = marginal(joint, firstOf(own.length));
  const found =
    all.length > MANY_CELLS
      ? mode
      : reweighed(mode, profile(target, joint, own.length), own.length);
  return withMarginal(before, kept, found);
}

const firstOf = (count: number): number[] => Array.from({ length: count }, (_, i) => i);

/** Biases that are tried where nothing tells right from left, in prior standard deviations, to one side. */
const TRIED = Array.from({ length: 9 }, (_, i) => 0.15 + 0.3 * i);

/**
 * What is known where nothing tells right from left: a player who is far off and steady misses as often as one who is on
 * line and wild, so the posterior is a ridge. The prior of the face's bias is cut into narrow ones, each of which has its
 * mode and its evidence (Laplace); together they make one normal, to one side.
 */
function overSides(before: Belief, from: (start: Belief) => Target, own: number[]): Belief {
  const at = biasAt('face');
  const deviation = Math.sqrt(before.covariance.get(at, at));
  const step = deviation * (TRIED[1]! - TRIED[0]!);
  const tried = TRIED.map((by) => {
    const mean = Float64Array.from(before.mean);
    mean[at] = by * deviation;
    const covariance = before.covariance.clone();
    for (let j = 0; j < mean.length; j++) {
      covariance.set(at, j, 0);
      covariance.set(j, at, 0);
    }
    covariance.set(at, at, step * step);
    const target = from({ mean, covariance });
    const joint = climb(target);
    const root = rootOf(joint.covariance);
    const logVolume = firstOf(joint.mean.length).reduce(
      (sum, j) => sum + Math.log(root.get(j, j)),
      0,
    );
    const evidence = target.logDensity(joint.mean) + logVolume - (by * by) / 2;
    return { belief: marginal(joint, firstOf(own.length)), evidence };
  });
  const top = Math.max(...tried.map(({ evidence }) => evidence));
  const raw = tried.map(({ evidence }) => Math.exp(evidence - top));
  const total = raw.reduce((sum, one) => sum + one, 0);
  const mean = new Float64Array(own.length);
  tried.forEach(({ belief }, i) =>
    belief.mean.forEach((value, j) => (mean[j]! += (raw[i]! / total) * value)),
  );
  const covariance = Matrix.zeros(own.length, own.length);
  tried.forEach(({ belief }, i) => {
    const off = Matrix.columnVector(Array.from(belief.mean, (value, j) => value - mean[j]!));
    const around = belief.covariance.clone().add(off.mmul(off.transpose()));
    covariance.add(around.mul(raw[i]! / total));
  });
  return { mean, covariance: straightened(covariance) };
}

/** The log density along the player's parameters, all else where it is likeliest for them. */
function profile({ logDensity }: Target, { mean, covariance }: Belief, count: number) {
  const rest = Array.from({ length: mean.length - count }, (_, i) => count + i);
  if (rest.length === 0) return logDensity;
  const own = Array.from({ length: count }, (_, i) => i);
  const gain = covariance
    .selection(rest, own)
    .mmul(inverse(covariance.selection(own, own)))
    .to2DArray();
  return (point: Float64Array): number => {
    const whole = new Float64Array(mean.length);
    whole.set(point);
    gain.forEach((row, i) => {
      whole[count + i] = row.reduce(
        (sum, by, j) => sum + by * (point[j]! - mean[j]!),
        mean[count + i]!,
      );
    });
    return logDensity(whole);
  };
}

/** Less likely than this is not likely at all. */
const IMPOSSIBLE = 1e-100;

interface Target {
  start: Float64Array;
  logDensity(at: Float64Array): number;
  /** Slope of the log density, and a curvature from the slopes of single putts (Berndt and others 1974), to step by. */
  slopes(at: Float64Array): { gradient: Float64Array; curvature: Matrix };
  /** The negative curvature itself, from differences of the slope. */
  curvature(at: Float64Array): Matrix;
}

/**
 * The log posterior of the parameters that the putts speak of: those of the belief, then slips and stands.
 *
 * @param before of the first of the parameters
 * @param indices of the parameters in the model
 */
function posterior(
  { chance, chanceSloped }: Pick<Model, 'chance' | 'chanceSloped'>,
  cells: Ready[],
  parameters: number,
  before: Belief,
  indices: number[],
): Target {
  const own = withOthers(before, indices.length - before.mean.length);
  const precision = inverse(own.covariance);
  const full = new Float64Array(parameters);
  const place = (at: Float64Array) => indices.forEach((index, j) => (full[index] = at[j]!));
  const gradient = new Float64Array(parameters);
  const size = indices.length;
  /** Cells that each parameter moves. */
  const movedBy = indices.map((index) => cells.filter(({ active }) => active.includes(index)));

  const precise = precision.to2DArray();
  const pull = (at: Float64Array) =>
    precise.map((row) => row.reduce((sum, one, k) => sum + one * (at[k]! - own.mean[k]!), 0));
  const logDensity = (at: Float64Array): number => {
    place(at);
    let sum = 0;
    for (const cell of cells) sum += cell.count * Math.log(chance(cell, full));
    let drawn = 0;
    for (let j = 0; j < size; j++) {
      for (let k = 0; k < size; k++) {
        drawn += (at[j]! - own.mean[j]!) * precise[j]![k]! * (at[k]! - own.mean[k]!);
      }
    }
    return sum - drawn / 2;
  };
  /** Slope of the log likelihood of some cells; the products of their slopes into `products`. */
  const slopeOf = (some: Ready[], products?: number[][]): Float64Array => {
    const sum = new Float64Array(size);
    for (const cell of some) {
      const value = chanceSloped(cell, full, gradient);
      const weight = cell.count / value;
      for (let j = 0; j < size; j++) sum[j]! += weight * gradient[indices[j]!]!;
      if (!products) continue;
      for (let j = 0; j < size; j++) {
        const by = (weight / value) * gradient[indices[j]!]!;
        if (by === 0) continue;
        for (let k = 0; k < size; k++) products[j]![k]! += by * gradient[indices[k]!]!;
      }
    }
    return sum;
  };
  return {
    start: Float64Array.from(own.mean),
    logDensity,
    slopes: (at) => {
      place(at);
      const products = Array.from({ length: size }, () => Array<number>(size).fill(0));
      const whole = slopeOf(cells, products);
      const drawn = pull(at);
      return {
        gradient: whole.map((value, j) => value - drawn[j]!),
        curvature: straightened(new Matrix(products).add(precision)),
      };
    },
    curvature: (at) => {
      place(at);
      const found = Matrix.zeros(size, size);
      const here = new Map(cells.map((cell) => [cell, slopeOf([cell])]));
      indices.forEach((index, j) => {
        const some = movedBy[j]!;
        const step = 1e-4 * Math.sqrt(own.covariance.get(j, j));
        const value = full[index]!;
        full[index] = value + step;
        const there = slopeOf(some);
        full[index] = value;
        for (let k = 0; k < size; k++) {
          const before = some.reduce((sum, cell) => sum + here.get(cell)![k]!, 0);
          found.set(k, j, (before - there[k]!) / step);
        }
      });
      return straightened(found.add(precision));
    },
  };
}

/** A belief with as many more parameters, each standard normal and tied to none. */
function withOthers({ mean, covariance }: Belief, count: number): Belief {
  const size = mean.length + count;
  const wide = Matrix.eye(size);
  wide.setSubMatrix(covariance, 0, 0);
  const all = new Float64Array(size);
  all.set(mean);
  return { mean: all, covariance: wide };
}

/** The mode, and the normal that its curvature makes. */
function climb({ start, logDensity, slopes, curvature }: Target): Belief {
  let at = start;
  let here = logDensity(at);
  for (let step = 0; step < MOST_STEPS; step++) {
    const { gradient, curvature: near } = slopes(at);
    // Once the putts' own slopes have led close, the curvature itself leads there.
    const root = solvable(step < ROUGH_STEPS ? near : curvature(at));
    const move = root.solve(Matrix.columnVector(Array.from(gradient))).to1DArray();
    const promised = move.reduce((sum, one, j) => sum + one * gradient[j]!, 0);
    if (promised < CLOSE) break;
    let share = 1;
    let next = at;
    let there = -Infinity;
    for (let halving = 0; halving < 30; halving++, share /= 2) {
      next = at.map((value, j) => value + share * move[j]!);
      there = logDensity(next);
      if (there > here + 1e-4 * share * promised) break;
    }
    if (there <= here) break;
    [at, here] = [next, there];
  }
  const root = solvable(curvature(at));
  return { mean: at, covariance: straightened(root.solve(Matrix.eye(at.length))) };
}

/** A curvature that bends down every way: where it does not yet, the prior's is leant upon more. */
function solvable(curvature: Matrix): CholeskyDecomposition {
  for (let ridge = 0; ; ridge = ridge === 0 ? 1e-3 : ridge * 4) {
    const tried = curvature.clone();
    for (let j = 0; j < tried.rows; j++) {
      tried.set(j, j, tried.get(j, j) + ridge * Math.abs(tried.get(j, j)) + 1e-12);
    }
    const root = new CholeskyDecomposition(tried);
    if (root.isPositiveDefinite()) return root;
  }
}

/** Widens the proposal a little, so that its tails hold the posterior's. */
const WIDER = 1.25;
/** A proposal is good enough once its samples weigh as much as this share of equally weighted ones (Kong 1992). */
const ENOUGH = 0.3;
/** Proposals that are tried at most. */
const MOST_ROUNDS = 4;

interface Weighted {
  points: Float64Array[];
  weights: number[];
}

/** Samples of a normal, with their log weights as samples of a posterior. */
function proposed(
  near: Belief,
  logDensity: (at: Float64Array) => number,
  draws: readonly Float64Array[],
) {
  const root = rootOf(near.covariance).mul(WIDER).to2DArray();
  const points = draws.map((draw) =>
    near.mean.map((value, j) => {
      let moved = value;
      for (let k = 0; k <= j; k++) moved += root[j]![k]! * draw[k]!;
      return moved;
    }),
  );
  const logs = points.map(
    (point, i) => logDensity(point) + draws[i]!.reduce((sum, z) => sum + z * z, 0) / 2,
  );
  return { points, logs };
}

/** Weights of samples, each to some power of at most 1, that sum to 1. */
function weightsOf(logs: readonly number[], power: number): number[] {
  const top = Math.max(...logs);
  const raw = logs.map((one) => Math.exp(power * (one - top)));
  const total = raw.reduce((sum, one) => sum + one, 0);
  return raw.map((one) => one / total);
}

/** How many equally weighted samples weighted ones are worth, as a share of all. */
const worth = (weights: readonly number[]): number =>
  1 / weights.reduce((sum, one) => sum + one * one, 0) / weights.length;

/** Mean and sums of products about it of weighted points. */
function momentsOf({ points, weights }: Weighted, size: number) {
  const mean = new Float64Array(size);
  points.forEach((point, i) => {
    for (let j = 0; j < size; j++) mean[j]! += weights[i]! * point[j]!;
  });
  const sums = Array.from({ length: size }, () => new Float64Array(size));
  points.forEach((point, i) => {
    for (let j = 0; j < size; j++) {
      const off = weights[i]! * (point[j]! - mean[j]!);
      for (let k = 0; k < size; k++) sums[j]![k]! += off * (point[k]! - mean[k]!);
    }
  });
  return { mean, sums };
}

/**
 * Estimates the mean and covariance of a posterior from weighted samples of a normal near it (importance sampling). Where a few
 * samples carry all the weight, because the likelihood is a curved ridge, the normal is moved towards them in small steps and
 * sampled again (adaptive importance sampling; Cappé and others 2004).
 */
function reweighed(near: Belief, logDensity: (at: Float64Array) => number, size: number): Belief {
  const draws = normals(SAMPLES, size);
  let proposal = near;
  let { points, logs } = proposed(proposal, logDensity, draws);
  for (let round = 1; round < MOST_ROUNDS; round++) {
    let power = 1;
    while (power > 0.05 && worth(weightsOf(logs, power)) < ENOUGH) power *= 0.8;
    if (power === 1) break;
    const { mean, sums } = momentsOf({ points, weights: weightsOf(logs, power) }, size);
    proposal = {
      mean,
      covariance: straightened(new Matrix(sums.map((row) => Array.from(row)))),
    };
    ({ points, logs } = proposed(proposal, logDensity, draws));
  }
  const weights = weightsOf(logs, 1);
  const { mean, sums } = momentsOf({ points, weights }, size);
  // What is told is an interval: a normal that has it, rather than one that has the variance of a long tail.
  const ends = mean.map((_, j) => Math.sqrt(sums[j]![j]!));
  const told = Array.from(ends, (deviation, j) => {
    const at = (share: number) => quantile(points, weights, j, share);
    const [low, high] = [at(TAIL), at(1 - TAIL)];
    return { middle: (low + high) / 2, scale: (high - low) / (2 * TAIL_AT) / deviation };
  });
  return {
    mean: Float64Array.from(told, ({ middle }) => middle),
    covariance: straightened(
      new Matrix(
        sums.map((row, j) => Array.from(row, (one, k) => one * told[j]!.scale * told[k]!.scale)),
      ),
    ),
  };
}

/** The tails that an 80 % interval leaves, and where they begin on a standard normal. */
const TAIL = 0.1;
const TAIL_AT = 1.2815515655446004;

/** A quantile of one parameter over weighted points. */
function quantile(
  points: readonly Float64Array[],
  weights: readonly number[],
  at: number,
  share: number,
): number {
  const order = points.map((_, i) => i).sort((a, b) => points[a]![at]! - points[b]![at]!);
  let passed = 0;
  let before: { value: number; share: number } | null = null;
  for (const i of order) {
    const [value, middle] = [points[i]![at]!, passed + weights[i]! / 2];
    if (middle >= share) {
      if (!before) return value;
      const part = (share - before.share) / (middle - before.share);
      return before.value + part * (value - before.value);
    }
    before = { value, share: middle };
    passed += weights[i]!;
  }
  return before!.value;
}
