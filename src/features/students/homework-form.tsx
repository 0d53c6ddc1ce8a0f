'use client';

import { useTranslations } from 'next-intl';
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
  const t = useTranslations();
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
    toast.success(t('students.homeworkForm.homeworkAssignedItIsOn'));
    reset(values);
  });
  return (
    <form onSubmit={save} noValidate className="grid gap-5">
      <PickField
        control={control}
        name="drillId"
        label={t('students.homeworkForm.drill')}
        placeholder={t('students.homeworkForm.chooseADrillForHome')}
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
          label={t('students.homeworkForm.timesPerWeek')}
          type="number"
          inputMode="numeric"
          {...register('timesAWeek', { valueAsNumber: true })}
          error={errors.timesAWeek?.message}
          className="max-w-24"
        />
        <span className="max-sm:hidden" aria-hidden />
        <FormDay control={control} name="from" label={t('students.homeworkForm.startDate')} />
        <FormDay control={control} name="until" label={t('students.homeworkForm.endDate')} />
      </div>
      <NotesField
        label={t('students.homeworkForm.messageToTheStudent')}
        rows={2}
        {...register('note')}
        error={errors.note?.message}
      />
      <div>
        <Button kind="primary" type="submit" disabled={isSubmitting}>
          {t('students.homeworkForm.assign')}
        </Button>
      </div>
    </form>
  );
}
