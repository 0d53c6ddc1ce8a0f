'use server';

import { z } from 'zod';
import { addPutter, dropPutter, getCoach, savePutter, takePutter } from '@/data';
import type { CoachPrincipal, Database } from '@/data';
import { coachAction, keeping } from '../shared/action';
import { putterForm } from './putter-form';

const form = async (database: Database, principal: CoachPrincipal) =>
  keeping(putterForm((await getCoach(database, principal)).settings.units)).extend({
    studentId: z.uuid(),
  });

/** Adds a putter to a student's, or saves one that has an id. */
export const keepPutter = coachAction(
  form,
  async (database, principal, { id, studentId, values }) => {
    if (id === null) await addPutter(database, principal, studentId, values);
    else await savePutter(database, principal, id, values);
    return null;
  },
);

/** Takes a putter into use: layouts are fitted to it from now on. */
export const takeIntoUse = coachAction(z.uuid(), async (database, principal, id) => {
  await takePutter(database, principal, id);
  return null;
});

/** Takes a putter out. */
export const removePutter = coachAction(z.uuid(), async (database, principal, id) => {
  await dropPutter(database, principal, id);
  return null;
});
