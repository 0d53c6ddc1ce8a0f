import type { Translate } from '@/words/translate';
import { instantOf } from '@/core/planning';
import { zoneNow } from '@/ui/when';
import { z } from 'zod';
import {
  GRADE_RANGE,
  GREEN_SPEED_RANGE,
  fallsSchema,
  readRolls,
  type ReadingValues,
} from '@/core/green';
import { nameSchema } from '@/core/people';
import { bareUnit, gradeSchema, lengthSchema, type UnitPreferences } from '@/core/units';

const name = (what: string) => nameSchema(`${what} needs a name.`);

/** What a coach types of a green. */
export const greenForm = z.object({
  name: name('A green'),
  notes: z.string().max(4000, 'The notes are too long: use at most 4000 characters.'),
  spots: z
    .array(z.object({ id: z.uuid().optional(), name: name('A spot') }))
    .max(40, 'The green has too many spots: use at most 40.'),
});

export type GreenInput = z.input<typeof greenForm>;

/** Rolls are believed up to this, m: the longest green speed there is, downhill. */
const ROLL_RANGE = { min: 0.3, max: 25 };

/** A day and a time of day, on the coach's clock. */
const momentSchema = z
  .string()
  .regex(/^\d{4}-\d\d-\d\dT\d\d:\d\d/, 'Enter a date.')
  .transform((typed, context) => {
    const at = instantOf(typed.slice(0, 10), typed.slice(11, 16), zoneNow());
    if (!Number.isNaN(at.getTime())) return at;
    context.addIssue({ code: 'custom', message: 'Enter a date.' });
    return z.NEVER;
  });

/** What a coach types of a reading, and what it means. Only the way it was taken is looked at. */
export function readingForm(
  t: Translate,
  units: UnitPreferences,
): z.ZodType<ReadingValues, ReadingInput> {
  const bare = bareUnit('putt', units);
  const roll = (what: string) => lengthSchema({ what, bare, own: units.own, ...ROLL_RANGE });
  const common = {
    at: momentSchema,
    spotId: z.union([z.uuid(), z.literal('')]),
    note: z.string().trim().max(400, t('greens.form.theNoteIsTooLong')),
  };
  const rolled = z.object({
    ...common,
    how: z.literal('rolls'),
    up: roll(t('greens.form.anUphillRoll')),
    down: roll('A downhill roll'),
    way: fallsSchema,
  });
  const told = z.object({
    ...common,
    how: z.literal('numbers'),
    greenSpeed: lengthSchema({
      what: 'A green speed',
      bare,
      own: units.own,
      ...GREEN_SPEED_RANGE,
    }),
    grade: gradeSchema(GRADE_RANGE.max),
    falls: fallsSchema,
  });
  const form = z
    .discriminatedUnion('how', [rolled, told])
    .transform((typed, context): ReadingValues => {
      const { at, note } = typed;
      const spotId = typed.spotId || null;
      if (typed.how === 'numbers') {
        const { greenSpeed, grade, falls } = typed;
        const slope = spotId ? { grade, falls: grade === 0 ? 0 : falls } : null;
        return { at, note, spotId, greenSpeed, slope, rolls: null };
      }
      const rolls = { up: typed.up, down: typed.down, way: typed.way };
      try {
        const { greenSpeed, slope } = readRolls(rolls);
        return { at, note, spotId, greenSpeed, slope: spotId ? slope : null, rolls };
      } catch (error) {
        if (!(error instanceof RangeError)) throw error;
        context.addIssue({ code: 'custom', path: ['down'], message: error.message });
        return z.NEVER;
      }
    });
  // Each way of taking it reads its own fields of the one form.
  return form as unknown as z.ZodType<ReadingValues, ReadingInput>;
}

/** Everything on the form; which of it counts depends on how the reading was taken. */
export interface ReadingInput {
  at: string;
  spotId: string;
  note: string;
  how: 'rolls' | 'numbers';
  up: string;
  down: string;
  way: string;
  greenSpeed: string;
  grade: string;
  falls: string;
}
