import { v4 } from 'uuid';
import { coachSettings, type CoachSettings } from '@/core/people';
import type { Database } from './database';
import { notFound } from './problem';

export interface Coach {
  id: string;
  name: string;
  settings: CoachSettings;
}

/** The id of the one coach; made on first use. */
export async function ensureCoach({ models, atomically }: Database): Promise<string> {
  return atomically(async (transaction) => {
    const known = await models.coach.findOne({ transaction });
    if (known) return known.id;
    const made = await models.coach.create(
      { id: v4(), name: '', settings: coachSettings.parse({}) },
      { transaction },
    );
    return made.id;
  });
}

export async function getCoach({ models }: Database, owner: string): Promise<Coach> {
  const row = await models.coach.findByPk(owner);
  if (!row) throw notFound('coach');
  return { id: row.id, name: row.name, settings: coachSettings.parse(row.settings) };
}

export async function saveCoach(
  { models }: Database,
  owner: string,
  values: { name: string; settings: CoachSettings },
): Promise<void> {
  const [changed] = await models.coach.update(values, { where: { id: owner } });
  if (changed === 0) throw notFound('coach');
}
