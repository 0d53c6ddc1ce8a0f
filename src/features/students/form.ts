import { z } from 'zod';
import {
  COMMON_KIT,
  HEAD_DEPTH,
  HEAD_LENGTH,
  LIE_ANGLE,
  PATHS,
  STANDARD_FITTING,
  kitSchema,
  nameSchema,
  studentValues,
} from '@/core/people';
import {
  angleSchema,
  bareUnit,
  lengthSchema,
  showDegrees,
  showLength,
  type UnitPreferences,
} from '@/core/units';
import type { StudentValues } from '@/core/people';

/** What a coach types of a student, and what it means. */
export function studentForm(units: UnitPreferences) {
  const bare = bareUnit('across', units);
  return studentValues.omit({ putter: true }).extend({
    name: nameSchema(),
    school: z.enum(PATHS),
    kit: kitSchema,
    putter: z.object({
      headLength: lengthSchema({ what: 'A head length', bare, ...HEAD_LENGTH }),
      headDepth: lengthSchema({ what: 'A head depth', bare, ...HEAD_DEPTH }),
      lieAngle: angleSchema({ what: 'A lie angle', ...LIE_ANGLE }),
    }),
  });
}

export type StudentInput = z.input<ReturnType<typeof studentForm>>;

/** A student's values as they are typed. */
export const typedStudent = (values: StudentValues, units: UnitPreferences): StudentInput => ({
  ...values,
  putter: {
    headLength: showLength(values.putter.headLength, 'across', units),
    headDepth: showLength(values.putter.headDepth, 'across', units),
    lieAngle: showDegrees(values.putter.lieAngle, 0),
  },
});

/** A student nobody has described yet, with a common putter. */
export const newStudent = (units: UnitPreferences): StudentInput =>
  typedStudent(
    {
      name: '',
      hand: 'right',
      level: 'improving',
      seated: false,
      notes: '',
      school: STANDARD_FITTING.school,
      kit: COMMON_KIT,
      groups: '',
      putter: STANDARD_FITTING,
    },
    units,
  );
