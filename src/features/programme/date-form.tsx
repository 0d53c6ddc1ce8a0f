'use client';

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
  const router = useRouter();
  const { register, control, handleSubmit, setError, formState } = useForm<AppointmentValues>({
    resolver: zodResolver(appointmentSchema),
    defaultValues: values,
    mode: 'onTouched',
  });
  const { errors, isSubmitting } = formState;
  const save = handleSubmit(async (typed) => {
    if (!showErrors(await keepDate({ ...typed, id }), setError)) return;
    toast.success('Saved to the diary.');
    router.push(`/programme?day=${typed.day}`);
  });
  return (
    <form onSubmit={save} noValidate className="grid max-w-2xl gap-6 px-4 py-6 md:px-7">
      {ofProgramme || id ? null : (
        <PickField
          control={control}
          name="studentId"
          label="Student"
          placeholder="Choose a student"
          options={students}
        />
      )}
      <ChoiceField
        control={control}
        name="kind"
        label="Type"
        options={Object.entries(KINDS).map(([value, { name }]) => ({
          value: value as AppointmentValues['kind'],
          label: name,
        }))}
      />
      <div className="grid gap-x-6 gap-y-4 sm:grid-cols-3">
        <FormDay control={control} name="day" label="Day" />
        <FormTime
          control={control}
          name="time"
          none={null}
          label="Time"
          hint="Leave empty for any time that day"
        />
        <TextField
          label="Minutes"
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
              label="Plan"
              placeholder="none"
              options={[{ value: NONE, label: 'none yet' }, ...plans]}
              value={field.value ?? NONE}
              onChange={(value) => field.onChange(value === NONE ? null : value)}
            />
          )}
        />
      )}
      <NotesField
        label="Note"
        rows={2}
        {...register('note')}
        hint="Appears in the calendar that is shared by link"
        error={errors.note?.message}
      />
      <div className="flex flex-wrap gap-2.5">
        <Button kind="primary" type="submit" disabled={isSubmitting}>
          Save appointment
        </Button>
        {id && (
          <Button
            disabled={isSubmitting}
            onClick={async () => {
              const result = await dropDate(id);
              if (!showErrors(result)) return;
              toastUndo('Removed from the diary.', result.value);
              router.push('/programme');
            }}
          >
            Delete
          </Button>
        )}
      </div>
    </form>
  );
}
