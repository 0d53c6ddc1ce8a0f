import { z } from 'zod';
import { programmeSchema, slotSchema, trainedSchema, type ProgrammeValues } from '@/core/planning';
import { quantityOf, shownUnit } from '@/core/quantity';

/**
 * How an aim is typed.
 *
 * @param skill a quantity that is trained
 * @returns its unit, what one of it is in SI, and the window usually come to
 */
export function aimUnit(skill: string): { unit: string; size: number; usual: number } {
  const { dimension, trained } = quantityOf(skill);
  const { symbol, si } = shownUnit(dimension);
  return { unit: symbol.trim(), size: si, usual: trained!.usual };
}

/** Largest window that is an aim, in typed units. */
const MOST = 60;

/** What a coach types of a programme, and what it means. */
export const programmeForm = programmeSchema.omit({ aim: true, slots: true }).extend({
  studentId: z.uuid('Choose a student.'),
  slots: z
    .array(
      slotSchema.extend({
        weekday: z.coerce.number().int().min(1).max(7),
        time: z
          .string()
          .transform((typed) => typed.trim() || null)
          .pipe(slotSchema.shape.time),
      }),
    )
    .min(1, 'Add at least one day of the week.')
    .max(14, 'Add at most fourteen days.'),
  skill: trainedSchema,
  window: z
    .number({ error: 'Enter a window, such as 0.8.' })
    .positive('The window must be more than 0.')
    .max(MOST, `The window can be at most ${MOST}.`),
  by: programmeSchema.shape.aim.shape.by,
});

export type ProgrammeInput = z.input<typeof programmeForm>;
export type ProgrammeOutput = z.output<typeof programmeForm>;

/** What was typed, as a programme is kept. */
export const typedProgramme = ({
  skill,
  window,
  by,
  studentId: _who,
  ...rest
}: ProgrammeOutput): ProgrammeValues => ({
  ...rest,
  aim: { skill, window: window * aimUnit(skill).size, by },
});

/** A programme as it is typed. */
export const asTyped = (
  { aim, slots, ...rest }: ProgrammeValues,
  studentId: string,
): ProgrammeInput => ({
  ...rest,
  studentId,
  slots: slots.map((slot) => ({ ...slot, time: slot.time ?? '' })),
  skill: aim.skill,
  window: Number((aim.window / aimUnit(aim.skill).size).toPrecision(4)),
  by: aim.by,
});
