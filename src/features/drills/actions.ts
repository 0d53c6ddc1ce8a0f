'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import {
  Problem,
  addDrill,
  archiveDrill,
  getCoach,
  getDrill,
  getStudent,
  listDrills,
  listSessions,
  saveDrill,
  toLogged,
  type Database,
} from '@/data';
import { drillSchema } from '@/core/drill';
import { currentScores, type Score } from '@/core/scoring';
import type { Hand } from '@/core/people';
import { act, archiving } from '../shared/action';
import type { ActionResult } from '../shared/result';
import { refusal, type Draft } from './draft';
import { MOST_LETTERS, readDrillFile } from './drill-file';
import { apart, freeName, takeBuiltIn } from './take';

/** A drill that can be built, for the border: what is wrong with it is told in the coach's units. */
const buildable = async (database: Database, owner: string) => {
  const { units } = (await getCoach(database, owner)).settings;
  return drillSchema.superRefine(({ layout }, context) => {
    const refused = refusal(layout, units);
    if (refused) context.addIssue({ code: 'custom', path: ['layout'], message: refused });
  });
};

/** Adds a drill, or saves one that has an id; answers with the id. */
export async function keepDrill(
  id: string | null,
  { name, layout, details }: Draft,
): Promise<ActionResult<string>> {
  const result = await act(
    buildable,
    { ...details, name, layout },
    async (database, owner, values) => {
      const kept = apart(values);
      if (id === null) return addDrill(database, owner, kept, new Date());
      await saveDrill(database, owner, id, kept, new Date());
      return id;
    },
  );
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/**
 * Takes a built-in drill into the coach's own: the copy made before, or a new one.
 *
 * @param fresh makes a new copy in any case, to be changed
 */
export async function takeDrill(key: string, fresh: boolean): Promise<ActionResult<string>> {
  const result = await act(
    z.object({ key: z.string().max(60), fresh: z.boolean() }),
    { key, fresh },
    (database, owner, asked) => takeBuiltIn(database, owner, asked.key, asked.fresh),
  );
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Copies one of the coach's own drills. */
export async function copyDrill(id: string): Promise<ActionResult<string>> {
  const result = await act(z.uuid(), id, async (database, owner, from) => {
    const { name, layout, details, origin } = await getDrill(database, owner, from);
    const own = await listDrills(database, owner);
    return addDrill(
      database,
      owner,
      { name: freeName(name, own), layout, details, origin },
      new Date(),
    );
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Takes in a drill from a file; what is wrong with the file is told with its place in it. */
export async function importDrill(text: string): Promise<ActionResult<string>> {
  const result = await act(
    z.string().max(MOST_LETTERS, 'A drill’s file has at most 200,000 letters.'),
    text,
    async (database, owner, file) => {
      const { units } = (await getCoach(database, owner)).settings;
      const read = readDrillFile(file);
      const refused = read.ok ? refusal(read.drill.layout, units) : read.message;
      if (!read.ok || refused) throw new Problem('invalid', refused ?? 'It cannot be read.');
      const own = await listDrills(database, owner);
      const values = { ...read.drill, name: freeName(read.drill.name, own) };
      return addDrill(database, owner, apart(values), new Date());
    },
  );
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
    const { settings } = await getCoach(database, owner);
    const known = currentScores(sessions, Number(settings.faceShare));
    return {
      name,
      hand,
      putts: known?.basis.start ?? 0,
      score: known && known.basis.start > 0 ? known.scores.start : null,
    };
  });
}
