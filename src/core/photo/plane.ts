import type { TouchError } from './touch-error';
import {
  EigenvalueDecomposition,
  Matrix,
  SingularValueDecomposition,
  determinant,
  inverse,
} from 'ml-matrix';

/** A point of a picture, in its own pixels: x to the right, y down. */
export interface Pixel {
  x: number;
  y: number;
}

/** A point of the ground, m: x to the right of y as seen from above. */
export interface Ground {
  x: number;
  y: number;
}

/** A point whose place on the ground is known, and where it was touched in the picture. */
export interface Known {
  seen: Pixel;
  at: Ground;
  /** How far off that place is, one standard deviation in each direction, m. */
  off: number;
}

/** A picture whose ground is known: how ground becomes picture, and how sure that is. */
export interface GroundPicture {
  /** The nine numbers of the projection, row by row; the last is 1. */
  projection: readonly number[];
  /** How the first eight vary together, by the errors of the touches and of the known places. */
  covariance: readonly (readonly number[])[];
  /** The part of it that the touches alone make. */
  byTouch: readonly (readonly number[])[];
  /** How far off a touch is. */
  touch: TouchError;
  /** The middle of the picture, where the lens looks. */
  middle: Pixel;
  /** What the known points take in: their middle, and how far they reach from it, m. */
  reach: { middle: Ground; radius: number };
}

/** Why a picture cannot be measured, in words that say what would mend it. */
export type Refusal = { ok: false; message: string };

const LEAST = 4;
/** Known points nearer to a line than this share of their reach do not hold a plane. */
const NARROW = 0.06;
/** A touch this many times off what the others say is no touch of that point. */
const STRAY = 4;
/** The ground is seen this much more foreshortened than it is wide, at most: a camera about 9° above the ground. */
const FLAT = 6.5;

const middleOf = (points: readonly { x: number; y: number }[]) => ({
  x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
  y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
});

/** A similarity that brings points about 0 and to a mean distance of √2. */
function normaliser(points: readonly { x: number; y: number }[]): Matrix {
  const { x: cx, y: cy } = middleOf(points);
  const reach =
    points.reduce((sum, { x, y }) => sum + Math.hypot(x - cx, y - cy), 0) / points.length || 1;
  const scale = Math.SQRT2 / reach;
  return new Matrix([
    [scale, 0, -scale * cx],
    [0, scale, -scale * cy],
    [0, 0, 1],
  ]);
}

const moved = (by: Matrix, { x, y }: { x: number; y: number }) => ({
  x: by.get(0, 0) * x + by.get(0, 2),
  y: by.get(1, 1) * y + by.get(1, 2),
});

/** The projection that fits best by the direct linear transform with normalised coordinates. */
function direct(known: readonly Known[]): number[] {
  const [from, to] = [
    normaliser(known.map(({ at }) => at)),
    normaliser(known.map(({ seen }) => seen)),
  ];
  const rows = known.flatMap((one) => {
    const [{ x, y }, { x: u, y: v }] = [moved(from, one.at), moved(to, one.seen)];
    return [
      [-x, -y, -1, 0, 0, 0, u * x, u * y, u],
      [0, 0, 0, -x, -y, -1, v * x, v * y, v],
    ];
  });
  // The direction that the rows leave: of the square, so that four points have it too.
  const square = new Matrix(rows).transpose().mmul(new Matrix(rows));
  const least = new EigenvalueDecomposition(square).eigenvectorMatrix.getColumn(0);
  const found = new Matrix([least.slice(0, 3), least.slice(3, 6), least.slice(6, 9)]);
  const whole = inverse(to).mmul(found).mmul(from).to1DArray();
  return whole.map((one) => one / whole[8]!);
}

/** Where a point of the ground is seen; null beyond the horizon. */
function seenAt(h: readonly number[], { x, y }: Ground): Pixel | null {
  const depth = h[6]! * x + h[7]! * y + 1;
  if (depth <= 1e-9) return null;
  return { x: (h[0]! * x + h[1]! * y + h[2]!) / depth, y: (h[3]! * x + h[4]! * y + h[5]!) / depth };
}

