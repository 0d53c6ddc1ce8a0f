import { Matrix } from 'ml-matrix';
import { BALL_DIAMETER } from '@/core/green';
import { normalQuantile } from '@/core/numbers';
import {
  onGround,
  tooFlat,
  type Ground,
  type GroundPicture,
  type Pixel,
  type Refusal,
} from './plane';
import { focalOf, raised } from './raised';
import { studentQuantile } from './touch-error';

/** What can be measured in a picture: which points are touched for it, and what they say. */
interface Measure {
  /** What it is called. */
  label: string;
  /** What its numbers are. */
  unit: 'length' | 'angle';
  /** What is touched, in this order. */
  touches: readonly string[];
  /** Which of them is the middle of a ball, that lies above the ground. */
  ball?: number;
  of: (at: readonly Ground[]) => number;
  /** What a positive and a negative number mean. */
  sides: readonly [more: string, less: string] | null;
}

const minus = (a: Ground, b: Ground): Ground => ({ x: a.x - b.x, y: a.y - b.y });
const length = ({ x, y }: Ground): number => Math.hypot(x, y);
const along = (a: Ground, b: Ground): number => (a.x * b.x + a.y * b.y) / length(b);
/** How far a lies to the right of the direction b. */
const right = (a: Ground, b: Ground): number => (a.x * b.y - a.y * b.x) / length(b);

/** What is touched to tell where a ball stopped. */
const REST = [
  'where the putt started, or any point on its line',
  'the middle of the hole',
  'the middle of the ball at rest',
] as const;

/**
 * What can be measured, by its name. Everything but the middle of a ball is touched where it meets the ground: what stands higher
 * seems farther away.
 */
export const MEASURES = {
  gap: {
    label: 'Gate gap',
    unit: 'length',
    touches: [
      'the inside of the left tee, at ground level',
      'the inside of the right tee, at ground level',
    ],
    of: ([a, b]) => length(minus(b!, a!)),
    sides: null,
  },
  distance: {
    label: 'Distance between two points',
    unit: 'length',
    touches: ['one end', 'the other end'],
    of: ([a, b]) => length(minus(b!, a!)),
    sides: null,
  },
  ball: {
    label: 'Ball position in the gate',
    unit: 'length',
    touches: [
      'the left tee, at ground level',
      'the right tee, at ground level',
      'the middle of the ball',
    ],
    ball: 2,
    of: ([a, b, ball]) =>
      along(minus(ball!, { x: (a!.x + b!.x) / 2, y: (a!.y + b!.y) / 2 }), minus(b!, a!)),
    sides: ['right of the middle', 'left of the middle'],
  },
  face: {
    label: 'Face direction',
    unit: 'angle',
    touches: [
      'the line, near the ball',
      'the line, farther from the ball',
      'the left end of the face, seen from behind the ball',
      'the right end of the face',
    ],
    of: ([near, far, a, b]) => {
      const [line, face] = [minus(far!, near!), minus(b!, a!)];
      return Math.atan2(
        right({ x: -face.y, y: face.x }, line),
        along({ x: -face.y, y: face.x }, line),
      );
    },
    sides: ['right of the line', 'left of the line'],
  },
  eyes: {
    label: 'Eye position',
    unit: 'length',
    touches: [
      'the ball line, behind the ball',
      'the ball line, farther along',
      'the middle of a ball dropped from under the eyes',
    ],
    ball: 2,
    of: ([near, far, dropped]) => right(minus(dropped!, near!), minus(far!, near!)),
    sides: ['right of the line', 'left of the line'],
  },
  past: {
    label: 'Ball at rest, short or past',
    unit: 'length',
    touches: REST,
    ball: 2,
    of: ([from, hole, ball]) => along(minus(ball!, hole!), minus(hole!, from!)),
    sides: ['past the hole', 'short of the hole'],
  },
  aside: {
    label: 'Ball at rest, left or right',
    unit: 'length',
    touches: REST,
    ball: 2,
    of: ([from, hole, ball]) => right(minus(ball!, hole!), minus(hole!, from!)),
    sides: ['right of the hole', 'left of the hole'],
  },
} as const satisfies Record<string, Measure>;

/** The name of something that can be measured. */
export type MeasureName = keyof typeof MEASURES;

/** A number read off a picture, in metres or radians. */
export interface PhotoReading {
  ok: true;
  value: number;
  /** Its standard error, by the touches, the places and the fit. */
  error: number;
  /** It lies in here with 80 %. */
  interval: readonly [from: number, to: number];
}

