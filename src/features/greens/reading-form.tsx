'use client';

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
  const [form] = useState(() => readingForm(units));
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
    toast.success('Reading saved.');
    reset(fresh());
  });
  return (
    <form onSubmit={save} noValidate className="grid gap-5">
      <h2 className="text-[1.25rem] num">New reading</h2>
      <ChoiceField
        control={control}
        name="how"
        label="Method"
        options={[
          { value: 'rolls', label: 'two rolls' },
          { value: 'numbers', label: 'ramp and level' },
        ]}
      />
      {spots.length > 0 && (
        <Controller
          control={control}
          name="spotId"
          render={({ field }) => (
            <Pick
              label="Spot"
              placeholder="Choose a spot"
              options={[
                ...spots.map((spot) => ({ value: spot.id, label: spot.name })),
                { value: WHOLE, label: 'elsewhere (speed only)' },
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
              label="Uphill roll"
              placeholder="9 ft 2"
              {...register('up')}
              error={errors.up?.message}
            />
            <TextField
              label="Downhill roll"
              placeholder="11 ft"
              {...register('down')}
              error={errors.down?.message}
            />
          </div>
          {typed.spotId && (
            <FallsField
              label="Direction of the downhill roll, seen from the ball"
              {...register('way')}
              error={errors.way?.message}
            />
          )}
          <p className="max-w-prose text-sm text-ink2">
            Release one ball from the ramp in each direction along the same line. Type feet, metres
            or steps ({showLength(units.own.step, 'along', units)} each).
          </p>
        </>
      ) : (
        <div className="grid grid-cols-2 gap-x-5 gap-y-3">
          <TextField
            label="Green speed"
            placeholder="9 ft 6"
            {...register('greenSpeed')}
            error={errors.greenSpeed?.message}
          />
          {typed.spotId && (
            <>
              <TextField
                label="Slope (% or °)"
                {...register('grade')}
                error={errors.grade?.message}
              />
              <FallsField
                label="Direction of fall, seen from the ball"
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
              ? 'Enter both rolls to see the reading.'
              : 'Enter the speed to see the reading.'}
          </span>
        )}
      </p>
      <div className="grid gap-3">
        <FormMoment control={control} name="at" />
        <TextField
          label="Note"
          placeholder="wet, mown yesterday"
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
        Save reading
      </Button>
    </form>
  );
}

/** A reading as a coach says it. */
function ReadingWords({ reading, units }: { reading: ReadingValues; units: UnitPreferences }) {
  const { greenSpeed, slope } = reading;
  return (
    <>
      Green speed <strong className="num">{showLength(greenSpeed, 'speed', units)}</strong>
      {slope && slope.grade > 0 && (
        <>
          , falls <strong className="num">{showGrade(slope.grade)}</strong>{' '}
          {fallsWords(slope.falls)}
        </>
      )}
      {slope?.grade === 0 && ', level'}.
    </>
  );
}
