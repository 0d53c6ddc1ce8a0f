'use client';

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
    toast.success('Saved.');
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
        label="Name"
        autoFocus={id === null}
        {...register('name')}
        error={errors.name?.message}
      />
      <div className="flex flex-wrap gap-x-10 gap-y-6">
        <ChoiceField
          control={control}
          name="hand"
          label="Hand"
          options={[
            { value: 'right', label: 'Right-handed' },
            { value: 'left', label: 'Left-handed' },
          ]}
        />
        <Controller
          control={control}
          name="seated"
          render={({ field }) => (
            <Choice
              label="Posture"
              value={field.value ? 'seated' : 'standing'}
              onChange={(next) => field.onChange(next === 'seated')}
              options={[
                { value: 'standing', label: 'Standing' },
                { value: 'seated', label: 'Seated' },
              ]}
            />
          )}
        />
        <ChoiceField
          control={control}
          name="level"
          label="Level"
          options={[
            { value: 'beginner', label: 'Beginner' },
            { value: 'improving', label: 'Improving' },
            { value: 'steady', label: 'Steady' },
            { value: 'advanced', label: 'Advanced' },
          ]}
        />
      </div>
      <div className="grid gap-6 sm:grid-cols-3">
        <TextField
          label="Putter head, heel to toe"
          inputMode="text"
          {...register('putter.headLength')}
          hint="112 mm, 4 3/8 in"
          error={errors.putter?.headLength?.message}
        />
        <TextField
          label="Putter head, front to back"
          {...register('putter.headDepth')}
          hint="A blade is about 25 mm, a deep mallet 90 mm"
          error={errors.putter?.headDepth?.message}
        />
        <TextField
          label="Lie angle of the shaft"
          {...register('putter.lieAngle')}
          hint="Measured from the ground; 70° is common"
          error={errors.putter?.lieAngle?.message}
        />
      </div>
      <ChoiceField
        control={control}
        name="school"
        label="Preferred stroke"
        options={[
          { value: 'arc', label: 'slight arc' },
          { value: 'straight', label: 'straight back and through' },
        ]}
      />
      <Controller
        control={control}
        name="kit"
        render={({ field }) => (
          <Several
            label="Kit available"
            options={KIT_IDS.map((value) => ({ value, label: KIT[value].one }))}
            values={field.value}
            onChange={field.onChange}
          />
        )}
      />
      <TextField
        label="Groups"
        {...register('groups')}
        hint="Classes or teams, separated by commas: Tuesday class, juniors"
        error={errors.groups?.message}
      />
      <NotesField
        label="Private notes (only coaches see them)"
        {...register('notes')}
        error={errors.notes?.message}
      />
      <div className="flex gap-3">
        <Button kind="primary" type="submit" disabled={isSubmitting}>
          {id === null ? 'Add student' : 'Save student'}
        </Button>
        <Button onClick={() => router.back()}>Cancel</Button>
      </div>
    </form>
  );
}
