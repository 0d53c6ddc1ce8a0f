'use client';

import { useLocale, useTranslations } from 'next-intl';
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

/** Monday to Sunday, as the language has them. */
const weekdays = (locale: string) =>
  Array.from({ length: 7 }, (_, day) => ({
    value: String(day + 1),
    // 1 January 2024 was a Monday.
    label: new Intl.DateTimeFormat(locale, { weekday: 'long', timeZone: 'UTC' }).format(
      Date.UTC(2024, 0, day + 1),
    ),
  }));

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
  const t = useTranslations();
  const locale = useLocale();
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
    toast.success(t('programme.programmeForm.savedTheDaysAreIn'));
    router.push(`/programme/${result.value}`);
  });
  return (
    <form onSubmit={save} noValidate className="grid max-w-3xl gap-7 px-4 py-6 md:px-7">
      {id === null && (
        <PickField
          control={control}
          name="studentId"
          label={t('programme.programmeForm.student')}
          placeholder={t('programme.programmeForm.chooseAStudent')}
          options={students}
        />
      )}
      <fieldset className="grid gap-4">
        <legend className="mb-2 text-[1.25rem] num">{t('programme.programmeForm.goal')}</legend>
        <ChoiceField
          control={control}
          name="skill"
          label={t('programme.programmeForm.skill8PuttsIn10')}
          options={trainedIds().map((value) => ({ value, label: nameOf(value) }))}
          onChosen={(next) => setValue('window', aimUnit(next).usual)}
        />
        <div className="grid max-w-lg gap-x-6 gap-y-4 sm:grid-cols-2">
          <TextField
            label={t('programme.programmeForm.window', { unit: aimUnit(skill).unit })}
            type="number"
            step="any"
            inputMode="decimal"
            {...register('window', { valueAsNumber: true })}
            error={errors.window?.message}
          />
          <FormDay control={control} name="by" label={t('programme.programmeForm.targetDate')} />
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
        <FormDay control={control} name="from" label={t('programme.programmeForm.startDate')} />
        <TextField
          label={t('programme.programmeForm.weeks')}
          type="number"
          inputMode="numeric"
          {...register('weeks', { valueAsNumber: true })}
          error={errors.weeks?.message}
        />
        <TextField
          label={t('programme.programmeForm.weeksBetweenColdTests')}
          type="number"
          inputMode="numeric"
          {...register('testEvery', { valueAsNumber: true })}
          error={errors.testEvery?.message}
        />
      </div>
      <fieldset className="grid gap-3">
        <legend className="mb-2 text-[1.25rem] num">
          {t('programme.programmeForm.weeklySchedule')}
        </legend>
        {slots.fields.map((slot, index) => (
          <div
            key={slot.id}
            className="grid grid-cols-2 items-start gap-x-4 gap-y-3 border-b border-rule pb-3 sm:grid-cols-[1.2fr_0.9fr_0.8fr_auto_auto] sm:items-end"
          >
            <PickField
              control={control}
              name={`slots.${index}.weekday`}
              label={t('programme.programmeForm.day', { index: index + 1 })}
              placeholder={t('programme.programmeForm.chooseADay')}
              options={weekdays(locale)}
            />
            <FormTime
              control={control}
              name={`slots.${index}.time`}
              label={t('programme.programmeForm.timeOptional')}
              none=""
            />
            <TextField
              label={t('programme.programmeForm.minutes')}
              type="number"
              inputMode="numeric"
              {...register(`slots.${index}.minutes`, { valueAsNumber: true })}
              error={errors.slots?.[index]?.minutes?.message}
            />
            <ChoiceField
              control={control}
              name={`slots.${index}.kind`}
              label={t('programme.programmeForm.type')}
              options={[
                { value: 'lesson', label: 'lesson' },
                { value: 'practice', label: 'practice' },
              ]}
            />
            <Button
              className="px-3"
              aria-label={t('programme.programmeForm.removeDay', { index: index + 1 })}
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
            <Plus size={17} aria-hidden /> {t('programme.programmeForm.addDay')}
          </Button>
        </div>
      </fieldset>
      <DaysOffField
        control={control}
        name="off"
        title={t('programme.programmeForm.timeOff')}
        hint={t('programme.programmeForm.datesWhenThisStudentIs')}
        today={from}
      />
      <div>
        <Button kind="primary" type="submit" className="min-h-12" disabled={isSubmitting}>
          {id
            ? t('programme.programmeForm.saveProgramme')
            : t('programme.programmeForm.createProgramme')}
        </Button>
      </div>
    </form>
  );
}
