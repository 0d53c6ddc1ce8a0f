'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useState, useTransition, type ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import { SHAPES, type PutterValues } from '@/core/people';
import type { FittingHint } from '@/core/setup';
import { asSentence, type UnitPreferences } from '@/core/units';
import type { Putter } from '@/data';
import { Button } from '@/ui/button';
import { ChoiceField } from '@/ui/controlled';
import { TextField } from '@/ui/field';
import { SheetDialog } from '@/ui/sheet-dialog';
import { showErrors } from '../shared/show-errors';
import { keepPutter, removePutter, takeIntoUse } from './actions';
import { putterForm, putterWords, typedPutter, type PutterInput } from './putter-form';

/** A student's putters: which is in use, what was measured of each, and what the card hints at. */
export function Putters({
  studentId,
  putters,
  hints,
  units,
  mayChange,
}: {
  studentId: string;
  /** The one in use first. */
  putters: Putter[];
  /** Of the one in use. */
  hints: FittingHint[];
  units: UnitPreferences;
  mayChange: boolean;
}) {
  const [busy, run] = useTransition();
  const [first] = putters;
  const take = (putter: Putter) =>
    run(async () => {
      if (showErrors(await takeIntoUse(putter.id)))
        toast.success(`${putter.name} is now in use. New layouts are fitted to it.`);
    });
  const remove = (putter: Putter) =>
    run(async () => {
      if (showErrors(await removePutter(putter.id))) toast(`${putter.name} has been removed.`);
    });
  return (
    <div className="grid gap-4">
      <ul className="grid divide-y divide-rule border-y border-rule">
        {putters.map((putter) => (
          <li key={putter.id} className="grid gap-2 py-3">
            <p className="text-[1.0625rem]">
              <strong>{putter.name}</strong>
              {putter.inUse && (
                <span className="ml-2 bg-ink px-2 py-0.5 text-sm text-sheet">in use</span>
              )}
            </p>
            <p className="text-[0.9375rem] text-ink2">{putterWords(putter, units)}</p>
            {putter.inUse && hints.length > 0 && (
              <ul aria-label="Fitting hints" className="grid gap-1 text-[0.9375rem]">
                {hints.map(({ part, words }) => (
                  <li key={part}>
                    <strong>{asSentence(part)}.</strong> {words}
                  </li>
                ))}
              </ul>
            )}
            {mayChange && (
              <div className="flex flex-wrap gap-2.5 print:hidden">
                {!putter.inUse && (
                  <Button disabled={busy} onClick={() => take(putter)}>
                    Use this putter
                  </Button>
                )}
                <PutterSheet
                  studentId={studentId}
                  id={putter.id}
                  values={putter}
                  units={units}
                  trigger={<Button aria-label={`Edit ${putter.name}`}>Edit</Button>}
                />
                {!putter.inUse && (
                  <Button
                    kind="quiet"
                    disabled={busy}
                    aria-label={`Remove ${putter.name}`}
                    onClick={() => remove(putter)}
                  >
                    Remove
                  </Button>
                )}
              </div>
            )}
          </li>
        ))}
      </ul>
      {mayChange && first && (
        <div className="print:hidden">
          <PutterSheet
            studentId={studentId}
            id={null}
            values={{
              ...first,
              name: '',
              length: null,
              loft: null,
              shape: null,
              mass: null,
              inertia: null,
              grip: '',
            }}
            units={units}
            trigger={<Button>Add putter</Button>}
          />
        </div>
      )}
    </div>
  );
}

function PutterSheet({
  studentId,
  id,
  values,
  units,
  trigger,
}: {
  studentId: string;
  id: string | null;
  values: PutterValues;
  units: UnitPreferences;
  trigger: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <SheetDialog
      title={id === null ? 'New putter' : values.name}
      sub="Leave a field empty if you have not measured it."
      open={open}
      onOpen={setOpen}
      trigger={trigger}
    >
      <PutterFields
        studentId={studentId}
        id={id}
        values={values}
        units={units}
        onKept={() => setOpen(false)}
      />
    </SheetDialog>
  );
}

function PutterFields({
  studentId,
  id,
  values,
  units,
  onKept,
}: {
  studentId: string;
  id: string | null;
  values: PutterValues;
  units: UnitPreferences;
  onKept: () => void;
}) {
  const { register, control, handleSubmit, setError, getValues, formState } = useForm<
    PutterInput,
    unknown,
    PutterValues
  >({
    resolver: zodResolver(putterForm(units)),
    defaultValues: typedPutter(values, units),
    mode: 'onTouched',
  });
  const { errors, isSubmitting } = formState;
  const save = handleSubmit(async () => {
    const result = await keepPutter({ id, studentId, values: getValues() });
    const inForm = result.ok
      ? result
      : {
          ...result,
          fields: Object.fromEntries(
            Object.entries(result.fields).map(([path, words]) => [
              path.replace('values.', ''),
              words,
            ]),
          ),
        };
    if (!showErrors(inForm, setError)) return;
    toast.success('Saved.');
    onKept();
  });
  const field = (name: keyof PutterInput, label: string, hint: string) => (
    <TextField label={label} hint={hint} {...register(name)} error={errors[name]?.message} />
  );
  return (
    <form onSubmit={save} noValidate className="mt-4 grid gap-5">
      {field('name', 'Name', 'what you and the student call it')}
      <div className="grid gap-x-6 gap-y-5 sm:grid-cols-2">
        {field('length', 'Length', 'along the shaft, sole to the end of the grip')}
        {field('lieAngle', 'Lie angle', 'between the shaft and the ground; 70° is common')}
        {field('loft', 'Loft', 'of the face; about 4° is common')}
        {field('headLength', 'Head length, heel to toe', 'for example 112 mm or 4 3/8 in')}
        {field(
          'headDepth',
          'Head depth, front to back',
          'as far back as it has its full length: about 25 mm for a blade, 90 mm for a deep mallet',
        )}
        {field('mass', 'Head mass', 'in g, if known')}
        {field('inertia', 'Head inertia', 'in g cm², if known')}
        {field('grip', 'Grip', 'thickness and shape')}
      </div>
      <ChoiceField
        control={control}
        name="shape"
        label="Shape"
        options={[
          ...SHAPES.map((value) => ({ value, label: value })),
          { value: '', label: 'not known' },
        ]}
      />
      <Button kind="primary" type="submit" className="min-h-12" disabled={isSubmitting}>
        {id === null ? 'Add putter' : 'Save putter'}
      </Button>
    </form>
  );
}
