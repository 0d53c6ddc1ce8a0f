'use client';

import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import { useState, type ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import { CARD_FIELD_IDS, cardField, emptyCard, type Card, type CardFieldId } from '@/core/setup';
import type { UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { PickField } from '@/ui/controlled';
import { TextField } from '@/ui/field';
import { SheetDialog } from '@/ui/sheet-dialog';
import { cardForm, typedCard, type CardInput } from './form';

/** Stands for nothing chosen, where a list needs a value for it. */
const NOBODY = 'not checked';

/** The whole card, filled from the last one. */
export function CardSheet({
  card,
  putters,
  units,
  trigger,
  onKeep,
}: {
  card: Card | null;
  putters: { id: string; name: string }[];
  units: UnitPreferences;
  trigger: ReactNode;
  onKeep: (card: Card) => void;
}) {
  const t = useTranslations();
  const [open, setOpen] = useState(false);
  return (
    <SheetDialog
      returnsFocus={false}
      title={t('setup.cardSheet.setUpCard')}
      sub={t('setup.cardSheet.fillInWhatYouCheck')}
      open={open}
      onOpen={setOpen}
      trigger={trigger}
    >
      <CardFields
        card={card}
        putters={putters}
        units={units}
        onKeep={(kept) => {
          setOpen(false);
          onKeep(kept);
        }}
      />
    </SheetDialog>
  );
}

function CardFields({
  card,
  putters,
  units,
  onKeep,
}: {
  card: Card | null;
  putters: { id: string; name: string }[];
  units: UnitPreferences;
  onKeep: (card: Card) => void;
}) {
  const t = useTranslations();
  const typed = typedCard(card ?? emptyCard(), units);
  // A list has no empty value: what nobody looked at stands for itself.
  const chosen = Object.fromEntries(
    Object.entries(typed).map(([id, value]) => [id, isList(id) && value === '' ? NOBODY : value]),
  ) as CardInput;
  if (!card && putters[0]) chosen.putter = putters[0].id;
  const { register, control, handleSubmit, setError, formState } = useForm<CardInput>({
    defaultValues: chosen,
    mode: 'onTouched',
  });
  const { errors } = formState;
  const keep = handleSubmit((values) => {
    const meant = Object.fromEntries(
      Object.entries(values).map(([id, value]) => [id, value === NOBODY ? '' : value]),
    ) as CardInput;
    const parsed = cardForm(t, units, putters).safeParse(meant);
    if (parsed.success) onKeep(parsed.data);
    else
      for (const [index, { path, message }] of parsed.error.issues.entries())
        setError(path.join('.') as keyof CardInput, { message }, { shouldFocus: index === 0 });
  });
  return (
    <form onSubmit={keep} noValidate className="mt-4 grid gap-5">
      <div className="grid gap-x-6 gap-y-5 sm:grid-cols-2">
        {putters.length > 0 && (
          <PickField
            control={control}
            name="putter"
            label={t('setup.cardSheet.putter')}
            placeholder={t('setup.cardSheet.chooseAPutter')}
            options={[
              ...putters.map(({ id, name }) => ({ value: id, label: name })),
              { value: NOBODY, label: NOBODY },
            ]}
          />
        )}
        {CARD_FIELD_IDS.map((id) => {
          const field = cardField(id);
          return field.kind === 'choice' ? (
            <PickField
              key={id}
              control={control}
              name={id}
              label={field.name}
              placeholder={NOBODY}
              options={[
                ...Object.entries(field.options).map(([value, { label, about }]) => ({
                  value,
                  label,
                  detail: about,
                })),
                { value: NOBODY, label: NOBODY },
              ]}
            />
          ) : (
            <TextField
              key={id}
              label={field.name}
              hint={hintOf(t, id)}
              {...register(id)}
              error={errors[id]?.message}
            />
          );
        })}
      </div>
      <div className="sticky bottom-0 border-t-[length:var(--stroke)] border-ink bg-sheet py-3">
        <Button kind="primary" type="submit" className="min-h-14 w-full text-[1.125rem]">
          {t('setup.cardSheet.saveCard')}
        </Button>
      </div>
    </form>
  );
}

const isList = (id: string): boolean =>
  id === 'putter' || cardField(id as CardFieldId).kind === 'choice';

/** What is taught, and how it is typed. */
function hintOf(t: Translate, id: CardFieldId): string {
  const field = cardField(id);
  return field.kind === 'length' && field.sides
    ? t('setup.cardSheet.forExampleType30Mm', {
        about: field.about,
        sides: field.sides[1],
        sides2: field.sides[0],
      })
    : field.about;
}
