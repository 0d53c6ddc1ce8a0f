'use client';

import { useTranslations } from 'next-intl';
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
  const t = useTranslations();
  const [busy, run] = useTransition();
  const [first] = putters;
  const take = (putter: Putter) =>
    run(async () => {
      if (showErrors(await takeIntoUse(putter.id)))
        toast.success(t('setup.putters.isNowInUseNew', { putter: putter.name }));
    });
  const remove = (putter: Putter) =>
    run(async () => {
      if (showErrors(await removePutter(putter.id)))
        toast(t('setup.putters.hasBeenRemoved', { putter: putter.name }));
    });
  return (
    <div className="grid gap-4">
      <ul className="grid divide-y divide-rule border-y border-rule">
        {putters.map((putter) => (
          <li key={putter.id} className="grid gap-2 py-3">
            <p className="text-[1.0625rem]">
              <strong>{putter.name}</strong>
              {putter.inUse && (
                <span className="ml-2 bg-ink px-2 py-0.5 text-sm text-sheet">
                  {t('setup.putters.inUse')}
                </span>
              )}
            </p>
            <p className="text-[0.9375rem] text-ink2">{putterWords(t, putter, units)}</p>
            {putter.inUse && hints.length > 0 && (
              <ul
                aria-label={t('setup.putters.fittingHints')}
                className="grid gap-1 text-[0.9375rem]"
              >
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
                    {t('setup.putters.useThisPutter')}
                  </Button>
                )}
                <PutterSheet
                  studentId={studentId}
                  id={putter.id}
                  values={putter}
                  units={units}
                  trigger={
                    <Button aria-label={t('setup.putters.edit', { putter: putter.name })}>
                      {t('setup.putters.edit2')}
                    </Button>
                  }
                />
                {!putter.inUse && (
                  <Button
                    kind="quiet"
                    disabled={busy}
                    aria-label={t('setup.putters.remove', { putter: putter.name })}
                    onClick={() => remove(putter)}
                  >
                    {t('setup.putters.remove2')}
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
            trigger={<Button>{t('setup.putters.addPutter')}</Button>}
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
  const t = useTranslations();
  const [open, setOpen] = useState(false);
  return (
    <SheetDialog
      title={id === null ? t('setup.putters.newPutter') : values.name}
      sub={t('setup.putters.leaveAFieldEmptyIf')}
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
  const t = useTranslations();
  const { register, control, handleSubmit, setError, getValues, formState } = useForm<
    PutterInput,
    unknown,
    PutterValues
  >({
    resolver: zodResolver(putterForm(units)),
    defaultValues: typedPutter(t, values, units),
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
    toast.success(t('setup.putters.saved'));
    onKept();
  });
  const field = (name: keyof PutterInput, label: string, hint: string) => (
    <TextField label={label} hint={hint} {...register(name)} error={errors[name]?.message} />
  );
  return (
    <form onSubmit={save} noValidate className="mt-4 grid gap-5">
      {field('name', t('setup.putters.name'), t('setup.putters.whatYouAndTheStudent'))}
      <div className="grid gap-x-6 gap-y-5 sm:grid-cols-2">
        {field('length', t('setup.putters.length'), t('setup.putters.alongTheShaftSoleTo'))}
        {field('lieAngle', t('setup.putters.lieAngle'), t('setup.putters.betweenTheShaftAndThe'))}
        {field('loft', t('setup.putters.loft'), t('setup.putters.ofTheFaceAbout4'))}
        {field(
          'headLength',
          t('setup.putters.headLengthHeelToToe'),
          t('setup.putters.forExample112MmOr'),
        )}
        {field(
          'headDepth',
          t('setup.putters.headDepthFrontToBack'),
          t('setup.putters.asFarBackAsIt'),
        )}
        {field('mass', t('setup.putters.headMass'), t('setup.putters.inGIfKnown'))}
        {field('inertia', t('setup.putters.headInertia'), t('setup.putters.inGCmIfKnown'))}
        {field('grip', t('setup.putters.grip'), t('setup.putters.thicknessAndShape'))}
      </div>
      <ChoiceField
        control={control}
        name="shape"
        label={t('setup.putters.shape')}
        options={[
          ...SHAPES.map((value) => ({ value, label: value })),
          { value: '', label: t('setup.putters.notKnown') },
        ]}
      />
      <Button kind="primary" type="submit" className="min-h-12" disabled={isSubmitting}>
        {id === null ? t('setup.putters.addPutter') : t('setup.putters.savePutter')}
      </Button>
    </form>
  );
}
