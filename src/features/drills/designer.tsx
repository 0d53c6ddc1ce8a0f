'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { Tabs } from 'radix-ui';
import { useState } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { toast } from 'sonner';
import { aimFor, type Slope } from '@/core/green';
import {
  ELEMENTS,
  ballGateOf,
  breaks,
  checkLayout,
  strictness,
  strictnessWords,
  type Layout,
} from '@/core/layout';
import { showDegrees, showLength, settable, type UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { TextField } from '@/ui/field';
import type { PickOption } from '@/ui/pick';
import type { GreenOption } from '../greens/options';
import { ArchiveButton } from '../shared/archive-button';
import { PlaceHead } from '../shared/place';
import { fieldErrors } from '../shared/result';
import { showErrors } from '../shared/show-errors';
import { keepDrill, setDrillArchived } from './actions';
import { drillForm, findingWords, typedSlope, type DrillInput } from './form';
import { groundWords, readWords } from './ground-words';
import { LayoutDrawing } from './layout-drawing';
import { MakeMapView } from './make-map-view';
import { PuttFields, type DrillFormApi } from './putt-fields';
import { StrictnessGauge } from './strictness-gauge';
import { TapeList } from './tape-list';
import { WhatIf } from './what-if';

/** Setting a gate: the numbers, and at once what they mean. Wrong numbers leave the last right drawing standing. */
export function Designer({
  id,
  values,
  units,
  greens,
  students,
  version,
  archived = false,
}: {
  id: string | null;
  values: DrillInput;
  units: UnitPreferences;
  /** Greens and spots that the putt can stand on. */
  greens: GreenOption[];
  /** Whose putts can be laid over the make map. */
  students: PickOption[];
  version?: number;
  archived?: boolean;
}) {
  const router = useRouter();
  const [form] = useState(() => drillForm(units));
  const api: DrillFormApi = useForm<DrillInput, unknown, { name: string; layout: Layout }>({
    resolver: zodResolver(form),
    defaultValues: values,
    mode: 'onChange',
  });
  const { register, control, handleSubmit, setError, setValue, getValues, formState } = api;
  const { errors, isSubmitting, isDirty } = formState;

  const typed = useWatch({ control });
  const [lastGood, setLastGood] = useState(() => form.parse({ ...values, name: 'drawing' }).layout);
  const parsed = form.safeParse({ ...typed, name: 'drawing' });
  const wrong = parsed.success ? {} : fieldErrors(parsed.error);
  const good = parsed.success ? parsed.data.layout : lastGood;
  if (parsed.success && JSON.stringify(good) !== JSON.stringify(lastGood)) setLastGood(good);

  const gate = ballGateOf(good);
  const save = handleSubmit(async () => {
    const result = await keepDrill(id, getValues());
    if (!showErrors(result, setError)) return;
    toast.success('Saved.');
    router.push(`/drills/${result.value}`);
    router.refresh();
  });
  const slope = (next: Slope) => {
    const options = { shouldDirty: true, shouldValidate: true } as const;
    const words = typedSlope(next);
    setValue('grade', words.grade, options);
    setValue('falls', words.falls, options);
    setValue('read', null);
  };

  return (
    <form onSubmit={save} noValidate className="grid">
      <PlaceHead
        title={id === null ? 'New drill' : values.name}
        sub={`${puttWords(good, units)}${version ? ` · version ${version}` : ''}${archived ? ' · archived' : ''}`}
      >
        {id !== null && (
          <ArchiveButton
            name={values.name}
            archived={archived}
            set={setDrillArchived.bind(null, id)}
          />
        )}
        <Button
          kind={id === null || isDirty ? 'primary' : 'plain'}
          type="submit"
          disabled={isSubmitting}
        >
          {id === null ? 'Save drill' : 'Save'}
        </Button>
        {id !== null && !isDirty && !archived && (
          <Button kind="primary" asChild>
            <Link href={`/start?drill=${id}`}>Start session</Link>
          </Button>
        )}
      </PlaceHead>
      <div className="h-[300px] border-b-[length:var(--stroke)] border-ink md:h-[330px]">
        <LayoutDrawing
          layout={good}
          units={units}
          lie="along"
          fall={{ slope: good.putt.slope, onSlope: slope }}
        />
      </div>
      <div className="grid max-lg:divide-y max-lg:divide-rule lg:min-h-[calc(100dvh-424px)] lg:grid-cols-[1fr_340px]">
        <section
          className="grid content-start gap-4 border-rule px-4 py-5 md:px-7 lg:order-2 lg:border-l lg:px-6"
          aria-label="Numbers"
        >
          <TextField
            label="Name"
            placeholder="Straight gate"
            {...register('name')}
            error={errors.name?.message}
          />
          <PuttFields form={api} layout={good} wrong={wrong} greens={greens} units={units} />
          <div className="grid grid-cols-2 items-end gap-x-6 gap-y-2.5">
            {ELEMENTS.ballGate.fields.map((field) => {
              const name = `gate.${field.name as 'distance' | 'gap' | 'shank'}` as const;
              return (
                <TextField key={name} label={field.label} {...register(name)} error={wrong[name]} />
              );
            })}
          </div>
          {breaks(aimFor(good.putt)) && (
            <Controller
              control={control}
              name="gate.on"
              render={({ field }) => (
                <Choice
                  label="The gate stands on"
                  value={field.value}
                  onChange={field.onChange}
                  options={[
                    { value: 'line', label: 'the start line' },
                    { value: 'curve', label: 'the curve' },
                  ]}
                />
              )}
            />
          )}
          <p className="text-sm text-ink2">
            8 ft, 7&apos;6, 2.4 m, 18 in, 60 mm, 3 steps: type it as you say it.
          </p>
        </section>
        <Tabs.Root defaultValue="gate" className="min-w-0 lg:order-1">
          <Tabs.List
            aria-label="What to look at"
            className="flex gap-6 border-b border-rule px-4 md:px-7"
          >
            {VIEWS.map(({ value, name }) => (
              <Tabs.Trigger
                key={value}
                value={value}
                className="min-h-12 border-b-4 border-transparent text-[16px] font-[560] text-ink2 data-[state=active]:border-line data-[state=active]:font-[700] data-[state=active]:text-ink"
              >
                {name}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          <Tabs.Content
            value="gate"
            className="grid md:grid-cols-[minmax(280px,1fr)_minmax(340px,1.2fr)]"
          >
            {gate && (
              <Verdict
                layout={good}
                units={units}
                stale={!parsed.success}
                onWorth={(gap) =>
                  setValue('gate.gap', showLength(gap, 'across', units), {
                    shouldDirty: true,
                    shouldValidate: true,
                  })
                }
              />
            )}
            <section className="border-rule px-4 py-4 md:border-l md:px-6" aria-label="Tape list">
              <h2 className="mb-1 cap">Tape list, from the ball mark</h2>
              <TapeList layout={good} units={units} />
            </section>
          </Tabs.Content>
          <Tabs.Content value="map">
            <MakeMapView layout={good} students={students} />
          </Tabs.Content>
          <Tabs.Content value="if">
            <WhatIf layout={good} units={units} />
          </Tabs.Content>
        </Tabs.Root>
      </div>
    </form>
  );
}

/** What can be looked at below the drawing. */
const VIEWS = [
  { value: 'gate', name: 'Gate' },
  { value: 'map', name: 'Make map' },
  { value: 'if', name: 'What if' },
] as const;

/** The drill in a few words, for the line under the name. */
const puttWords = (layout: Layout, units: UnitPreferences): string =>
  ['one ball gate', groundWords(layout, units), readWords(layout)].filter(Boolean).join(' · ');

function Verdict({
  layout,
  units,
  stale,
  onWorth,
}: {
  layout: Layout;
  units: UnitPreferences;
  stale: boolean;
  onWorth: (gap: number) => void;
}) {
  const gate = ballGateOf(layout);
  if (!gate) return null;
  const result = strictness(gate, layout.putt);
  const words = strictnessWords(result);
  const worth = settable(result.worthGap, units);
  const warnings = checkLayout(layout).filter(({ severity }) => severity === 'warning');
  return (
    <section
      className="px-4 py-5 md:px-7 lg:pr-6"
      aria-label="How strict is the gate?"
      aria-live="polite"
    >
      <h2 className="mb-2 cap">How strict is the gate?</h2>
      <StrictnessGauge gate={result.gate} hole={result.hole} />
      <p className="mt-2 text-[16px]">
        <strong>{words.verdict}.</strong> <span className="text-ink2">{words.meaning}</span>
      </p>
      <Button
        className="mt-3"
        onClick={() => onWorth(worth)}
        disabled={Math.abs(worth - gate.gap) < 1e-6}
      >
        As strict as the hole: {showLength(worth, 'across', units)}
      </Button>
      <p className="mt-3 text-sm text-ink2">
        2 mm more in the gap opens the gate by {showDegrees(result.perTwoMillimetres)} each side:
        measure the gap last.
      </p>
      {warnings.map((finding) => (
        <p key={finding.field} className="mt-2 text-sm font-[560] text-warn">
          {findingWords(finding, units)}
        </p>
      ))}
      {stale && (
        <p className="mt-2 text-sm text-ink2" role="status">
          Drawn from the last numbers that could be built.
        </p>
      )}
    </section>
  );
}
