'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { Controller, useForm, useWatch } from 'react-hook-form';
import { toast } from 'sonner';
import {
  ELEMENTS,
  ballGateOf,
  checkLayout,
  strictness,
  strictnessWords,
  type Layout,
} from '@/core/layout';
import { showDegrees, showGrade, showLength, settable, type UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Pick } from '@/ui/pick';
import { PlaceHead } from '../shared/place';
import { fieldErrors } from '../shared/result';
import { showErrors } from '../shared/show-errors';
import { keepDrill, setDrillArchived } from './actions';
import { FALLS, drillForm, fallsOf, findingWords, type DrillInput } from './form';
import { LayoutDrawing } from './layout-drawing';
import { StrictnessGauge } from './strictness-gauge';
import { TapeList } from './tape-list';

/** Setting a gate: the numbers, and at once what they mean. Wrong numbers leave the last right drawing standing. */
export function Designer({
  id,
  values,
  units,
  version,
  archived = false,
}: {
  id: string | null;
  values: DrillInput;
  units: UnitPreferences;
  version?: number;
  archived?: boolean;
}) {
  const router = useRouter();
  const [form] = useState(() => drillForm(units));
  const { register, control, handleSubmit, setError, setValue, getValues, formState } = useForm<
    DrillInput,
    unknown,
    { name: string; layout: Layout }
  >({ resolver: zodResolver(form), defaultValues: values, mode: 'onChange' });
  const { errors, isSubmitting, isDirty } = formState;
  const [busy, begin] = useTransition();

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
  const archive = (next: boolean) =>
    begin(async () => {
      if (id === null || !showErrors(await setDrillArchived(id, next))) return;
      toast(next ? 'The drill is put away; its sessions stay.' : 'The drill is back.', {
        action: { label: 'Undo', onClick: () => archive(!next) },
      });
    });

  return (
    <form onSubmit={save} noValidate className="grid">
      <PlaceHead
        title={id === null ? 'New drill' : values.name}
        sub={`${puttWords(good)}${version ? ` · version ${version}` : ''}${archived ? ' · archived' : ''}`}
      >
        {id !== null && (
          <Button disabled={busy} onClick={() => archive(!archived)}>
            {archived ? 'Take back' : 'Archive'}
          </Button>
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
      <div className="h-[280px] border-b-[length:var(--stroke)] border-ink md:h-[330px]">
        <LayoutDrawing layout={good} units={units} lie="along" />
      </div>
      <div className="grid max-lg:divide-y max-lg:divide-rule lg:min-h-[calc(100dvh-424px)] lg:grid-cols-[310px_1fr_340px]">
        <section
          className="grid content-start gap-4 px-4 py-5 md:px-7 lg:order-3 lg:px-6"
          aria-label="Numbers"
        >
          <TextField
            label="Name"
            placeholder="Straight gate"
            {...register('name')}
            error={errors.name?.message}
          />
          <div className="grid grid-cols-2 gap-x-6 gap-y-2.5">
            <TextField label="Putt" {...register('distance')} error={wrong.distance} />
            <TextField label="Green speed" {...register('greenSpeed')} error={wrong.greenSpeed} />
            <TextField label="Slope" {...register('grade')} error={wrong.grade} />
            <Controller
              control={control}
              name="falls"
              render={({ field }) => (
                <Pick
                  label="Falls"
                  placeholder="Where to"
                  options={[...FALLS]}
                  value={field.value}
                  onChange={field.onChange}
                />
              )}
            />
            {ELEMENTS.ballGate.fields.map((field) => {
              const name = `gate.${field.name as 'distance' | 'gap' | 'shank'}` as const;
              return (
                <TextField key={name} label={field.label} {...register(name)} error={wrong[name]} />
              );
            })}
          </div>
          <p className="text-sm text-ink2">
            8 ft, 7&apos;6, 2.4 m, 18 in, 60 mm: type it as you say it.
          </p>
        </section>
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
        <section
          className="border-rule px-4 py-4 md:px-7 lg:order-2 lg:border-x lg:px-6"
          aria-label="Tape list"
        >
          <h2 className="mb-1 cap">Tape list, from the ball mark</h2>
          <TapeList layout={good} units={units} />
        </section>
      </div>
    </form>
  );
}

/** The putt in a few words, for the line under the name. */
function puttWords({ putt: { slope } }: Layout): string {
  return slope.grade === 0
    ? 'one ball gate on a straight, flat putt'
    : `one ball gate on the start line of a putt that falls ${showGrade(slope.grade)} ${fallsOf(slope.falls).label}`;
}

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
      className="px-4 py-5 md:px-7 lg:order-1 lg:pr-6"
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
