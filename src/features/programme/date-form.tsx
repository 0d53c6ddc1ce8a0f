'use client';

import { useTranslations } from 'next-intl';
import { zodResolver } from '@hookform/resolvers/zod';
import { useRouter } from 'next/navigation';
import { Controller, useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { appointmentSchema, type AppointmentValues } from '@/core/planning';
import { Button } from '@/ui/button';
import { ChoiceField, PickField } from '@/ui/controlled';
import { FormDay, FormTime } from '@/ui/day-field';
import { NotesField, TextField } from '@/ui/field';
import { Pick, type PickOption } from '@/ui/pick';
import { toastUndo } from '../academy/toast-undo';
import { showErrors } from '../shared/show-errors';
import { dropDate, keepDate } from './date-actions';
import { KINDS } from './date-words';

/** Stands for no plan. */
const NONE = 'none';

/** A date in the diary: who, when, what for. */
export function DateForm({
  id,
  values,
  students,
  plans,
  ofProgramme,
}: {
  id: string | null;
  values: AppointmentValues;
  students: PickOption[];
  plans: PickOption[];
  /** Its student is the programme's. */
  ofProgramme: boolean;
}) {
  const t = useTranslations();
  const router = useRouter();
  const { register, control, handleSubmit, setError, formState } = useForm<AppointmentValues>({
    resolver: zodResolver(appointmentSchema),
    defaultValues: values,
    mode: 'onTouched',
  });
  const { errors, isSubmitting } = formState;
  const save = handleSubmit(async (typed) => {
    if (!showErrors(await keepDate({ ...typed, id }), setError)) return;
    toast.success(t('programme.dateForm.savedToTheDiary'));
    router.push(`/programme?day=${typed.day}`);
  });
  return (
    <form onSubmit={save} noValidate className="grid max-w-2xl gap-6 px-4 py-6 md:px-7">
      {ofProgramme || id ? null : (
        <PickField
          control={control}
          name="studentId"
          label={t('programme.dateForm.student')}
          placeholder={t('programme.dateForm.chooseAStudent')}
          options={students}
        />
      )}
      <ChoiceField
        control={control}
        name="kind"
        label={t('programme.dateForm.type')}
        options={Object.entries(KINDS).map(([value, { name }]) => ({
          value: value as AppointmentValues['kind'],
          label: name,
        }))}
      />
      <div className="grid gap-x-6 gap-y-4 sm:grid-cols-3">
        <FormDay control={control} name="day" label={t('programme.dateForm.day')} />
        <FormTime
          control={control}
          name="time"
          none={null}
          label={t('programme.dateForm.time')}
          hint={t('programme.dateForm.leaveEmptyForAnyTime')}
        />
        <TextField
          label={t('programme.dateForm.minutes')}
          type="number"
          inputMode="numeric"
          {...register('minutes', { valueAsNumber: true })}
          error={errors.minutes?.message}
        />
      </div>
      {plans.length > 0 && (
        <Controller
          control={control}
          name="planId"
          render={({ field }) => (
            <Pick
              label={t('programme.dateForm.plan')}
              placeholder={t('programme.dateForm.none')}
              options={[{ value: NONE, label: t('programme.dateForm.noneYet') }, ...plans]}
              value={field.value ?? NONE}
              onChange={(value) => field.onChange(value === NONE ? null : value)}
            />
          )}
        />
      )}
      <NotesField
        label={t('programme.dateForm.note')}
        rows={2}
        {...register('note')}
        hint={t('programme.dateForm.appearsInTheCalendarThat')}
        error={errors.note?.message}
      />
      <div className="flex flex-wrap gap-2.5">
        <Button kind="primary" type="submit" disabled={isSubmitting}>
          {t('programme.dateForm.saveAppointment')}
        </Button>
        {id && (
          <Button
            disabled={isSubmitting}
            onClick={async () => {
              const result = await dropDate(id);
              if (!showErrors(result)) return;
              toastUndo(t, t('programme.dateForm.removedFromTheDiary'), result.value);
              router.push('/programme');
            }}
          >
            {t('programme.dateForm.delete')}
          </Button>
        )}
      </div>
    </form>
  );
}
