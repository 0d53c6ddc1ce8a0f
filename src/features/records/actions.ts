'use server';

import { revalidatePath } from 'next/cache';
import { getCoach, saveCoach, type Database } from '@/data';
import { act } from '../shared/action';
import type { ActionResult } from '../shared/result';
import { settingsForm, type SettingsInput } from './form';

const form = async (database: Database, owner: string) =>
  settingsForm((await getCoach(database, owner)).settings.units);

export async function keepSettings(input: SettingsInput): Promise<ActionResult<null>> {
  const result = await act(form, input, async (database, owner, { name, ...settings }) => {
    await saveCoach(database, owner, { name, settings });
    return null;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}
