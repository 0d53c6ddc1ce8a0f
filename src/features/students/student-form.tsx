'use client';

import { useTranslations } from 'next-intl';
import { zodResolver } from '@hookform/resolvers/zod';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Controller, useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { KIT, KIT_IDS, type StudentValues } from '@/core/people';
import type { UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { ChoiceField } from '@/ui/controlled';
import { Choice } from '@/ui/choice';
import { NotesField, TextField } from '@/ui/field';
import { Several } from '@/ui/several';
import { showErrors } from '../shared/show-errors';
import { keepStudent } from './actions';
import { studentForm, typedStudent, type StudentInput } from './form';
import { compareForms, valueAt } from './form-merge';
import { MeanwhileNote, type Told } from './meanwhile-note';

/** Adding or changing a student. */
export function StudentForm({
  id,
  version = 0,
  values,
  units,
}: {
  id: string | null;
  /** Of the student when the page was made. */
  version?: number;
  values: StudentInput;
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const router = useRouter();
  const [opened, setOpened] = useState({ version, values });
  const [meanwhile, setMeanwhile] = useState<Told | null>(null);
  const { register, control, handleSubmit, setError, setValue, getValues, formState } = useForm<
    StudentInput,
    unknown,
    StudentValues
  >({ resolver: zodResolver(studentForm(units)), defaultValues: values, mode: 'onTouched' });
  const { errors, isSubmitting } = formState;

  const save = handleSubmit(async () => {
    const result = await keepStudent({ id, version: opened.version, values: getValues() });
    if (!showErrors(result, setError)) return;
    if ('meanwhile' in result.value) {
      const { version: newest, values: saved, by, at } = result.value.meanwhile;
      const theirs = typedStudent(saved, units);
      const { taken, both } = compareForms(opened.values, getValues(), theirs);
      for (const part of taken) setValue(part, valueAt(theirs, part) as never);
      setOpened({ version: newest, values: theirs });
      setMeanwhile({ by, at, theirs, taken, both });
      return;
    }
    toast.success(t('students.studentForm.saved'));
    router.push(`/students/${result.value.id}`);
  });

  return (
    <form onSubmit={save} noValidate className="grid max-w-3xl gap-7 px-4 py-6 md:px-7">
      {meanwhile && (
        <MeanwhileNote
          told={meanwhile}
          take={(part) => setValue(part, valueAt(meanwhile.theirs, part) as never)}
        />
      )}
      <TextField
        label={t('students.studentForm.name')}
        autoFocus={id === null}
        {...register('name')}
        error={errors.name?.message}
      />
      <div className="flex flex-wrap gap-x-10 gap-y-6">
        <ChoiceField
          control={control}
          name="hand"
          label={t('students.studentForm.hand')}
          options={[
            { value: 'right', label: t('students.studentForm.rightHanded') },
            { value: 'left', label: t('students.studentForm.leftHanded') },
          ]}
        />
        <Controller
          control={control}
          name="seated"
          render={({ field }) => (
            <Choice
              label={t('students.studentForm.posture')}
              value={field.value ? 'seated' : 'standing'}
              onChange={(next) => field.onChange(next === 'seated')}
              options={[
                { value: 'standing', label: t('students.studentForm.standing') },
                { value: 'seated', label: t('students.studentForm.seated') },
              ]}
            />
          )}
        />
        <ChoiceField
          control={control}
          name="level"
          label={t('students.studentForm.level')}
          options={[
            { value: 'beginner', label: t('students.studentForm.beginner') },
            { value: 'improving', label: t('students.studentForm.improving') },
            { value: 'steady', label: t('students.studentForm.steady') },
            { value: 'advanced', label: t('students.studentForm.advanced') },
          ]}
        />
      </div>
      <div className="grid gap-6 sm:grid-cols-3">
        <TextField
          label={t('students.studentForm.putterHeadHeelToToe')}
          inputMode="text"
          {...register('putter.headLength')}
          hint={t('students.studentForm.n112Mm438')}
          error={errors.putter?.headLength?.message}
        />
        <TextField
          label={t('students.studentForm.putterHeadFrontToBack')}
          {...register('putter.headDepth')}
          hint={t('students.studentForm.aBladeIsAbout25')}
          error={errors.putter?.headDepth?.message}
        />
        <TextField
          label={t('students.studentForm.lieAngleOfTheShaft')}
          {...register('putter.lieAngle')}
          hint={t('students.studentForm.measuredFromTheGround70')}
          error={errors.putter?.lieAngle?.message}
        />
      </div>
      <ChoiceField
        control={control}
        name="school"
        label={t('students.studentForm.preferredStroke')}
        options={[
          { value: 'arc', label: t('students.studentForm.slightArc') },
          { value: 'straight', label: t('students.studentForm.straightBackAndThrough') },
        ]}
      />
      <Controller
        control={control}
        name="kit"
        render={({ field }) => (
          <Several
            label={t('students.studentForm.kitAvailable')}
            options={KIT_IDS.map((value) => ({ value, label: KIT[value].one }))}
            values={field.value}
            onChange={field.onChange}
          />
        )}
      />
      <TextField
        label={t('students.studentForm.groups')}
        {...register('groups')}
        hint={t('students.studentForm.classesOrTeamsSeparatedBy')}
        error={errors.groups?.message}
      />
      <NotesField
        label={t('students.studentForm.privateNotesOnlyCoachesSee')}
        {...register('notes')}
        error={errors.notes?.message}
      />
      <div className="flex gap-3">
        <Button kind="primary" type="submit" disabled={isSubmitting}>
          {id === null
            ? t('students.studentForm.addStudent')
            : t('students.studentForm.saveStudent')}
        </Button>
        <Button onClick={() => router.back()}>{t('students.studentForm.cancel')}</Button>
      </div>
    </form>
  );
}
