import { z } from 'zod';
import { planeOf, slopeSchema, type Plane, type Slope } from './plane';

/** Planes beyond the first that a putt may cross. */
export const MOST_TIERS = 2;

/** Where the green begins to lie otherwise: a step or a tier, square to the line from ball to hole. */
export const tierSchema = z.object({
  /** From the ball, m. */
  from: z.number().min(0.1).max(40),
  slope: slopeSchema,
});

export type Tier = z.infer<typeof tierSchema>;

/** A stretch of green along the putt and the plane it lies in. */
export interface Stretch {
  /** Along the line from ball to hole, m. */
  from: number;
  until: number;
  plane: Plane;
}

/** What a putt rolls over. */
interface Ground {
  greenSpeed: number;
  slope: Slope;
  tiers: Tier[];
}

/**
 * The green along a putt, as planes in a row; the first and the last reach on for ever.
 *
 * @param ground green speed (m), the slope at the ball and the tiers in order
 * @throws RangeError for a green speed or a grade outside its range
 */
export function stretchesOf({ greenSpeed, slope, tiers }: Ground): Stretch[] {
  const slopes = [slope, ...tiers.map((tier) => tier.slope)];
  const borders = [-Infinity, ...tiers.map(({ from }) => from), Infinity];
  return slopes.map((one, index) => ({
    from: borders[index]!,
    until: borders[index + 1]!,
    plane: planeOf(greenSpeed, one),
  }));
}

/** Whether every plane of a putt is level. */
export const isLevel = ({ slope, tiers }: Pick<Ground, 'slope' | 'tiers'>): boolean =>
  slope.grade === 0 && tiers.every((tier) => tier.slope.grade === 0);
