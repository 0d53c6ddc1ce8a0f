import { z } from 'zod';
import { homeworkSchema } from '@/core/planning';

/** What a coach types of homework; its drill may be a built-in one, which is taken when it is given. */
export const homeworkForm = homeworkSchema.safeExtend({
  drillId: z.string().min(1, 'Choose a drill.').max(80),
});
