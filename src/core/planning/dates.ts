import { z } from 'zod';
import { daySchema, timeSchema } from '@/core/calendar';

/** A date in the diary that no programme made. */
export const appointmentSchema = z.object({
  studentId: z.uuid('Say who it is for.'),
  day: daySchema,
  time: timeSchema.nullable(),
  minutes: z
    .number({ error: 'A number of minutes is needed: 10 to 240.' })
    .int('Whole minutes are needed.')
    .min(10, 'At least 10 minutes.')
    .max(240, 'At most 240 minutes.'),
  kind: z.enum(['lesson', 'practice', 'test']),
  planId: z.uuid().nullable(),
  note: z.string().trim().max(500, 'A note may have at most 500 letters.'),
});

export type AppointmentValues = z.infer<typeof appointmentSchema>;

/** A drill to do at home. */
export const homeworkSchema = z
  .object({
    drillId: z.uuid('Choose a drill.'),
    rung: z.number().int().min(0).max(20).nullable(),
    timesAWeek: z
      .number({ error: 'A number of times is needed: 1 to 7.' })
      .int('A whole number of times is needed.')
      .min(1, 'At least once a week.')
      .max(7, 'At most seven times a week.'),
    from: daySchema,
    until: daySchema,
    note: z.string().trim().max(500, 'A note may have at most 500 letters.'),
  })
  .refine(({ from, until }) => until >= from, {
    message: 'It would end before it begins.',
    path: ['until'],
  });

export type HomeworkValues = z.infer<typeof homeworkSchema>;
