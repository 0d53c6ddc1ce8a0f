import { z } from 'zod';
import { FOOT } from '@/core/units';
import { FLAT, slopeSchema } from './plane';
import { GREEN_SPEED_RANGE, PAST_RANGE, PUTT_RANGE } from './constants';
import { MOST_TIERS, tierSchema } from './tier';

const metres = (what: string, { min, max }: { min: number; max: number }) =>
  z
    .number()
    .min(min, `${what} must be at least ${min} m.`)
    .max(max, `${what} must be at most ${max} m.`);

/** A putt on up to three planes in a row. */
export const puttSchema = z
  .object({
    /** Ball to the centre of the hole, m. */
    distance: metres('The length of the putt', PUTT_RANGE),
    /** Roll-out from the green-speed ramp, m. */
    greenSpeed: metres('The green speed', GREEN_SPEED_RANGE),
    /** How the green lies along it. */
    slope: slopeSchema.default(FLAT),
    /** Where it begins to lie otherwise, in order from the ball. */
    tiers: z.array(tierSchema).max(MOST_TIERS).default([]),
    /** Pace: how far the ball would run past the hole were there none and the green level there, m. */
    past: metres('The run past the hole', PAST_RANGE),
  })
  .superRefine(({ distance, tiers }, context) => {
    tiers.forEach(({ from }, index) => {
      const before = tiers[index - 1]?.from ?? 0;
      if (from > before && from < distance) return;
      context.addIssue({
        code: 'custom',
        path: ['tiers', index, 'from'],
        message: `The tier at ${from} m is out of place: put it between ${before} m and the hole at ${distance} m.`,
      });
    });
  });

export type Putt = z.infer<typeof puttSchema>;

/** The putt a new drill starts from: 8 ft on a 10 ft green, 45 cm past. */
export const DEFAULT_PUTT: Putt = {
  distance: 8 * FOOT,
  greenSpeed: 10 * FOOT,
  past: 0.45,
  slope: FLAT,
  tiers: [],
};
