'use client';

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
    toast.success('Saved.');
    router.push(`/greens/${result.value}`);
  });
  return (
    <form onSubmit={save} noValidate className="grid max-w-3xl gap-7 px-4 py-6 md:px-7">
      <TextField
        label="Name"
        placeholder="Practice green"
        autoFocus={id === null}
        {...register('name')}
        error={errors.name?.message}
      />
      <fieldset className="grid gap-3">
        <legend className="cap">Spots you putt from, each with its own hole</legend>
        {fields.map(({ key }, index) => (
          <div key={key} className="grid grid-cols-[1fr_auto_auto] items-end gap-2">
            <TextField
              label={`Spot ${index + 1}`}
              {...register(`spots.${index}.name`)}
              error={errors.spots?.[index]?.name?.message}
            />
            <Button
              aria-label={`Move spot ${index + 1} up`}
              disabled={index === 0}
              onClick={() => swap(index, index - 1)}
              className="px-3"
            >
              <ArrowUp size={18} aria-hidden />
            </Button>
            <Button
              aria-label={`Delete spot ${index + 1}`}
              onClick={() => remove(index)}
              className="px-3"
            >
              <Trash2 size={18} aria-hidden />
            </Button>
          </div>
        ))}
        <div>
          <Button onClick={() => append({ name: '' })}>Add spot</Button>
        </div>
        <p className="max-w-prose text-sm text-ink2">
          The slope is read at each spot, seen from the ball. The speed is read once for the whole
          green.
          {id !== null && ' Deleting a spot also deletes its readings.'}
        </p>
      </fieldset>
      <NotesField label="Notes" {...register('notes')} error={errors.notes?.message} />
      <div className="flex gap-3">
        <Button kind="primary" type="submit" disabled={isSubmitting}>
          {id === null ? 'Add green' : 'Save green'}
        </Button>
        <Button onClick={() => router.back()}>Cancel</Button>
      </div>
    </form>
  );
}
