import { Matrix, inverse } from 'ml-matrix';
import type { Pixel } from './plane';

/** A lens as phones have it: its focal length over the long side of the picture, and how far off that is as a share. */
const LENS = { focal: 0.72, off: 0.2 } as const;
/** Focal lengths are tried about the usual one to this much either way, in its logarithm; then more narrowly about the best. */
const REACHES = [1, 0.05, 0.002] as const;
const TRIED = Array.from({ length: 81 }, (_, i) => (i - 40) / 40);

/** A focal length, pixels, and how far off it is as a share, one standard deviation. */
export interface Focal {
  length: number;
  off: number;
}

type Column = readonly [number, number, number];
const columnsOf = (h: readonly number[], { x, y }: Pixel): [Column, Column] => {
  const column = (i: 0 | 1): Column => [
    h[i]! - x * h[6 + i]!,
    h[3 + i]! - y * h[6 + i]!,
    h[6 + i]!,
  ];
  return [column(0), column(1)];
};

/** By how much the two axes of the ground are not square to each other and not of one length, seen through a lens. */
function skewOf([a, b]: [Column, Column], focal: number): [number, number] {
  const dot = (p: Column, q: Column) => (p[0] * q[0] + p[1] * q[1]) / focal ** 2 + p[2] * q[2];
  const size = (dot(a, a) + dot(b, b)) / 2;
  return [dot(a, b) / size, (dot(a, a) - dot(b, b)) / (2 * size)];
}

/**
 * Returns the focal length of a picture of the ground: the one at which its axes are square and of one length (Hartley and
 * Zisserman, ch. 8.8), weighed against what phones have.
 *
 * @param h the projection of the ground
 * @param covariance of its first eight numbers
 * @param middle of the picture, where the lens looks
 */
export function focalOf(
  h: readonly number[],
  covariance: readonly (readonly number[])[],
  middle: Pixel,
): Focal {
  const usual = LENS.focal * 2 * Math.max(middle.x, middle.y);
  const slopes = covariance.map((row, i) => {
    const step = Math.sqrt(row[i]!) * 0.01;
    const at = (by: number) =>
      skewOf(
        columnsOf(
          h.map((one, j) => (j === i ? one + by : one)),
          middle,
        ),
        usual,
      );
    const [up, down] = [at(step), at(-step)];
    return [0, 1].map((k) => (up[k]! - down[k]!) / (2 * step));
  });
  const by = new Matrix(slopes);
  const noise = by
    .transpose()
    .mmul(new Matrix(covariance as number[][]))
    .mmul(by);
  // Never singular: what the picture cannot tell, the usual lens does.
  const precision = inverse(noise.add(Matrix.eye(2).mul(1e-12)));
  const columns = columnsOf(h, middle);
  const costOf = (log: number): number => {
    const skew = Matrix.columnVector(skewOf(columns, Math.exp(log) * usual));
    const misfit = skew.transpose().mmul(precision).mmul(skew).get(0, 0);
    return (misfit + (log / LENS.off) ** 2) / 2;
  };
  let [mean, variance] = [0, 0];
  for (const reach of REACHES) {
    const weighed = TRIED.map((by) => ({
      log: mean + by * reach,
      cost: costOf(mean + by * reach),
    }));
    const least = Math.min(...weighed.map(({ cost }) => cost));
    const weights = weighed.map(({ log, cost }) => ({ log, weight: Math.exp(least - cost) }));
    const total = weights.reduce((sum, { weight }) => sum + weight, 0);
    const middleLog = weights.reduce((sum, { log, weight }) => sum + weight * log, 0) / total;
    mean = middleLog;
    variance =
      weights.reduce((sum, { log, weight }) => sum + weight * (log - middleLog) ** 2, 0) / total;
    // Wider than what is tried next: it is known as well as it can be.
    if (Math.sqrt(variance) > REACHES[1] * reach) break;
  }
  return { length: usual * Math.exp(mean), off: Math.sqrt(variance) };
}

/**
 * Returns the projection of a plane above the ground: what lies in it is read off as the ground straight below.
 *
 * @param h the projection of the ground
 * @param focal length, pixels
 * @param middle of the picture
 * @param height above the ground, m
 */
export function raised(
  h: readonly number[],
  focal: number,
  middle: Pixel,
  height: number,
): number[] {
  const seen = ([x, y, z]: Column): Column => [x / focal, y / focal, z];
  const [a, b] = columnsOf(h, middle).map(seen) as [Column, Column];
  const size = Math.sqrt((a.reduce((s, x) => s + x * x, 0) + b.reduce((s, x) => s + x * x, 0)) / 2);
  // Square to both axes of the ground, and as long.
  const up: Column = [
    (a[1] * b[2] - a[2] * b[1]) / size,
    (a[2] * b[0] - a[0] * b[2]) / size,
    (a[0] * b[1] - a[1] * b[0]) / size,
  ];
  const column = [up[0] * focal + middle.x * up[2], up[1] * focal + middle.y * up[2], up[2]];
  const whole = h.map((one, i) => (i % 3 === 2 ? one + height * column[(i - 2) / 3]! : one));
  return whole.map((one) => one / whole[8]!);
}
