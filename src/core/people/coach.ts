import { z } from 'zod';
import { DEFAULT_PUTT, GREEN_SPEED_RANGE, PACES } from '@/core/green';
import { DEFAULT_UNITS, unitPreferences } from '@/core/units';

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
});

export type CoachSettings = z.infer<typeof coachSettings>;
