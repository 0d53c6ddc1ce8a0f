import { z } from 'zod';
import { DEGREE } from '@/core/units';
import { HEAD_DEPTH, HEAD_LENGTH, LIE_ANGLE } from './fitting';

/** Limits of what is believed of a putter: lengths in m, the loft in rad, mass in kg, inertia about the head's upright axis in kg m². */
export const PUTTER_LENGTH = { min: 0.5, max: 1.5 } as const;
export const PUTTER_LOFT = { min: 0, max: 10 * DEGREE } as const;
export const HEAD_MASS = { min: 0.2, max: 0.8 } as const;
export const HEAD_INERTIA = { min: 0.0001, max: 0.002 } as const;

export const SHAPES = ['blade', 'mid mallet', 'mallet', 'other'] as const;
export type PutterShape = (typeof SHAPES)[number];

/** A putter as a coach measures it; what nobody has measured is null. */
export const putterValues = z.object({
  name: z
    .string()
    .trim()
    .min(1, 'Enter a name.')
    .max(60, 'The name is too long: use at most 60 characters.'),
  headLength: z.number().min(HEAD_LENGTH.min).max(HEAD_LENGTH.max),
  headDepth: z.number().min(HEAD_DEPTH.min).max(HEAD_DEPTH.max),
  lieAngle: z.number().min(LIE_ANGLE.min).max(LIE_ANGLE.max),
  length: z.number().min(PUTTER_LENGTH.min).max(PUTTER_LENGTH.max).nullable(),
  loft: z.number().min(PUTTER_LOFT.min).max(PUTTER_LOFT.max).nullable(),
  shape: z.enum(SHAPES).nullable(),
  mass: z.number().min(HEAD_MASS.min).max(HEAD_MASS.max).nullable(),
  inertia: z.number().min(HEAD_INERTIA.min).max(HEAD_INERTIA.max).nullable(),
  grip: z.string().trim().max(80, 'The grip description is too long: use at most 80 characters.'),
});

export type PutterValues = z.infer<typeof putterValues>;
