import type { Translate } from '@/words/translate';
import { z } from 'zod';
import { CARD_FIELD_IDS, cardField, type Card, type CardFieldId } from '@/core/setup';
import { bareUnit, lengthSchema, showLength, showSide, sideSchema } from '@/core/units';
import type { UnitPreferences } from '@/core/units';
import { orNothing } from '../shared/or-nothing';

/** A card as it is typed: every field as text, empty where nobody looked. */
export type CardInput = Record<CardFieldId | 'putter', string>;

function fieldSchema(t: Translate, id: CardFieldId, units: UnitPreferences) {
  const field = cardField(id);
  switch (field.kind) {
    case 'choice':
      return orNothing(z.enum(Object.keys(field.options) as [string, ...string[]]));
    case 'text':
      return orNothing(
        z
          .string()
          .trim()
          .max(field.most, t('setup.form.isTooLongUseAt', { field: field.name, most: field.most })),
      );
    case 'number': {
      const wrong = t('setup.form.mustBeAWholeNumber', {
        field: field.name,
        min: field.min,
        max: field.max,
      });
      return orNothing(
        z.string().transform((text, context) => {
          const value = Number(text.trim().replace(/\s*%$/, ''));
          if (Number.isInteger(value) && value >= field.min && value <= field.max) return value;
          context.addIssue({ code: 'custom', message: `“${text.trim()}”: ${wrong}` });
          return z.NEVER;
        }),
      );
    }
    case 'length': {
      const bare = bareUnit('across', units);
      const { name: what, min, max, sides } = field;
      if (!sides) return orNothing(lengthSchema({ what, bare, min, max }));
      return orNothing(sideSchema({ what, bare, min: 0, max: Math.min(-min, max) }, sides));
    }
  }
}

/**
 * What a coach types on a set-up card, and what it means. Its messages name the value and what is allowed.
 *
 * @param putters that there are to choose from
 */
export function cardForm(
  t: Translate,
  units: UnitPreferences,
  putters: readonly { id: string; name: string }[],
) {
  const fields = Object.fromEntries(CARD_FIELD_IDS.map((id) => [id, fieldSchema(t, id, units)]));
  return z.object({
    ...fields,
    putter: z.string().transform((id) => putters.find((one) => one.id === id) ?? null),
  }) as unknown as z.ZodType<Card, CardInput>;
}

/** A card as it is typed. */
export function typedCard(card: Card, units: UnitPreferences): CardInput {
  const typed = (id: CardFieldId): string => {
    const [field, value] = [cardField(id), card[id]];
    if (value === null) return '';
    if (field.kind !== 'length') return String(value);
    return field.sides
      ? showSide(Number(value), 'across', units, field.sides)
      : showLength(Number(value), 'across', units);
  };
  return {
    ...(Object.fromEntries(CARD_FIELD_IDS.map((id) => [id, typed(id)])) as CardInput),
    putter: card.putter?.id ?? '',
  };
}
