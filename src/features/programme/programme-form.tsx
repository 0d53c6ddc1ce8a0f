'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { Plus, X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useFieldArray, useForm, useWatch } from 'react-hook-form';
import { toast } from 'sonner';
import { trainedIds } from '@/core/quantity';
import { Button } from '@/ui/button';
import { ChoiceField, PickField } from '@/ui/controlled';
import { FormDay, FormTime } from '@/ui/day-field';
import { TextField } from '@/ui/field';
import type { PickOption } from '@/ui/pick';
import { showErrors } from '../shared/show-errors';
import { nameOf } from '../students/skill-words';
import { keepProgramme } from './date-actions';
import { DaysOffField } from './days-off-field';
import {
  aimUnit,
  programmeForm,
  typedProgramme,
  type ProgrammeInput,
  type ProgrammeOutput,
} from './programme-form-schema';
import { ReachLine } from './reach-line';

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'].map(
  (label, i) => ({ value: String(i + 1), label }),
);

/** Weeks of lessons and practice towards an aim: who, what to come to, and on which days. */
export function ProgrammeForm({
  id,
  values,
  students,
}: {
  id: string | null;
  values: ProgrammeInput;
  students: PickOption[];
}) {
  const router = useRouter();
  const { register, control, handleSubmit, setError, setValue, formState } = useForm<
    ProgrammeInput,
    unknown,
    ProgrammeOutput
  >({ resolver: zodResolver(programmeForm), defaultValues: values, mode: 'onTouched' });
  const { errors, isSubmitting } = formState;
  const slots = useFieldArray({ control, name: 'slots' });
  const [skill, window, by, from, studentId] = useWatch({
    control,
    name: ['skill', 'window', 'by', 'from', 'studentId'],
  });
  const save = handleSubmit(async (typed) => {
    const result = await keepProgramme({
      ...typedProgramme(typed),
      studentId: typed.studentId,
      id,
    });
    if (!showErrors(result, setError)) return;
    toast.success('Saved. The days are in the diary.');
    router.push(`/programme/${result.value}`);
  });
  return (
    <form onSubmit={save} noValidate className="grid max-w-3xl gap-7 px-4 py-6 md:px-7">
      {id === null && (
        <PickField
          control={control}
          name="studentId"
          label="Student"
          placeholder="Choose a student"
          options={students}
        />
      )}
      <fieldset className="grid gap-4">
        <legend className="mb-2 text-[1.25rem] num">Goal</legend>
        <ChoiceField
          control={control}
          name="skill"
          label="Skill (8 putts in 10 within the window)"
          options={trainedIds().map((value) => ({ value, label: nameOf(value) }))}
          onChosen={(next) => setValue('window', aimUnit(next).usual)}
        />
        <div className="grid max-w-lg gap-x-6 gap-y-4 sm:grid-cols-2">
          <TextField
            label={`Window, ± ${aimUnit(skill).unit}`}
            type="number"
            step="any"
            inputMode="decimal"
            {...register('window', { valueAsNumber: true })}
            error={errors.window?.message}
          />
          <FormDay control={control} name="by" label="Target date" />
        </div>
        <ReachLine
          studentId={studentId}
          skill={skill}
          window={window}
          by={by}
          onTake={(next) => setValue('window', next, { shouldDirty: true, shouldValidate: true })}
        />
      </fieldset>
      <div className="grid gap-x-6 gap-y-4 sm:grid-cols-3">
        <FormDay control={control} name="from" label="Start date" />
        <TextField
          label="Weeks"
          type="number"
          inputMode="numeric"
          {...register('weeks', { valueAsNumber: true })}
          error={errors.weeks?.message}
        />
        <TextField
          label="Weeks between cold tests"
          type="number"
          inputMode="numeric"
          {...register('testEvery', { valueAsNumber: true })}
          error={errors.testEvery?.message}
        />
      </div>
      <fieldset className="grid gap-3">
        <legend className="mb-2 text-[1.25rem] num">Weekly schedule</legend>
        {slots.fields.map((slot, index) => (
          <div
            key={slot.id}
            className="grid grid-cols-2 items-start gap-x-4 gap-y-3 border-b border-rule pb-3 sm:grid-cols-[1.2fr_0.9fr_0.8fr_auto_auto] sm:items-end"
          >
            <PickField
              control={control}
              name={`slots.${index}.weekday`}
              label={`Day ${index + 1}`}
              placeholder="Choose a day"
              options={WEEKDAYS}
            />
            <FormTime
              control={control}
              name={`slots.${index}.time`}
              label="Time (optional)"
              none=""
            />
            <TextField
              label="Minutes"
              type="number"
              inputMode="numeric"
              {...register(`slots.${index}.minutes`, { valueAsNumber: true })}
              error={errors.slots?.[index]?.minutes?.message}
            />
            <ChoiceField
              control={control}
              name={`slots.${index}.kind`}
              label="Type"
              options={[
                { value: 'lesson', label: 'lesson' },
                { value: 'practice', label: 'practice' },
              ]}
            />
            <Button
              className="px-3"
              aria-label={`Remove day ${index + 1}`}
              onClick={() => slots.remove(index)}
            >
              <X size={18} aria-hidden />
            </Button>
          </div>
        ))}
        {(errors.slots?.root?.message ?? errors.slots?.message) && (
          <p role="alert" className="text-sm font-[560] text-line">
            ▲ {errors.slots?.root?.message ?? errors.slots?.message}
          </p>
        )}
        <div>
          <Button
            onClick={() => slots.append({ weekday: 4, time: '', minutes: 30, kind: 'practice' })}
          >
            <Plus size={17} aria-hidden /> Add day
          </Button>
        </div>
      </fieldset>
      <DaysOffField
        control={control}
        name="off"
        title="Time off"
        hint="Dates when this student is away. The programme skips them, and also skips your own time off, which is in your settings."
        today={from}
      />
      <div>
        <Button kind="primary" type="submit" className="min-h-12" disabled={isSubmitting}>
          {id ? 'Save programme' : 'Create programme'}
        </Button>
      </div>
    </form>
  );
}
