import type { Translate } from '@/words/translate';
import { z } from 'zod';
import {
  HEAD_DEPTH,
  HEAD_INERTIA,
  HEAD_LENGTH,
  HEAD_MASS,
  LIE_ANGLE,
  PUTTER_LENGTH,
  PUTTER_LOFT,
  SHAPES,
  putterValues,
  type PutterValues,
} from '@/core/people';
import {
  angleSchema,
  bareUnit,
  lengthSchema,
  showDegrees,
  showLength,
  type UnitPreferences,
} from '@/core/units';
import { orNothing } from '../shared/or-nothing';

/** Of a head, as fitters write it: grams, and g cm² of inertia. */
const GRAM = 0.001;
const GRAM_CM2 = 1e-7;

/** A number in a unit of its own, as it is typed: "350", "350 g". */
const inUnit = (
  what: string,
  symbol: string,
  unit: number,
  { min, max }: { min: number; max: number },
) =>
  z.string().transform((text, context) => {
    const value = unit * Number(text.trim().replace(symbol, '').replace(',', '.').trim());
    if (value >= min && value <= max) return value;
    const show = (one: number) => Math.round(one / unit).toLocaleString('en');
    context.addIssue({
      code: 'custom',
      message: `${what} of “${text.trim()}” is out of range: use ${show(min)} to ${show(max)} ${symbol}.`,
    });
    return z.NEVER;
  });

/** What a coach types of a putter, and what it means; what nobody has measured is left empty. */
export function putterForm(units: UnitPreferences) {
  const bare = bareUnit('across', units);
  return z.object({
    name: putterValues.shape.name,
    headLength: lengthSchema({ what: 'A head length', bare, ...HEAD_LENGTH }),
    headDepth: lengthSchema({ what: 'A head depth', bare, ...HEAD_DEPTH }),
    lieAngle: angleSchema({ what: 'A lie angle', ...LIE_ANGLE }),
    length: orNothing(lengthSchema({ what: 'A putter length', bare, ...PUTTER_LENGTH })),
    loft: orNothing(angleSchema({ what: 'A loft', ...PUTTER_LOFT })),
    shape: z.enum([...SHAPES, '']).transform((shape) => (shape === '' ? null : shape)),
    mass: orNothing(inUnit('A head mass', 'g', GRAM, HEAD_MASS)),
    inertia: orNothing(inUnit('A head inertia', 'g cm²', GRAM_CM2, HEAD_INERTIA)),
    grip: putterValues.shape.grip,
  });
}

export type PutterInput = z.input<ReturnType<typeof putterForm>>;

/** A putter's values as they are typed. */
export const typedPutter = (
  t: Translate,
  values: PutterValues,
  units: UnitPreferences,
): PutterInput => ({
  name: values.name,
  headLength: showLength(values.headLength, 'across', units),
  headDepth: showLength(values.headDepth, 'across', units),
  lieAngle: showDegrees(values.lieAngle, 0),
  length: values.length === null ? '' : showLength(values.length, 'across', units),
  loft: values.loft === null ? '' : showDegrees(values.loft, 1),
  shape: values.shape ?? '',
  mass: values.mass === null ? '' : `${Math.round(values.mass / GRAM)} g`,
  inertia:
    values.inertia === null
      ? ''
      : t('setup.putterForm.gCm', { inertia: Math.round(values.inertia / GRAM_CM2) }),
  grip: values.grip,
});

/** What was measured of a putter, in a line. */
export const putterWords = (t: Translate, putter: PutterValues, units: UnitPreferences): string => {
  const typed = typedPutter(t, putter, units);
  return [
    putter.shape,
    typed.length && t('setup.putterForm.long', { typed: typed.length }),
    t('setup.putterForm.headBy', { headLength: typed.headLength, headDepth: typed.headDepth }),
    t('setup.putterForm.lie', { lieAngle: typed.lieAngle }),
    typed.loft && t('setup.putterForm.loft', { loft: typed.loft }),
    typed.mass,
    typed.inertia,
    putter.grip && t('setup.putterForm.grip', { grip: putter.grip }),
  ]
    .filter(Boolean)
    .join(' · ');
};