/** How what is seen of a point moves with the eight numbers: two rows. */
function slopes(h: readonly number[], at: Ground): number[][] {
  const depth = h[6]! * at.x + h[7]! * at.y + 1;
  const { x, y } = { x: at.x / depth, y: at.y / depth };
  const seen = seenAt(h, at)!;
  return [
    [x, y, 1 / depth, 0, 0, 0, -seen.x * x, -seen.x * y],
    [0, 0, 0, x, y, 1 / depth, -seen.y * x, -seen.y * y],
  ];
}

const refuse = (message: string): Refusal => ({ ok: false, message });

/** How much narrower than wide a set of points is, from 0 on a line to 1. */
function breadthOf(points: readonly { x: number; y: number }[]): number {
  const { x: cx, y: cy } = middleOf(points);
  const spread = new SingularValueDecomposition(
    new Matrix(points.map(({ x, y }) => [x - cx, y - cy])),
  ).diagonal;
  return spread[1]! / Math.max(spread[0]!, 1e-12);
}

/**
 * Finds how a picture shows the ground, from points whose places are known.
 *
 * Direct linear transform with normalised coordinates, then least squares on the touches; the errors of the touches and of the
 * known places are taken through it by its curvature (Hartley & Zisserman, Multiple View Geometry, ch. 4 and 5). A lens is taken
 * to draw straight lines straight.
 *
 * @param known at least four points, no three of four on a line
 * @param touch how far off a touch is, pixels of the picture, above 0
 * @param size of the whole picture, pixels
 * @returns the picture with its ground, or why it cannot be had and what would mend it
 * @example groundOf(corners, usualTouch, { width: 1080, height: 1440 })
 */
export function groundOf(
  known: readonly Known[],
  touch: TouchError,
  { width, height }: { width: number; height: number },
): { ok: true; ground: GroundPicture } | Refusal {
  if (known.length < LEAST)
    return refuse(
      `Touch at least ${LEAST} points with known positions: ${known.length} marked so far.`,
    );
  if (breadthOf(known.map(({ at }) => at)) < NARROW)
    return refuse(
      'The known points are almost in a straight line. Choose points that are farther apart from side to side.',
    );
  if (breadthOf(known.map(({ seen }) => seen)) < NARROW)
    return refuse(
      'The points you touched are almost in a straight line. Hold the camera higher and take the photo again.',
    );
  let h = direct(known);
  for (let round = 0; round < 20; round += 1) {
    const rows: number[][] = [];
    const off: number[] = [];
    for (const { at, seen } of known) {
      const shown = seenAt(h, at);
      if (!shown) return refuse(CROSSED);
      rows.push(...slopes(h, at));
      off.push(seen.x - shown.x, seen.y - shown.y);
    }
    const step = solved(rows, off);
    if (!step) return refuse(CROSSED);
    h = h.map((one, index) => one + (step.by[index] ?? 0));
    if (Math.max(...off.map(Math.abs)) < 1e-7 || step.size < 1e-9) break;
  }
  const shown = known.map(({ at }) => seenAt(h, at));
  if (shown.some((one) => !one) || turn(h) < 0) return refuse(CROSSED);
  const spare = 2 * known.length - 8;
  const stray = known.reduce(
    (sum, { seen }, index) =>
      sum + (seen.x - shown[index]!.x) ** 2 + (seen.y - shown[index]!.y) ** 2,
    0,
  );
  /** What the errors of the places look like in the picture, pixels. */
  const placed = known.map(({ at, off }) => off * scaleAt(h, at));
  const errors = placed.map((one) => Math.hypot(one, touch.error));
  if (spare > 0 && Math.sqrt(stray / spare) > STRAY * Math.max(...errors))
    return refuse(
      'The points you touched do not match their known positions. Check which is which and touch them again.',
    );
  // Least squares take all touches for alike: the errors are carried through them as they are.
  const rows = new Matrix(known.flatMap(({ at }) => slopes(h, at)));
  const unit = new Matrix(
    solved(rows.to2DArray(), new Array<number>(rows.rows).fill(0))!.covariance,
  );
  const gain = unit.mmul(rows.transpose());
  const carried = (of: readonly number[]) =>
    gain
      .mmul(Matrix.diag(of.flatMap((one) => [one ** 2, one ** 2])))
      .mmul(gain.transpose())
      .to2DArray();
  const middle = middleOf(known.map(({ at }) => at));
  const radius = Math.max(...known.map(({ at }) => Math.hypot(at.x - middle.x, at.y - middle.y)));
  return {
    ok: true,
    ground: {
      projection: h,
      covariance: carried(errors),
      byTouch: carried(known.map(() => touch.error)),
      touch,
      middle: { x: width / 2, y: height / 2 },
      reach: { middle, radius },
    },
  };
}

