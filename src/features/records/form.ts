import { z } from 'zod';
import { GREEN_SPEED_RANGE } from '@/core/green';
import { bareUnit, lengthSchema, unitPreferences, type UnitPreferences } from '@/core/units';

/** What a coach types of their own ways. */
export const settingsForm = (units: UnitPreferences) =>
  z.object({
    name: z.string().trim().max(80, 'A name may have at most 80 letters.'),
    units: unitPreferences,
    greenSpeed: lengthSchema({
      what: 'A green speed',
      bare: bareUnit('putt', units),
      ...GREEN_SPEED_RANGE,
    }),
  });

export type SettingsInput = z.input<ReturnType<typeof settingsForm>>;
export type SettingsOutput = z.output<ReturnType<typeof settingsForm>>;