const EIGHT_IN_TEN = 0.9;
/** Farther from the middle of what is known than this many times its reach nothing is measured. */
const FARTHEST = 2.5;
/** For slopes: a small part of how far off each number is. */
const STEP = 0.01;

/**
 * Measures something in a picture whose ground is known.
 *
 * What is touched is taken to the ground; the errors of these touches, and of those that found the ground, are carried through to
 * the number to first order.
 *
 * @param ground what {@link groundOf} found
 * @param name what is measured
 * @param touches the points it asks for, in its order, pixels of the picture
 * @returns the number with its error, or why it cannot be told and what would mend it
 * @example measureIn(ground, 'gap', [left, right]).value // 0.0603
 */
export function measureIn(
  { projection, covariance, byTouch, touch, middle, reach }: GroundPicture,
  name: MeasureName,
  touches: readonly Pixel[],
): PhotoReading | Refusal {
  const measure: Measure = MEASURES[name];
  if (touches.length !== measure.touches.length)
    return {
      ok: false,
      message: `${measure.label} needs ${measure.touches.length} points: ${touches.length} marked so far.`,
    };
  const { ball } = measure;
  const focal = ball === undefined ? null : focalOf(projection, covariance, middle);
  const below = (h: readonly number[], at: readonly Pixel[], longer = 1) => {
    const over = focal && raised(h, focal.length * longer, middle, BALL_DIAMETER / 2);
    return at.map((one, index) => onGround(over && index === ball ? over : h, one));
  };
  const by = (h: readonly number[], at: readonly Pixel[], longer = 1): number | null => {
    const on = below(h, at, longer);
    if (on.some((one) => one === null)) return null;
    const told = measure.of(on as Ground[]);
    return Number.isFinite(told) ? told : null;
  };
  const value = by(projection, touches);
  if (value === null)
    return {
      ok: false,
      message:
        'One point is above the horizon or on top of another. Touch the spot where the object meets the ground.',
    };
  const spots = below(projection, touches) as Ground[];
  const far = spots.findIndex(
    ({ x, y }) => Math.hypot(x - reach.middle.x, y - reach.middle.y) > FARTHEST * reach.radius,
  );
  if (far >= 0)
    return {
      ok: false,
      message: `“${measure.touches[far]}” is too far from the known points in the picture. Put the paper closer to it and take the picture again.`,
    };
  if (spots.some((one) => tooFlat(projection, one)))
    return {
      ok: false,
      message:
        'The camera was too low and saw the ground there almost from the side. Hold it higher and take the photo again.',
    };
  const slope = (moved: (by: number) => number | null, step: number): number => {
    const [up, down] = [moved(step), moved(-step)];
    if (up === null || down === null) return NaN;
    // An angle near ±180° would else seem to jump.
    const change = measure.unit === 'angle' ? Math.sin(up - down) : up - down;
    return change / (2 * step);
  };
  const byFit = covariance.map((row, index) =>
    slope(
      (move) =>
        by(
          projection.map((one, at) => (at === index ? one + move : one)),
          touches,
        ),
      Math.sqrt(row[index]!) * STEP,
    ),
  );
  const column = Matrix.columnVector(byFit);
  const carried = (by: readonly (readonly number[])[]) =>
    column
      .transpose()
      .mmul(new Matrix(by as number[][]))
      .mmul(column)
      .get(0, 0);
  const fitted = carried(covariance);
  const touched = touches
    .flatMap((_, index) =>
      (['x', 'y'] as const).map((axis) =>
        slope(
          (move) =>
            by(
              projection,
              touches.map((one, at) => (at === index ? { ...one, [axis]: one[axis] + move } : one)),
            ),
          touch.error * STEP,
        ),
      ),
    )
    .reduce((sum, one) => sum + (one * touch.error) ** 2, 0);
  const lens =
    focal && focal.off > 0
      ? (slope((move) => by(projection, touches, 1 + move), focal.off * STEP) * focal.off) ** 2
      : 0;
  const variance = fitted + touched + lens;
  // Only the part that the touches make is known no better than they are (Satterthwaite 1946).
  const ofTouches = carried(byTouch) + touched;
  const freedom = touch.freedom * (variance / ofTouches) ** 2;
  const half = studentQuantile(EIGHT_IN_TEN, freedom) * Math.sqrt(variance);
  const error = half / normalQuantile(EIGHT_IN_TEN);
  if (!Number.isFinite(error))
    return { ok: false, message: 'One point is too close to the horizon. Hold the camera higher.' };
  return {
    ok: true,
    value,
    error,
    interval: [value - half, value + half],
  };
}
