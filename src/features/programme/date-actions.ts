'use server';

import { z } from 'zod';
import { daySchema } from '@/core/calendar';
import { appointmentSchema, programmeSchema, trainedSchema } from '@/core/planning';
import {
  addAppointment,
  addProgramme,
  dropAppointment,
  endLink,
  endProgramme,
  getCoach,
  makeLink,
  saveAppointment,
  saveProgramme,
} from '@/data';
import { reckon } from '../reckoning/pool';
import { coachAction } from '../shared/action';

const dating = appointmentSchema.extend({ id: z.uuid().nullable() });

/** Puts a date into the diary, or changes one. */
export const keepDate = coachAction(
  dating,
  async (database, principal, { id, studentId, ...values }) => {
    const { zone } = (await getCoach(database, principal)).settings;
    if (id) await saveAppointment(database, principal, id, values);
    else await addAppointment(database, principal, { studentId, ...values }, zone);
    return null;
  },
);

/** Takes a date out of the diary; answers with the change, to be taken back by. */
export const dropDate = coachAction(z.uuid(), (database, principal, date) =>
  dropAppointment(database, principal, date),
);

const whose = programmeSchema.extend({
  studentId: z.uuid('Choose a student.'),
  id: z.uuid().nullable(),
});

/** Makes a programme for a student, or changes one; answers with its id. */
export const keepProgramme = coachAction(
  whose,
  async (database, principal, { studentId, id, ...programme }) => {
    const at = new Date();
    const { zone } = (await getCoach(database, principal)).settings;
    const [needs] = await reckon('needs', principal, [studentId]);
    const how = { needs: needs!, zone, at };
    if (!id) return addProgramme(database, principal, studentId, programme, how);
    await saveProgramme(database, principal, id, programme, how);
    return id;
  },
);

/** Tells how far a student may come by a day with what an aim is of; null while no putt has spoken of it. */
export const askReach = coachAction(
  z.object({ studentId: z.uuid(), skill: trainedSchema, by: daySchema }),
  (_database, principal, asked) => reckon('reach', principal, asked),
  { reads: true },
);

/** Ends a programme; what was to come of it leaves the diary. */
export const closeProgramme = coachAction(z.uuid(), async (database, principal, programme) => {
  await endProgramme(database, principal, programme, new Date());
  return null;
});

/** Makes the link under which the calendar can be followed elsewhere, and ends the one before; it is told this once. */
export const makeCalendarLink = coachAction(z.null(), (database, principal) =>
  makeLink(database, principal, null, new Date()),
);

/** Ends the link of the calendar. */
export const endCalendarLink = coachAction(z.null(), async (database, principal) => {
  await endLink(database, principal, null, new Date());
  return null;
});
