'use server';

import { getCoach, saveCoach, type CoachPrincipal, type Database } from '@/data';
import { coachAction } from '../shared/action';
import { settingsForm } from './form';

const form = async (database: Database, principal: CoachPrincipal) =>
  settingsForm((await getCoach(database, principal)).settings.units);

/** Keeps the asking coach's own name and settings. */
export const keepSettings = coachAction(
  form,
  async (database, principal, { name, ...settings }) => {
    const { correction } = (await getCoach(database, principal)).settings;
    await saveCoach(database, principal, { name, settings: { ...settings, correction } });
    return null;
  },
  { least: 'assistant' },
);
