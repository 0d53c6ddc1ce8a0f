'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import {
  addDrill,
  archiveDrill,
  getCoach,
  getStudent,
  listSessions,
  saveDrill,
  toLogged,
  type Database,
} from '@/data';
import { currentScore, type Score } from '@/core/scoring';
import type { Hand } from '@/core/people';
import { act, archiving } from '../shared/action';
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
  return archiving(id, archived, archiveDrill);
}

/** A student's start line as it is known now, for the make map. */
export interface KnownStart {
  name: string;
  hand: Hand;
  putts: number;
  /** Null while nothing was putted. */
  score: Score | null;
}

/** What is known of a student's start line. */
export async function knownStart(studentId: string): Promise<ActionResult<KnownStart>> {
  return act(z.uuid(), studentId, async (database, owner, id) => {
    const { name, hand } = await getStudent(database, owner, id);
    const sessions = (await listSessions(database, owner, { studentId: id })).map(toLogged);
    return {
      name,
      hand,
      putts: sessions.flatMap(({ runs }) => runs.flatMap(({ putts }) => putts)).length,
      score: currentScore(sessions)?.score ?? null,
    };
  });
}
