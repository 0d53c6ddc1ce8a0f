'use server';

import { z } from 'zod';
import { Problem, getCoach, saveCoach } from '@/data';
import { coachAction } from '../shared/action';
import { reckon } from '../reckoning/pool';

/** Corrects this coach's forecasts by how they have turned out, or leaves them as the model has them. */
export const setCorrection = coachAction(
  z.object({ on: z.boolean() }),
  async (database, principal, { on }) => {
    const found = on ? (await reckon('accuracy', principal, undefined)).correction : null;
    if (on && !found?.helps) {
      throw new Problem('refused', 'A correction would not make the forecasts clearly better.');
    }
    const { name, settings } = await getCoach(database, principal);
    const correction = found?.correction ?? null;
    await saveCoach(database, principal, { name, settings: { ...settings, correction } });
    return null;
  },
  { least: 'assistant' },
);
