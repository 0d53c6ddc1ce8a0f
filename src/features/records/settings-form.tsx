'use client';

import { useTranslations } from 'next-intl';
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
  const t = useTranslations();
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
    toast.success(t('records.settingsForm.saved'));
    router.refresh();
  });
  return (
    <form onSubmit={save} noValidate className="grid max-w-2xl gap-7 px-4 py-6 md:px-7">
      <h2 className="text-[1.25rem] num">{t('records.settingsForm.yourSettings')}</h2>
      <TextField
        label={t('records.settingsForm.yourName')}
        {...register('name')}
        error={errors.name?.message}
      />
      <div className="flex flex-wrap gap-x-10 gap-y-6">
        <ChoiceField
          control={control}
          name="units.long"
          label={t('records.settingsForm.unitsForPuttsAndDistances')}
          options={[
            { value: 'imperial', label: t('records.settingsForm.feetAndInches') },
            { value: 'metric', label: 'metres' },
          ]}
        />
        <ChoiceField
          control={control}
          name="units.short"
          label={t('records.settingsForm.unitsForGapsAndPutters')}
          options={[
            { value: 'metric', label: 'millimetres' },
            { value: 'imperial', label: 'inches' },
          ]}
        />
      </div>
      <TextField
        label={t('records.settingsForm.greenSpeedForNewDrills')}
        {...register('greenSpeed')}
        hint={t('records.settingsForm.howFarTheBallRolls')}
        error={errors.greenSpeed?.message}
      />
      <ChoiceField
        control={control}
        name="pace"
        label={t('records.settingsForm.paceForNewDrills')}
        options={PACES.map(({ id, name }) => ({ value: id, label: name }))}
      />
      <ChoiceField
        control={control}
        name="faceShare"
        label={t('records.settingsForm.shareOfTheStartLine')}
        options={FACE_SHARES.map((value) => ({
          value,
          label: `${Math.round(Number(value) * 100)} %`,
        }))}
      />
      <TextField
        label={t('records.settingsForm.timeZone')}
        {...register('zone')}
        list="zones"
        hint={t('records.settingsForm.usedToDateYourLessons')}
        error={errors.zone?.message}
      />
      <datalist id="zones">
        {inBrowser &&
          Intl.supportedValuesOf('timeZone').map((zone) => <option key={zone} value={zone} />)}
      </datalist>
      <div className="grid gap-x-6 gap-y-4 sm:grid-cols-3">
        <TextField
          label={t('records.settingsForm.yourStepLength')}
          {...register('units.own.step')}
          hint={t('records.settingsForm.walkTenStepsAndDivide')}
          error={errors.units?.own?.step?.message}
        />
        <TextField
          label={t('records.settingsForm.yourPutterLength')}
          {...register('units.own.putter')}
          error={errors.units?.own?.putter?.message}
        />
        <TextField
          label={t('records.settingsForm.lengthOfYourLongestClub')}
          {...register('units.own.club')}
          error={errors.units?.own?.club?.message}
        />
      </div>
      <DaysOffField
        control={control}
        name="daysOff"
        title={t('records.settingsForm.yourTimeOff')}
        hint={t('records.settingsForm.holidaysNoDayOfAny')}
        today={today}
      />
      <div>
        <Button kind="primary" type="submit" disabled={isSubmitting}>
          {t('records.settingsForm.saveSettings')}
        </Button>
      </div>
      {inBrowser && (
        <Choice
          label={t('records.settingsForm.screenTheme')}
          value={theme as 'system' | 'light' | 'dark' | 'glare'}
          onChange={setTheme}
          options={[
            { value: 'system', label: t('records.settingsForm.asTheDevice') },
            { value: 'light', label: t('records.settingsForm.light') },
            { value: 'dark', label: t('records.settingsForm.darkIndoors') },
            { value: 'glare', label: t('records.settingsForm.glareInTheSun') },
          ]}
        />
      )}
    </form>
  );
}
