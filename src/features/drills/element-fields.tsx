'use client';

import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import { toast } from 'sonner';
import { z } from 'zod';
import { elementOf, type Piece } from '@/core/layout';
import { bareUnit, showSide, sideSchema } from '@/core/units';
import { Choice } from '@/ui/choice';
import { LengthInput, ParsedInput } from '@/ui/parsed-input';
import { Pick } from '@/ui/pick';
import { withParams } from './draft';
import type { Editing } from './editing';

/** More options than this are a list rather than buttons. */
const BUTTONS = 3;

/** The numbers and choices of one element, as its file says. */
export function ElementFields({
  piece,
  editing,
  hidden,
}: {
  piece: Piece;
  editing: Editing;
  /** Fields that mean nothing on this putt. */
  hidden: (name: string) => boolean;
}) {
  const t = useTranslations();
  const { draft, units, tryLayout, onWrong } = editing;
  const params = piece.params as unknown as Record<string, unknown>;
  const set = (name: string, value: unknown) =>
    tryLayout(withParams(draft.layout, piece.id, { [name]: value }), `${piece.id} ${name}`);
  const choose = (name: string, value: string) => {
    const refused = set(name, value);
    if (refused) toast.error(refused);
  };
  return (
    <div className="grid grid-cols-2 items-start gap-x-6 gap-y-2.5">
      {elementOf(piece.kind)
        .fields.filter(
          ({ name, when }) =>
            !hidden(name) && (!when || when.is.includes(params[when.field] as string)),
        )
        .map((field) => {
          const key = `${piece.id} ${field.name}`;
          switch (field.type) {
            case 'length':
              return field.sided ? (
                <ParsedInput
                  key={key}
                  name={key}
                  label={field.label}
                  value={params[field.name] as number}
                  show={(metres) => showSide(metres, field.kind, units)}
                  schema={sideSchema({
                    ...field,
                    bare: bareUnit(field.kind, units),
                    own: units.own,
                  })}
                  onValue={(metres) => set(field.name, metres)}
                  onWrong={onWrong}
                />
              ) : (
                <LengthInput
                  key={key}
                  name={key}
                  label={field.label}
                  what={field.what}
                  kind={field.kind}
                  min={field.min}
                  max={field.max}
                  units={units}
                  value={params[field.name] as number}
                  onValue={(metres) => set(field.name, metres)}
                  onWrong={onWrong}
                />
              );
            case 'number':
              return (
                <ParsedInput
                  key={key}
                  name={key}
                  label={field.label}
                  value={params[field.name] as number}
                  show={(value) => String(Number(value.toFixed(3)))}
                  schema={numberSchema(t, field)}
                  onValue={(value) => set(field.name, value)}
                  onWrong={onWrong}
                />
              );
            case 'text':
              return (
                <div key={key} className="col-span-2">
                  <ParsedInput
                    name={key}
                    label={field.label}
                    value={params[field.name] as string}
                    show={(value) => value}
                    schema={z
                      .string()
                      .trim()
                      .min(1, t('drills.elementFields.enterSomeText'))
                      .max(
                        field.max,
                        t('drills.elementFields.tooLongUseAtMost', { max: field.max }),
                      )}
                    onValue={(value) => set(field.name, value)}
                    onWrong={onWrong}
                  />
                </div>
              );
            case 'choice':
              return (
                <div key={key} className="col-span-2">
                  {field.options.length > BUTTONS ? (
                    <Pick
                      label={field.label}
                      placeholder={t('drills.elementFields.choose')}
                      options={[...field.options]}
                      value={params[field.name] as string}
                      onChange={(value) => choose(field.name, value)}
                    />
                  ) : (
                    <Choice
                      label={field.label}
                      options={field.options}
                      value={params[field.name] as string}
                      onChange={(value) => choose(field.name, value)}
                    />
                  )}
                </div>
              );
          }
        })}
    </div>
  );
}

const numberSchema = (
  t: Translate,
  {
    what,
    min,
    max,
    step,
  }: {
    what: string;
    min: number;
    max: number;
    step: number;
  },
) =>
  z.string().transform((text, context) => {
    const number = Number(text.trim().replace(',', '.'));
    const whole = step === 1 ? t('drills.elementFields.wholeNumbersOnly') : '';
    if (text.trim() === '' || !Number.isFinite(number) || (whole && !Number.isInteger(number))) {
      context.addIssue({
        code: 'custom',
        message: t('drills.elementFields.isNotANumber', {
          text: text.slice(0, 24),
          whole: whole && 'whole ',
        }),
      });
      return z.NEVER;
    }
    if (number < min || number > max) {
      context.addIssue({
        code: 'custom',
        message: t('drills.elementFields.ofIsNotPossibleUse', {
          what,
          text: text.trim(),
          min,
          max,
          whole,
        }),
      });
      return z.NEVER;
    }
    return number;
  });
