import { z } from 'zod';
import { allDaysOffSchema } from '@/core/calendar';
import { GREEN_SPEED_RANGE, PACES } from '@/core/green';
import { FACE_SHARES, nameSchema, zoneSchema } from '@/core/people';
import {
  OWN_RANGE,
  bareUnit,
  lengthSchema,
  unitPreferences,
  type OwnUnit,
  type UnitPreferences,
} from '@/core/units';

/** What a coach types of their own ways. */
export const settingsForm = (units: UnitPreferences) => {
  const own = (what: string, unit: OwnUnit) =>
    lengthSchema({ what, bare: bareUnit('along', units), ...OWN_RANGE[unit] });
  return z.object({
    name: z.union([z.literal(''), nameSchema()]),
    units: unitPreferences.omit({ own: true }).extend({
      own: z.object({
        step: own('A step length', 'step'),
        putter: own('A putter length', 'putter'),
        club: own('A club length', 'club'),
      }),
    }),
    greenSpeed: lengthSchema({
      what: 'A green speed',
      bare: bareUnit('putt', units),
      ...GREEN_SPEED_RANGE,
    }),
    pace: z.enum(PACES.map(({ id }) => id)),
    faceShare: z.enum(FACE_SHARES),
    zone: zoneSchema,
    daysOff: allDaysOffSchema,
  });
};

export type SettingsInput = z.input<ReturnType<typeof settingsForm>>;
export type SettingsOutput = z.output<ReturnType<typeof settingsForm>>;
