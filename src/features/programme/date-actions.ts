'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { appointmentSchema, programmeSchema } from '@/core/planning';
import {
  addAppointment,
  addProgramme,
  dropAppointment,
  endProgramme,
  getCoach,
  linkFor,
  saveAppointment,
  saveProgramme,
} from '@/data';
import { act } from '../shared/action';
import { needsNow } from './needs-now';
import type { ActionResult } from '../shared/result';

const dating = appointmentSchema.extend({ id: z.uuid().nullable() });

/** Puts a date into the diary, or changes one. */
export async function keepDate(input: z.input<typeof dating>): Promise<ActionResult<null>> {
  const result = await act(dating, input, async (database, owner, { id, studentId, ...values }) => {
    const { zone } = (await getCoach(database, owner)).settings;
    if (id) await saveAppointment(database, owner, id, values);
    else await addAppointment(database, owner, { studentId, ...values }, zone);
    return null;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Takes a date out of the diary. */
export async function dropDate(id: string): Promise<ActionResult<null>> {
  const result = await act(z.uuid(), id, async (database, owner, date) => {
    await dropAppointment(database, owner, date);
    return null;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

const whose = programmeSchema.extend({
  studentId: z.uuid('Say who it is for.'),
  id: z.uuid().nullable(),
});

/** Makes a programme for a student, or changes one; answers with its id. */
export async function keepProgramme(input: z.input<typeof whose>): Promise<ActionResult<string>> {
  const result = await act(
    whose,
    input,
    async (database, owner, { studentId, id, ...programme }) => {
      const at = new Date();
      const { zone } = (await getCoach(database, owner)).settings;
      const how = { needs: await needsNow(studentId, at), zone, at };
      if (!id) return addProgramme(database, owner, studentId, programme, how);
      await saveProgramme(database, owner, id, programme, how);
      return id;
    },
  );
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Ends a programme; what was to come of it leaves the diary. */
export async function closeProgramme(id: string): Promise<ActionResult<null>> {
  const result = await act(z.uuid(), id, async (database, owner, programme) => {
    await endProgramme(database, owner, programme, new Date());
    return null;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** The link under which the calendar can be followed elsewhere; a fresh one ends the old. */
export async function calendarLink(fresh: boolean): Promise<ActionResult<string>> {
  const result = await act(z.boolean(), fresh, (database, owner, anew) =>
    linkFor(database, owner, null, new Date(), anew),
  );
  if (result.ok) revalidatePath('/programme');
  return result;
}
