'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import {
  addGreen,
  addReading,
  archiveGreen,
  getCoach,
  removeReading,
  saveGreen,
  type Database,
} from '@/data';
import { act, archiving } from '../shared/action';
import type { ActionResult } from '../shared/result';
import { greenForm, readingForm, type GreenInput, type ReadingInput } from './form';

/** Adds a green, or saves one that has an id; answers with the id. */
export async function keepGreen(
  id: string | null,
  input: GreenInput,
): Promise<ActionResult<string>> {
  const result = await act(greenForm, input, async (database, owner, values) => {
    if (id === null) return addGreen(database, owner, values);
    await saveGreen(database, owner, id, values);
    return id;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Puts a green away, or takes one back. */
export async function setGreenArchived(id: string, archived: boolean): Promise<ActionResult<null>> {
  return archiving(id, archived, archiveGreen);
}

const reading = async (database: Database, owner: string) =>
  readingForm((await getCoach(database, owner)).settings.units);

/** Keeps a reading of a green; answers with its id. */
export async function keepReading(
  greenId: string,
  input: ReadingInput,
): Promise<ActionResult<string>> {
  const result = await act(reading, input, (database, owner, values) =>
    addReading(database, owner, z.uuid().parse(greenId), values),
  );
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Removes a reading that was mistaken. */
export async function dropReading(greenId: string, id: string): Promise<ActionResult<null>> {
  const result = await act(
    z.object({ greenId: z.uuid(), id: z.uuid() }),
    { greenId, id },
    async (database, owner, ids) => {
      await removeReading(database, owner, ids.greenId, ids.id);
      return null;
    },
  );
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}
