import { z } from 'zod';
import { allDaysOffSchema } from '@/core/calendar';
import { DEFAULT_PUTT, GREEN_SPEED_RANGE, PACES } from '@/core/green';
import { DEFAULT_UNITS, unitPreferences } from '@/core/units';
import { DEFAULT_ZONE, zoneSchema } from './zone';

/** Schools of how much of the start direction is the face's. */
export const FACE_SHARES = ['0.8', '0.83', '0.92'] as const;

/** How forecast chances to pass are corrected, on the scale of log odds: `shift + slope · logit(chance)`. */
export const correctionSchema = z.object({
  shift: z.number().min(-3).max(3),
  slope: z.number().min(0.2).max(3),
});
export type Correction = z.infer<typeof correctionSchema>;

/** What a coach sets once. */
export const coachSettings = z.object({
  units: unitPreferences.default(DEFAULT_UNITS),
  /** Green speed that new drills start with, m. */
  greenSpeed: z
    .number()
    .min(GREEN_SPEED_RANGE.min)
    .max(GREEN_SPEED_RANGE.max)
    .default(DEFAULT_PUTT.greenSpeed),
  /** School of pace that new drills start with. */
  pace: z.enum(PACES.map(({ id }) => id)).default('rolls'),
  /** School of how much of the start direction is the face's; the rest is the path's. */
  faceShare: z.enum(FACE_SHARES).default('0.92'),
  /** Where the clocks are that lessons are dated by. */
  zone: zoneSchema.default(DEFAULT_ZONE),
  /** Holidays: no programme has a day then. */
  daysOff: allDaysOffSchema.default([]),
  /** From how this coach's forecasts have turned out; null while they stand as they are. */
  correction: correctionSchema.nullable().default(null),
});

export type CoachSettings = z.infer<typeof coachSettings>;