/** How many pixels a metre is about a point of the ground, as a mean of all directions. */
function scaleAt(h: readonly number[], at: Ground): number {
  const [along, across] = viewAt(h, at);
  return Math.sqrt((along ** 2 + across ** 2) / 2);
}

const CROSSED =
  'The points were touched in the wrong order. Touch them in the order shown in the drawing.';

/** Which way round the ground is seen: positive from above, as pictures have y down and the ground y ahead. */
function turn(h: readonly number[]): number {
  return -determinant(
    new Matrix([
      [h[0]!, h[1]!, h[2]!],
      [h[3]!, h[4]!, h[5]!],
      [h[6]!, h[7]!, 1],
    ]),
  );
}

/** Least squares: the step, how large it is against its scale, and the unit covariance; null where nothing holds it. */
function solved(rows: number[][], off: number[]) {
  // Columns of unlike size (pixels and their shares) are brought to one.
  const size = Array.from({ length: 8 }, (_, column) =>
    Math.hypot(...rows.map((row) => row[column]!)),
  );
  if (size.some((one) => !(one > 0) || !Number.isFinite(one))) return null;
  const scaled = new Matrix(rows.map((row) => row.map((one, column) => one / size[column]!)));
  const svd = new SingularValueDecomposition(scaled, { autoTranspose: true });
  if (svd.diagonal.at(-1)! < 1e-9 * svd.diagonal[0]!) return null;
  const by = svd.solve(Matrix.columnVector(off)).to1DArray();
  const back = inverse(scaled.transpose().mmul(scaled));
  return {
    by: by.map((one, index) => one / size[index]!),
    size: Math.hypot(...by),
    covariance: back.to2DArray().map((row, i) => row.map((one, j) => one / (size[i]! * size[j]!))),
  };
}

/** Where on the ground a pixel lies, by a projection; null at and above the horizon. */
export function onGround(h: readonly number[], { x: u, y: v }: Pixel): Ground | null {
  // (h0 - u h6) x + (h1 - u h7) y = u - h2, and the same with v.
  const [a, b, c] = [h[0]! - u * h[6]!, h[1]! - u * h[7]!, u - h[2]!];
  const [d, e, f] = [h[3]! - v * h[6]!, h[4]! - v * h[7]!, v - h[5]!];
  const size = a * e - b * d;
  if (Math.abs(size) < 1e-12) return null;
  const at = { x: (c * e - b * f) / size, y: (a * f - c * d) / size };
  return seenAt(h, at) ? at : null;
}

/** How many pixels a metre is about a point of the ground, where it is most and where it is least. */
function viewAt(h: readonly number[], at: Ground): [most: number, least: number] {
  const step = 1e-4;
  const [here, right, ahead] = [
    seenAt(h, at),
    seenAt(h, { x: at.x + step, y: at.y }),
    seenAt(h, { x: at.x, y: at.y + step }),
  ];
  if (!here || !right || !ahead) return [Infinity, 0];
  const spread = new SingularValueDecomposition(
    new Matrix([
      [right.x - here.x, ahead.x - here.x],
      [right.y - here.y, ahead.y - here.y],
    ]),
  ).diagonal;
  return [spread[0]! / step, spread[1]! / step];
}

/** How foreshortened the ground is about a point: 1 from straight above. */
function foreshortened(h: readonly number[], at: Ground): number {
  const [most, least] = viewAt(h, at);
  return most / Math.max(least, 1e-8);
}

/** Whether the ground is seen too flat about a point to be measured there. */
export const tooFlat = (h: readonly number[], at: Ground): boolean => foreshortened(h, at) > FLAT;
