import { z } from 'zod';
import {
  HANDS,
  HEAD_DEPTH,
  HEAD_LENGTH,
  LIE_ANGLE,
  PATHS,
  STANDARD_FITTING,
  type Fitting,
} from './fitting';
import { COMMON_KIT, kitSchema } from './kit';

export const LEVELS = ['beginner', 'improving', 'steady', 'advanced'] as const;
export type Level = (typeof LEVELS)[number];

/** A student as a coach describes one; lengths in m, angles in rad. */
export const studentValues = z.object({
  name: z
    .string()
    .trim()
    .min(1, 'Enter a name.')
    .max(80, 'The name is too long: use at most 80 characters.'),
  hand: z.enum(HANDS),
  level: z.enum(LEVELS),
  seated: z.boolean(),
  notes: z.string().max(4000, 'The notes are too long: use at most 4000 characters.'),
  school: z.enum(PATHS).default(STANDARD_FITTING.school),
  /** Classes and teams they are in, between commas. */
  groups: z
    .string()
    .trim()
    .max(120, 'The list of groups is too long: use at most 120 characters.')
    .default(''),
  /** What they have for practice. */
  kit: kitSchema.default(COMMON_KIT),
  putter: z.object({
    headLength: z.number().min(HEAD_LENGTH.min).max(HEAD_LENGTH.max),
    headDepth: z.number().min(HEAD_DEPTH.min).max(HEAD_DEPTH.max),
    lieAngle: z.number().min(LIE_ANGLE.min).max(LIE_ANGLE.max).default(STANDARD_FITTING.lieAngle),
  }),
});

export type StudentValues = z.infer<typeof studentValues>;

/** What a layout must know of a student. */
export const fittingOf = ({ hand, school, seated, putter }: StudentValues): Fitting => ({
  ...putter,
  hand,
  school,
  seated,
});

/**
 * The classes and teams of a student, each once.
 *
 * @example groupsOf({ groups: 'Tuesday class, juniors' }) // ['Tuesday class', 'juniors']
 */
export const groupsOf = ({ groups }: Pick<StudentValues, 'groups'>): string[] => [
  ...new Set(
    groups
      .split(',')
      .map((one) => one.trim())
      .filter((one) => one !== ''),
  ),
];
