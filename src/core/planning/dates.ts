import { z } from 'zod';
import { daySchema, timeSchema } from '@/core/calendar';

/** A date in the diary that no programme made. */
export const appointmentSchema = z.object({
  studentId: z.uuid('Choose a student.'),
  day: daySchema,
  time: timeSchema.nullable(),
  minutes: z
    .number({ error: 'Enter the minutes: 10 to 240.' })
    .int('Enter a whole number of minutes.')
    .min(10, 'Too short: use 10 to 240 minutes.')
    .max(240, 'Too long: use 10 to 240 minutes.'),
  kind: z.enum(['lesson', 'practice', 'test']),
  planId: z.uuid().nullable(),
  note: z.string().trim().max(500, 'The note is too long: use at most 500 characters.'),
});

export type AppointmentValues = z.infer<typeof appointmentSchema>;

/** A drill to do at home. */
export const homeworkSchema = z
  .object({
    drillId: z.uuid('Choose a drill.'),
    rung: z.number().int().min(0).max(20).nullable(),
    timesAWeek: z
      .number({ error: 'Enter the times a week: 1 to 7.' })
      .int('Enter a whole number of times a week.')
      .min(1, 'Too few: use 1 to 7 times a week.')
      .max(7, 'Too many: use 1 to 7 times a week.'),
    from: daySchema,
    until: daySchema,
    note: z.string().trim().max(500, 'The note is too long: use at most 500 characters.'),
  })
  .refine(({ from, until }) => until >= from, {
    message: 'The end date is before the start date.',
    path: ['until'],
  });

export type HomeworkValues = z.infer<typeof homeworkSchema>;
