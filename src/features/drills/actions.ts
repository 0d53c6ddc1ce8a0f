'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { addDrill, archiveDrill, getCoach, saveDrill, type Database } from '@/data';
import { act } from '../shared/action';
import type { ActionResult } from '../shared/result';
import { drillForm, type DrillInput } from './form';

const form = async (database: Database, owner: string) =>
  drillForm((await getCoach(database, owner)).settings.units);

/** Adds a drill, or saves one that has an id; answers with the id. */
export async function keepDrill(
  id: string | null,
  input: DrillInput,
): Promise<ActionResult<string>> {
  const result = await act(form, input, async (database, owner, values) => {
    if (id === null) return addDrill(database, owner, values);
    await saveDrill(database, owner, id, values);
    return id;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Puts a drill away, or takes one back. */
export async function setDrillArchived(id: string, archived: boolean): Promise<ActionResult<null>> {
  const result = await act(
    z.object({ id: z.uuid(), archived: z.boolean() }),
    { id, archived },
    async (database, owner) => {
      await archiveDrill(database, owner, id, archived ? new Date() : null);
      return null;
    },
  );
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}
