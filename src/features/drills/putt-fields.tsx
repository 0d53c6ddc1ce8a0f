'use client';

import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Controller, useFieldArray, type UseFormReturn } from 'react-hook-form';
import { MOST_TIERS, PACES, aimFor, breakWords, parseBreak, slopeForBreak } from '@/core/green';
import type { Layout } from '@/core/layout';
import { roughLength, showLength, type UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Pick } from '@/ui/pick';
import type { GreenOption } from '../greens/options';
import { greenValue } from '../greens/value';
import { FallsField } from '../shared/falls-field';
import type { FieldErrors } from '../shared/result';
import { typedSlope, type DrillInput } from './form';

/** Stands for a putt whose speed and slope are not from a reading. */
const BY_HAND = 'by hand';

export type DrillFormApi = UseFormReturn<DrillInput, unknown, { name: string; layout: Layout }>;

/** Reading the putt: where it lies, how far, how it falls, how hard. */
export function PuttFields({
  form,
  layout,
  wrong,
  greens,
  units,
}: {
  form: DrillFormApi;
  /** The last layout that could be built. */
  layout: Layout;
  wrong: FieldErrors;
  greens: GreenOption[];
  units: UnitPreferences;
}) {
  const { register, control, setValue, watch } = form;
  const tiers = useFieldArray({ control, name: 'tiers' });
  const changed = { shouldDirty: true, shouldValidate: true } as const;
  const ownRead = { onChange: () => setValue('read', null) };
  const read = watch('read');
  const stand = (value: string) => {
    const option = greens.find((one) => one.value === value);
    setValue('read', option?.read ?? null, changed);
    if (!option) return;
    const { greenSpeed, slope } = option.current;
    setValue('greenSpeed', showLength(greenSpeed, 'speed', units), changed);
    if (!slope) return;
    const typed = typedSlope(slope);
    setValue('grade', typed.grade, changed);
    setValue('falls', typed.falls, changed);
    setValue('tiers', [], changed);
  };
  return (
    <>
      {greens.length > 0 && (
        <Pick
          label="On"
          placeholder="Which green"
          options={[{ value: BY_HAND, label: 'no green: as typed below' }, ...greens]}
          value={read ? greenValue(read.greenId, read.spotId) : BY_HAND}
          onChange={stand}
        />
      )}
      <div className="grid grid-cols-2 gap-x-6 gap-y-2.5">
        <TextField label="Putt" {...register('distance')} error={wrong.distance} />
        <TextField
          label="Green speed"
          {...register('greenSpeed', ownRead)}
          error={wrong.greenSpeed}
        />
        <TextField label="Slope" {...register('grade', ownRead)} error={wrong.grade} />
        <FallsField label="Falls" {...register('falls', ownRead)} error={wrong.falls} />
      </div>
      {layout.putt.tiers.length === 0 && (
        <BreakField
          layout={layout}
          onSlope={(typed) => {
            setValue('grade', typed.grade, changed);
            setValue('falls', typed.falls, changed);
            setValue('read', null);
          }}
        />
      )}
      {tiers.fields.map(({ id }, index) => (
        <fieldset
          key={id}
          className="grid grid-cols-[1fr_1fr_1.2fr_auto] items-end gap-x-3 border-l-4 border-rule pl-3"
        >
          <legend className="sr-only">Tier {index + 1}</legend>
          <TextField
            label="Tier from"
            {...register(`tiers.${index}.from`)}
            error={wrong[`tiers.${index}.from`]}
          />
          <TextField
            label="Slope"
            {...register(`tiers.${index}.grade`)}
            error={wrong[`tiers.${index}.grade`]}
          />
          <FallsField
            label="Falls"
            {...register(`tiers.${index}.falls`)}
            error={wrong[`tiers.${index}.falls`]}
          />
          <Button
            aria-label={`Remove tier ${index + 1}`}
            className="px-2"
            onClick={() => tiers.remove(index)}
          >
            <Trash2 size={16} aria-hidden />
          </Button>
        </fieldset>
      ))}
      <div className="grid grid-cols-2 items-end gap-x-6">
        <Controller
          control={control}
          name="pace"
          render={({ field }) => (
            <Pick
              label="Pace"
              placeholder="How hard"
              options={[
                ...PACES.map((pace) => ({
                  value: pace.id,
                  label: pace.name,
                  detail: roughLength(pace.past(layout.putt.distance), units),
                })),
                { value: 'own', label: 'as typed' },
              ]}
              value={field.value}
              onChange={field.onChange}
            />
          )}
        />
        {watch('pace') === 'own' ? (
          <TextField label="Past the hole" {...register('past')} error={wrong.past} />
        ) : (
          <p className="pb-3 text-[15px] text-ink2">{roughLength(layout.putt.past, units)} past</p>
        )}
      </div>
      {tiers.fields.length < MOST_TIERS && (
        <button
          type="button"
          className="justify-self-start text-[15px] underline underline-offset-4"
          onClick={() =>
            tiers.append({
              from: showLength(
                layout.putt.distance * (tiers.fields.length ? 0.8 : 0.5),
                'along',
                units,
              ),
              grade: '2 %',
              falls: 'uphill',
            })
          }
        >
          Add a tier or step
        </button>
      )}
    </>
  );
}

/** The break as coaches say it; typing one sets the slope that makes it. */
function BreakField({
  layout,
  onSlope,
}: {
  layout: Layout;
  onSlope: (typed: { grade: string; falls: string }) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState<string>();
  const said = breakWords(aimFor(layout.putt).cups);
  const read = (text: string) => {
    setTyped(text);
    const wanted = parseBreak(text);
    if (!wanted) {
      return setError(`“${text.slice(0, 24)}” is no break. Say it like 1.5 cups right to left.`);
    }
    try {
      onSlope(typedSlope(slopeForBreak(layout.putt, wanted.cups, wanted.towards)));
      setError(undefined);
    } catch (problem) {
      if (!(problem instanceof RangeError)) throw problem;
      setError(problem.message);
    }
  };
  return (
    <TextField
      label="Breaks"
      value={typed ?? said}
      onChange={({ target }) => read(target.value)}
      onBlur={() => {
        setTyped(null);
        setError(undefined);
      }}
      error={error}
    />
  );
}
