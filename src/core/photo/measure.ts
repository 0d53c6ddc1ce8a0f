import { Matrix } from 'ml-matrix';
import { normalQuantile } from '@/core/numbers';
import {
  onGround,
  tooFlat,
  type Ground,
  type GroundPicture,
  type Pixel,
  type Refusal,
} from './plane';

/** What can be measured in a picture: which points are touched for it, and what they say. */
interface Measure {
  /** What it is called. */
  label: string;
  /** What its numbers are. */
  unit: 'length' | 'angle';
  /** What is touched, in this order. */
  touches: readonly string[];
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
  'where the putt began, or a point of its line',
  'middle of the hole',
  'the ball at rest',
] as const;

/** What can be measured, by its name. Everything is touched where it meets the ground: what stands higher seems farther away. */
export const MEASURES = {
  gap: {
    label: 'Gap of a gate',
    unit: 'length',
    touches: ['inside of the left tee, at the ground', 'inside of the right tee, at the ground'],
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
    label: 'Ball against the middle of a gate',
    unit: 'length',
    touches: [
      'left tee, at the ground',
      'right tee, at the ground',
      'where the ball meets the ground',
    ],
    of: ([a, b, ball]) =>
      along(minus(ball!, { x: (a!.x + b!.x) / 2, y: (a!.y + b!.y) / 2 }), minus(b!, a!)),
    sides: ['right of the middle', 'left of the middle'],
  },
  face: {
    label: 'Where the face points',
    unit: 'angle',
    touches: [
      'the line, near the ball',
      'the line, farther on',
      'left end of the face, seen from behind the ball',
      'right end of the face',
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
    label: 'Eyes against the ball line',
    unit: 'length',
    touches: [
      'the ball line, behind the ball',
      'the ball line, farther on',
      'where a ball dropped from under the eyes lies',
    ],
    of: ([near, far, dropped]) => right(minus(dropped!, near!), minus(far!, near!)),
    sides: ['right of the line', 'left of the line'],
  },
  past: {
    label: 'Ball at rest: short or past',
    unit: 'length',
    touches: REST,
    of: ([from, hole, ball]) => along(minus(ball!, hole!), minus(hole!, from!)),
    sides: ['past the hole', 'short of the hole'],
  },
  aside: {
    label: 'Ball at rest: to the side',
    unit: 'length',
    touches: REST,
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
  /** Its standard error, by the touches and the fit. */
  error: number;
  /** It lies in here with 80 %. */
  interval: readonly [from: number, to: number];
}

const EIGHT_IN_TEN = normalQuantile(0.9);
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
  { projection, covariance, touch }: GroundPicture,
  name: MeasureName,
  touches: readonly Pixel[],
): PhotoReading | Refusal {
  const measure: Measure = MEASURES[name];
  if (touches.length !== measure.touches.length)
    return {
      ok: false,
      message: `${measure.label} takes ${measure.touches.length} touches; ${touches.length} so far.`,
    };
  const by = (h: readonly number[], at: readonly Pixel[]): number | null => {
    const on = at.map((one) => onGround(h, one));
    if (on.some((one) => one === null)) return null;
    const told = measure.of(on as Ground[]);
    return Number.isFinite(told) ? told : null;
  };
  const value = by(projection, touches);
  if (value === null)
    return {
      ok: false,
      message:
        'A touch lies above the horizon, or on top of another. Touch where it meets the ground.',
    };
  if (touches.some((one) => tooFlat(projection, onGround(projection, one)!)))
    return {
      ok: false,
      message:
        'The camera was too low: the ground is seen almost from the side there. Hold it higher and take it again.',
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
  const fitted = column
    .transpose()
    .mmul(new Matrix(covariance as number[][]))
    .mmul(column)
    .get(0, 0);
  const touched = touches
    .flatMap((_, index) =>
      (['x', 'y'] as const).map((axis) =>
        slope(
          (move) =>
            by(
              projection,
              touches.map((one, at) => (at === index ? { ...one, [axis]: one[axis] + move } : one)),
            ),
          touch * STEP,
        ),
      ),
    )
    .reduce((sum, one) => sum + (one * touch) ** 2, 0);
  const error = Math.sqrt(fitted + touched);
  if (!Number.isFinite(error))
    return { ok: false, message: 'A touch lies too near to the horizon. Hold the camera higher.' };
  return {
    ok: true,
    value,
    error,
    interval: [value - EIGHT_IN_TEN * error, value + EIGHT_IN_TEN * error],
  };
}
