'use server';

import { revalidatePath } from 'next/cache';
import { addStudent, archiveStudent, getCoach, saveStudent, type Database } from '@/data';
import { act, archiving } from '../shared/action';
import type { ActionResult } from '../shared/result';
import { studentForm, type StudentInput } from './form';

const form = async (database: Database, owner: string) =>
  studentForm((await getCoach(database, owner)).settings.units);

/** Adds a student, or saves one that has an id; answers with the id. */
export async function keepStudent(
  id: string | null,
  input: StudentInput,
): Promise<ActionResult<string>> {
  const result = await act(form, input, async (database, owner, values) => {
    if (id === null) return addStudent(database, owner, values);
    await saveStudent(database, owner, id, values);
    return id;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Puts a student away, or takes one back. */
export async function setArchived(id: string, archived: boolean): Promise<ActionResult<null>> {
  return archiving(id, archived, archiveStudent);
}
