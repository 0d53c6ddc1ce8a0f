import { z } from 'zod';
import { HEAD_DEPTH, HEAD_LENGTH, studentValues } from '@/core/people';
import { bareUnit, lengthSchema, showLength, type UnitPreferences } from '@/core/units';
import type { StudentValues } from '@/core/people';

/** What a coach types of a student, and what it means. */
export function studentForm(units: UnitPreferences) {
  const bare = bareUnit('across', units);
  return studentValues.omit({ putter: true }).extend({
    putter: z.object({
      headLength: lengthSchema({ what: 'A head length', bare, ...HEAD_LENGTH }),
      headDepth: lengthSchema({ what: 'A head depth', bare, ...HEAD_DEPTH }),
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
      putter: { headLength: 0.112, headDepth: 0.025 },
    },
    units,
  );
