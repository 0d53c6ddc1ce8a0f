'use server';

import { getTranslations } from 'next-intl/server';
import { z } from 'zod';
import {
  addGreen,
  addReading,
  archiveGreen,
  getCoach,
  removeReading,
  saveGreen,
  shareGreen,
  type CoachPrincipal,
  type Database,
} from '@/data';
import { archivingSchema, coachAction, keeping, sharingSchema } from '../shared/action';
import { greenForm, readingForm } from './form';

/** Adds a green, or saves one that has an id; answers with the id. */
export const keepGreen = coachAction(
  keeping(greenForm),
  async (database, principal, { id, values }) => {
    if (id === null) return addGreen(database, principal, values);
    await saveGreen(database, principal, id, values);
    return id;
  },
);

/** Puts a green away, or takes one back. */
export const setGreenArchived = coachAction(
  archivingSchema,
  async (database, principal, { id, archived }) => {
    await archiveGreen(database, principal, id, archived ? new Date() : null);
    return null;
  },
);

/** Shows a green to all coaches of the academy, or to its coach only. */
export const setGreenShared = coachAction(
  sharingSchema,
  async (database, principal, { id, shared }) => {
    await shareGreen(database, principal, id, shared ? new Date() : null);
    return null;
  },
);

const reading = async (database: Database, principal: CoachPrincipal) => {
  const t = await getTranslations();
  return z.object({
    greenId: z.uuid(),
    values: readingForm(t, (await getCoach(database, principal)).settings.units),
  });
};

/** Keeps a reading of a green; answers with its id. */
export const keepReading = coachAction(reading, (database, principal, { greenId, values }) =>
  addReading(database, principal, greenId, values),
);

/** Removes a reading that was mistaken; answers with the change, to be taken back by. */
export const dropReading = coachAction(
  z.object({ greenId: z.uuid(), id: z.uuid() }),
  (database, principal, ids) => removeReading(database, principal, ids.greenId, ids.id),
);
