import { z } from 'zod';

export const HANDS = ['right', 'left'] as const;
export type Hand = (typeof HANDS)[number];

export const LEVELS = ['beginner', 'improving', 'steady', 'advanced'] as const;
export type Level = (typeof LEVELS)[number];

/** Limits of what is believed of a putter head, m. */
export const HEAD_LENGTH = { min: 0.06, max: 0.18 } as const;
export const HEAD_DEPTH = { min: 0.01, max: 0.16 } as const;

/** A student as a coach describes one; lengths in m. */
export const studentValues = z.object({
  name: z
    .string()
    .trim()
    .min(1, 'A name is needed.')
    .max(80, 'A name may have at most 80 letters.'),
  hand: z.enum(HANDS),
  level: z.enum(LEVELS),
  seated: z.boolean(),
  notes: z.string().max(4000, 'Notes may have at most 4000 letters.'),
  putter: z.object({
    headLength: z.number().min(HEAD_LENGTH.min).max(HEAD_LENGTH.max),
    headDepth: z.number().min(HEAD_DEPTH.min).max(HEAD_DEPTH.max),
  }),
});

export type StudentValues = z.infer<typeof studentValues>;
