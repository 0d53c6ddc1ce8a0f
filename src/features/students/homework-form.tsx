'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { toast } from 'sonner';
import type { HomeworkValues } from '@/core/planning';
import { Button } from '@/ui/button';
import { PickField } from '@/ui/controlled';
import { FormDay } from '@/ui/day-field';
import { NotesField, TextField } from '@/ui/field';
import type { PickOption } from '@/ui/pick';
import { RungPick } from '../drills/rung-pick';
import { showErrors } from '../shared/show-errors';
import { give } from './homework-actions';
import { homeworkForm } from './homework-form-schema';

/** A drill that can be done at home. */
interface HomeDrill extends PickOption {
  rungs: string[];
  /** The rung that teaches this student, from 0. */
  teaches: number | null;
}

/** Giving a student something to do at home. */
export function HomeworkForm({
  studentId,
  drills,
  values,
}: {
  studentId: string;
  drills: HomeDrill[];
  values: HomeworkValues;
}) {
  const { register, control, handleSubmit, setError, setValue, reset, formState } =
    useForm<HomeworkValues>({
      resolver: zodResolver(homeworkForm),
      defaultValues: values,
      mode: 'onTouched',
    });
  const { errors, isSubmitting } = formState;
  const drillId = useWatch({ control, name: 'drillId' });
  const chosen = drills.find(({ value }) => value === drillId);
  const save = handleSubmit(async (typed) => {
    if (!showErrors(await give({ ...typed, studentId }), setError)) return;
    toast.success('Homework assigned. It is on the student’s page.');
    reset(values);
  });
  return (
    <form onSubmit={save} noValidate className="grid gap-5">
      <PickField
        control={control}
        name="drillId"
        label="Drill"
        placeholder="Choose a drill for home"
        options={drills}
        onChosen={(value) =>
          setValue('rung', drills.find((one) => one.value === value)?.teaches ?? null)
        }
      />
      {chosen && chosen.rungs.length > 0 && (
        <Controller
          control={control}
          name="rung"
          render={({ field }) => (
            <RungPick rungs={chosen.rungs} rung={field.value} onRung={field.onChange} />
          )}
        />
      )}
      <div className="grid gap-x-5 gap-y-4 sm:grid-cols-2">
        <TextField
          label="Times per week"
          type="number"
          inputMode="numeric"
          {...register('timesAWeek', { valueAsNumber: true })}
          error={errors.timesAWeek?.message}
          className="max-w-24"
        />
        <span className="max-sm:hidden" aria-hidden />
        <FormDay control={control} name="from" label="Start date" />
        <FormDay control={control} name="until" label="End date" />
      </div>
      <NotesField
        label="Message to the student"
        rows={2}
        {...register('note')}
        error={errors.note?.message}
      />
      <div>
        <Button kind="primary" type="submit" disabled={isSubmitting}>
          Assign
        </Button>
      </div>
    </form>
  );
}
