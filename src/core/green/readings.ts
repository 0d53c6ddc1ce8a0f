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

/** Two readings of a slope that differ by more than this, as a plane, are not of one spot: rise over run. */
const APART = 0.01;

/**
 * Returns by how much the two newest slopes of a spot differ, where they cannot both be right: a slope does not change. Null where
 * they agree, or where there are not two.
 *
 * @param readings of one green, in any order
 * @param spotId of one of its spots
 * @returns the difference of the two planes, rise over run, with their dates, the newer first
 */
export function contradiction(
  readings: Pick<ReadingValues, 'at' | 'spotId' | 'slope'>[],
  spotId: string,
): { by: number; newer: Date; older: Date } | null {
  const [newer, older] = readings
    .filter((reading) => reading.slope && reading.spotId === spotId)
    .sort((a, b) => b.at.getTime() - a.at.getTime());
  if (!newer?.slope || !older?.slope) return null;
  const [a, b] = [newer.slope, older.slope].map(({ grade, falls }) => ({
    x: grade * Math.cos(falls),
    y: grade * Math.sin(falls),
  })) as [{ x: number; y: number }, { x: number; y: number }];
  const by = Math.hypot(a.x - b.x, a.y - b.y);
  return by > APART ? { by, newer: newer.at, older: older.at } : null;
}
