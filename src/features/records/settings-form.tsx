'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useTheme } from 'next-themes';
import { useRouter } from 'next/navigation';
import { useSyncExternalStore } from 'react';
import { useForm } from 'react-hook-form';
import { toast } from 'sonner';
import type { Day } from '@/core/calendar';
import { PACES } from '@/core/green';
import { FACE_SHARES } from '@/core/people';
import type { UnitPreferences } from '@/core/units';
import { Button } from '@/ui/button';
import { ChoiceField } from '@/ui/controlled';
import { Choice } from '@/ui/choice';
import { TextField } from '@/ui/field';
import { DaysOffField } from '../programme/days-off-field';
import { showErrors } from '../shared/show-errors';
import { keepSettings } from './actions';
import { settingsForm, type SettingsInput, type SettingsOutput } from './form';

const nothing = () => () => undefined;

/** The coach's own ways: name, units, usual green, and the look of this screen. */
export function SettingsForm({
  values,
  units,
  today,
}: {
  values: SettingsInput;
  units: UnitPreferences;
  today: Day;
}) {
  const router = useRouter();
  const { theme = 'system', setTheme } = useTheme();
  const inBrowser = useSyncExternalStore(
    nothing,
    () => true,
    () => false,
  );
  const { register, control, handleSubmit, getValues, setError, formState } = useForm<
    SettingsInput,
    unknown,
    SettingsOutput
  >({ resolver: zodResolver(settingsForm(units)), defaultValues: values, mode: 'onTouched' });
  const { errors, isSubmitting } = formState;
  const save = handleSubmit(async () => {
    if (!showErrors(await keepSettings(getValues()), setError)) return;
    toast.success('Saved.');
    router.refresh();
  });
  return (
    <form onSubmit={save} noValidate className="grid max-w-2xl gap-7 px-4 py-6 md:px-7">
      <h2 className="text-[1.25rem] num">Your settings</h2>
      <TextField label="Your name" {...register('name')} error={errors.name?.message} />
      <div className="flex flex-wrap gap-x-10 gap-y-6">
        <ChoiceField
          control={control}
          name="units.long"
          label="Units for putts and distances"
          options={[
            { value: 'imperial', label: 'feet and inches' },
            { value: 'metric', label: 'metres' },
          ]}
        />
        <ChoiceField
          control={control}
          name="units.short"
          label="Units for gaps and putters"
          options={[
            { value: 'metric', label: 'millimetres' },
            { value: 'imperial', label: 'inches' },
          ]}
        />
      </div>
      <TextField
        label="Green speed for new drills"
        {...register('greenSpeed')}
        hint="how far the ball rolls from the ramp on your usual green"
        error={errors.greenSpeed?.message}
      />
      <ChoiceField
        control={control}
        name="pace"
        label="Pace for new drills"
        options={PACES.map(({ id, name }) => ({ value: id, label: name }))}
      />
      <ChoiceField
        control={control}
        name="faceShare"
        label="Share of the start line that comes from the face (the rest comes from the path)"
        options={FACE_SHARES.map((value) => ({
          value,
          label: `${Math.round(Number(value) * 100)} %`,
        }))}
      />
      <TextField
        label="Time zone"
        {...register('zone')}
        list="zones"
        hint="used to date your lessons, for example “Europe/Amsterdam”"
        error={errors.zone?.message}
      />
      <datalist id="zones">
        {inBrowser &&
          Intl.supportedValuesOf('timeZone').map((zone) => <option key={zone} value={zone} />)}
      </datalist>
      <div className="grid gap-x-6 gap-y-4 sm:grid-cols-3">
        <TextField
          label="Your step length"
          {...register('units.own.step')}
          hint="Walk ten steps and divide the distance by ten. “3 steps” will use this length."
          error={errors.units?.own?.step?.message}
        />
        <TextField
          label="Your putter length"
          {...register('units.own.putter')}
          error={errors.units?.own?.putter?.message}
        />
        <TextField
          label="Length of your longest club"
          {...register('units.own.club')}
          error={errors.units?.own?.club?.message}
        />
      </div>
      <DaysOffField
        control={control}
        name="daysOff"
        title="Your time off"
        hint="Holidays. No day of any of your programmes will fall in this time. Planned days that already do are removed, with the reason, and their work moves to another day."
        today={today}
      />
      <div>
        <Button kind="primary" type="submit" disabled={isSubmitting}>
          Save settings
        </Button>
      </div>
      {inBrowser && (
        <Choice
          label="Screen theme"
          value={theme as 'system' | 'light' | 'dark' | 'glare'}
          onChange={setTheme}
          options={[
            { value: 'system', label: 'As the device' },
            { value: 'light', label: 'Light' },
            { value: 'dark', label: 'Dark, indoors' },
            { value: 'glare', label: 'Glare, in the sun' },
          ]}
        />
      )}
    </form>
  );
}
