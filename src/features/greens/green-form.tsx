'use client';

import { useTranslations } from 'next-intl';
import { zodResolver } from '@hookform/resolvers/zod';
import { ArrowUp, Trash2 } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useFieldArray, useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { NotesField, TextField } from '@/ui/field';
import { showErrors } from '../shared/show-errors';
import { keepGreen } from './actions';
import { greenForm, type GreenInput } from './form';

/** Adding or changing a green and the spots that are putted from. */
export function GreenForm({ id, values }: { id: string | null; values: GreenInput }) {
  const t = useTranslations();
  const router = useRouter();
  const { register, control, handleSubmit, setError, getValues, formState } = useForm<GreenInput>({
    resolver: zodResolver(greenForm),
    defaultValues: values,
    mode: 'onTouched',
  });
  const { fields, append, remove, swap } = useFieldArray({
    control,
    name: 'spots',
    keyName: 'key',
  });
  const { errors, isSubmitting } = formState;
  const save = handleSubmit(async () => {
    const result = await keepGreen({ id, values: getValues() });
    if (!showErrors(result, setError)) return;
    toast.success(t('greens.greenForm.saved'));
    router.push(`/greens/${result.value}`);
  });
  return (
    <form onSubmit={save} noValidate className="grid max-w-3xl gap-7 px-4 py-6 md:px-7">
      <TextField
        label={t('greens.greenForm.name')}
        placeholder={t('greens.greenForm.practiceGreen')}
        autoFocus={id === null}
        {...register('name')}
        error={errors.name?.message}
      />
      <fieldset className="grid gap-3">
        <legend className="cap">{t('greens.greenForm.spotsYouPuttFromEach')}</legend>
        {fields.map(({ key }, index) => (
          <div key={key} className="grid grid-cols-[1fr_auto_auto] items-end gap-2">
            <TextField
              label={t('greens.greenForm.spot', { index: index + 1 })}
              {...register(`spots.${index}.name`)}
              error={errors.spots?.[index]?.name?.message}
            />
            <Button
              aria-label={t('greens.greenForm.moveSpotUp', { index: index + 1 })}
              disabled={index === 0}
              onClick={() => swap(index, index - 1)}
              className="px-3"
            >
              <ArrowUp size={18} aria-hidden />
            </Button>
            <Button
              aria-label={t('greens.greenForm.deleteSpot', { index: index + 1 })}
              onClick={() => remove(index)}
              className="px-3"
            >
              <Trash2 size={18} aria-hidden />
            </Button>
          </div>
        ))}
        <div>
          <Button onClick={() => append({ name: '' })}>{t('greens.greenForm.addSpot')}</Button>
        </div>
        <p className="max-w-prose text-sm text-ink2">
          {t('greens.greenForm.theSlopeIsReadAt')}
          {id !== null && t('greens.greenForm.deletingASpotAlsoDeletes')}
        </p>
      </fieldset>
      <NotesField
        label={t('greens.greenForm.notes')}
        {...register('notes')}
        error={errors.notes?.message}
      />
      <div className="flex gap-3">
        <Button kind="primary" type="submit" disabled={isSubmitting}>
          {id === null ? t('greens.greenForm.addGreen') : t('greens.greenForm.saveGreen')}
        </Button>
        <Button onClick={() => router.back()}>{t('greens.greenForm.cancel')}</Button>
      </div>
    </form>
  );
}
