'use server';

import { z } from 'zod';
import {
  addStudent,
  archiveStudent,
  eraseStudent,
  getCoach,
  listMentions,
  saveStudent,
  type CoachPrincipal,
  type Database,
  type Meanwhile,
  type Mention,
} from '@/data';
import { archivingSchema, coachAction, keeping } from '../shared/action';
import { studentForm } from './form';

const form = async (database: Database, principal: CoachPrincipal) =>
  keeping(studentForm((await getCoach(database, principal)).settings.units)).extend({
    /** Of the student when the form was opened; of no account for a new one. */
    version: z.number().int(),
  });

/** What became of a student's form: kept, or changed by another meanwhile. */
export type KeptStudent = { id: string } | { meanwhile: Meanwhile };

/** Adds a student, or saves one that has an id; where another changed them meanwhile, nothing is saved and both are told. */
export const keepStudent = coachAction(
  form,
  async (database, principal, { id, version, values }): Promise<KeptStudent> => {
    if (id === null) return { id: await addStudent(database, principal, values) };
    const meanwhile = await saveStudent(database, principal, id, values, version);
    return meanwhile ? { meanwhile } : { id };
  },
);

/** Puts a student away, or takes one back. */
export const setArchived = coachAction(
  archivingSchema,
  async (database, principal, { id, archived }) => {
    await archiveStudent(database, principal, id, archived ? new Date() : null);
    return null;
  },
);

/** Lists where a student is named in words that erasing them leaves. */
export const mentionsOf = coachAction(
  z.uuid(),
  (database, principal, id): Promise<Mention[]> => listMentions(database, principal, id),
  { reads: true },
);

/** Erases a student, for good. */
export const erase = coachAction(z.uuid(), async (database, principal, id) => {
  await eraseStudent(database, principal, id, new Date());
  return null;
});
