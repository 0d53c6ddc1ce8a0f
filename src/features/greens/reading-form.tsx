'use client';

import { useTranslations } from 'next-intl';
import { zodResolver } from '@hookform/resolvers/zod';
import { format } from '@/ui/when';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { toast } from 'sonner';
import { fallsWords, type ReadingValues } from '@/core/green';
import { showGrade, showLength, type UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { ChoiceField } from '@/ui/controlled';
import { FormMoment } from '@/ui/day-field';
import { TextField } from '@/ui/field';
import { Pick } from '@/ui/pick';
import { showErrors } from '../shared/show-errors';
import { keepReading } from './actions';
import { FallsField } from '../shared/falls-field';
import { readingForm, type ReadingInput } from './form';

/** Radix has no empty value: this one stands for the green as a whole. */
const WHOLE = 'whole';

/** Taking a reading, on the green: two rolls and a tape, or the numbers of a ramp and a level. */
export function ReadingForm({
  greenId,
  spots,
  units,
}: {
  greenId: string;
  spots: { id: string; name: string }[];
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const [form] = useState(() => readingForm(t, units));
  const fresh = (): ReadingInput => ({
    at: format(new Date(), "yyyy-MM-dd'T'HH:mm"),
    spotId: spots[0]?.id ?? '',
    note: '',
    how: 'rolls',
    up: '',
    down: '',
    way: 'left',
    greenSpeed: '',
    grade: '0 %',
    falls: 'left',
  });
  const { register, control, handleSubmit, setError, getValues, reset, formState } = useForm<
    ReadingInput,
    unknown,
    ReadingValues
  >({ resolver: zodResolver(form), defaultValues: fresh(), mode: 'onTouched' });
  const { errors, isSubmitting } = formState;
  const typed = useWatch({ control });
  const rolled = typed.how === 'rolls';
  const found = form.safeParse(typed);
  const save = handleSubmit(async () => {
    const result = await keepReading({ greenId, values: getValues() });
    if (!showErrors(result, setError)) return;
    toast.success(t('greens.readingForm.readingSaved'));
    reset(fresh());
  });
  return (
    <form onSubmit={save} noValidate className="grid gap-5">
      <h2 className="text-[1.25rem] num">{t('greens.readingForm.newReading')}</h2>
      <ChoiceField
        control={control}
        name="how"
        label={t('greens.readingForm.method')}
        options={[
          { value: 'rolls', label: t('greens.readingForm.twoRolls') },
          { value: 'numbers', label: t('greens.readingForm.rampAndLevel') },
        ]}
      />
      {spots.length > 0 && (
        <Controller
          control={control}
          name="spotId"
          render={({ field }) => (
            <Pick
              label={t('greens.readingForm.spot')}
              placeholder={t('greens.readingForm.chooseASpot')}
              options={[
                ...spots.map((spot) => ({ value: spot.id, label: spot.name })),
                { value: WHOLE, label: t('greens.readingForm.elsewhereSpeedOnly') },
              ]}
              value={field.value || WHOLE}
              onChange={(next) => field.onChange(next === WHOLE ? '' : next)}
            />
          )}
        />
      )}
      {rolled ? (
        <>
          <div className="grid grid-cols-2 gap-x-5">
            <TextField
              label={t('greens.readingForm.uphillRoll')}
              placeholder={t('greens.readingForm.n9Ft2')}
              {...register('up')}
              error={errors.up?.message}
            />
            <TextField
              label={t('greens.readingForm.downhillRoll')}
              placeholder={t('greens.readingForm.n11Ft')}
              {...register('down')}
              error={errors.down?.message}
            />
          </div>
          {typed.spotId && (
            <FallsField
              label={t('greens.readingForm.directionOfTheDownhillRoll')}
              {...register('way')}
              error={errors.way?.message}
            />
          )}
          <p className="max-w-prose text-sm text-ink2">
            {t('greens.readingForm.releaseOneBallFromThe', {
              step: showLength(units.own.step, 'along', units),
            })}
          </p>
        </>
      ) : (
        <div className="grid grid-cols-2 gap-x-5 gap-y-3">
          <TextField
            label={t('greens.readingForm.greenSpeed')}
            placeholder={t('greens.readingForm.n9Ft6')}
            {...register('greenSpeed')}
            error={errors.greenSpeed?.message}
          />
          {typed.spotId && (
            <>
              <TextField
                label={t('greens.readingForm.slopeOr')}
                {...register('grade')}
                error={errors.grade?.message}
              />
              <FallsField
                label={t('greens.readingForm.directionOfFallSeenFrom')}
                {...register('falls')}
                error={errors.falls?.message}
              />
            </>
          )}
        </div>
      )}
      <p className="min-h-12 border-l-4 border-line pl-3 text-[1.0625rem]" aria-live="polite">
        {found.success ? (
          <ReadingWords reading={found.data} units={units} />
        ) : (
          <span className="text-ink2">
            {rolled
              ? t('greens.readingForm.enterBothRollsToSee')
              : t('greens.readingForm.enterTheSpeedToSee')}
          </span>
        )}
      </p>
      <div className="grid gap-3">
        <FormMoment control={control} name="at" />
        <TextField
          label={t('greens.readingForm.note')}
          placeholder={t('greens.readingForm.wetMownYesterday')}
          {...register('note')}
          error={errors.note?.message}
        />
      </div>
      <Button
        kind="primary"
        type="submit"
        disabled={isSubmitting}
        className="min-h-14 text-[1.125rem]"
      >
        {t('greens.readingForm.saveReading')}
      </Button>
    </form>
  );
}

/** A reading as a coach says it. */
function ReadingWords({ reading, units }: { reading: ReadingValues; units: UnitPreferences }) {
  const t = useTranslations();
  const { greenSpeed, slope } = reading;
  return (
    <>
      {t.rich('greens.readingForm.greenSpeed2', {
        greenSpeed: showLength(greenSpeed, 'speed', units),
        strong: (chunks) => <strong className="num">{chunks}</strong>,
      })}
      {slope && slope.grade > 0 && (
        <>
          {t.rich('greens.readingForm.falls', {
            grade: showGrade(slope.grade),
            falls: fallsWords(slope.falls),
            strong: (chunks) => <strong className="num">{chunks}</strong>,
          })}
        </>
      )}
      {slope?.grade === 0 && t('greens.readingForm.level')}.
    </>
  );
}
