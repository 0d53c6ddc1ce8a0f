import { z } from 'zod';
import { GREEN_SPEED_RANGE } from './constants';
import { FLAT, slopeSchema, type Slope } from './plane';
import { readTwoWay } from './two-way';

/** Two rolls of one release, as they were measured. */
export const rollsSchema = z.object({
  /** Roll-outs, m. */
  up: z.number().positive(),
  down: z.number().positive(),
  /** The direction of the downhill roll seen from the spot, rad from the line to the hole, right positive. */
  way: z.number().min(-Math.PI).max(Math.PI),
});

export type Rolls = z.infer<typeof rollsSchema>;

/** What was measured on a green on one day. */
export const readingSchema = z.object({
  at: z.date(),
  /** The spot whose slope was measured, or null when only the speed was. */
  spotId: z.string().nullable(),
  greenSpeed: z.number().min(GREEN_SPEED_RANGE.min).max(GREEN_SPEED_RANGE.max),
  slope: slopeSchema.nullable(),
  /** The rolls that speed and slope were worked out from, or null when they were typed. */
  rolls: rollsSchema.nullable(),
  note: z.string().max(400),
});

export type ReadingValues = z.infer<typeof readingSchema>;

/**
 * Speed and slope from two rolls.
 *
 * @param rolls as measured
 * @throws RangeError when the rolls cannot be, or mean a green that is not believed
 */
export function readRolls({ up, down, way }: Rolls): { greenSpeed: number; slope: Slope } {
  const { greenSpeed, grade } = readTwoWay(up, down);
  return { greenSpeed, slope: grade === 0 ? FLAT : { grade, falls: way } };
}

/** What is known of a green today. */
export interface Current {
  greenSpeed: number;
  /** When that speed was measured. */
  speedAt: Date;
  /** Of the spot asked for; null when it was never measured, or none was asked for. */
  slope: Slope | null;
}

/**
 * The latest of a green: its newest speed, wherever on it that was measured, and the newest slope of one spot. A green's
 * speed changes with the weather and the mower, a spot's slope does not.
 *
 * @param readings of one green, in any order
 * @param spotId of one of its spots, or null for the green as a whole
 * @returns what is known, or null when the green was never read
 */
export function currentOf(
  readings: Omit<ReadingValues, 'rolls' | 'note'>[],
  spotId: string | null,
): Current | null {
  const newestFirst = readings.toSorted((a, b) => b.at.getTime() - a.at.getTime());
  const [newest] = newestFirst;
  if (!newest) return null;
  const sloped = newestFirst.find((reading) => reading.slope && reading.spotId === spotId);
  return {
    greenSpeed: newest.greenSpeed,
    speedAt: newest.at,
    slope: (spotId !== null && sloped?.slope) || null,
  };
}
