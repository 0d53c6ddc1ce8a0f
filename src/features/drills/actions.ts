'use server';

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
  shareDrill,
  toLogged,
  type CoachPrincipal,
  type Database,
} from '@/data';
import { drillSchema } from '@/core/drill';
import { currentScores, type Score } from '@/core/scoring';
import type { Hand } from '@/core/people';
import { archivingSchema, coachAction, keeping, sharingSchema } from '../shared/action';
import { refusal } from './draft';
import { MOST_LETTERS, readDrillFile } from './drill-file';
import { apart, freeName, takeBuiltIn } from './take';

/** A drill that can be built, for the border: what is wrong with it is told in the coach's units. */
const buildable = async (database: Database, principal: CoachPrincipal) => {
  const { units } = (await getCoach(database, principal)).settings;
  return keeping(
    drillSchema.superRefine(({ layout }, context) => {
      const refused = refusal(layout, units);
      if (refused) context.addIssue({ code: 'custom', path: ['layout'], message: refused });
    }),
  );
};

/** Adds a drill, or saves one that has an id; answers with the id. */
export const keepDrill = coachAction(buildable, async (database, principal, { id, values }) => {
  const kept = apart(values);
  if (id === null) return addDrill(database, principal, kept, new Date());
  await saveDrill(database, principal, id, kept, new Date());
  return id;
});

/**
 * Takes a built-in drill into the coach's own: the copy made before, or a new one.
 *
 * @param fresh makes a new copy in any case, to be changed
 */
export const takeDrill = coachAction(
  z.object({ key: z.string().max(60), fresh: z.boolean() }),
  (database, principal, asked) => takeBuiltIn(database, principal, asked.key, asked.fresh),
);

/** Copies one of the coach's own drills. */
export const copyDrill = coachAction(z.uuid(), async (database, principal, from) => {
  const { name, layout, details, origin } = await getDrill(database, principal, from);
  const own = await listDrills(database, principal);
  return addDrill(
    database,
    principal,
    { name: freeName(name, own), layout, details, origin },
    new Date(),
  );
});

/** Takes in a drill from a file; what is wrong with the file is told with its place in it. */
export const importDrill = coachAction(
  z
    .string()
    .max(MOST_LETTERS, 'This file is too long: a drill file can have at most 200,000 characters.'),
  async (database, principal, file) => {
    const { units } = (await getCoach(database, principal)).settings;
    const read = readDrillFile(file);
    const refused = read.ok ? refusal(read.drill.layout, units) : read.message;
    if (!read.ok || refused) throw new Problem('invalid', refused ?? 'This file cannot be read.');
    const own = await listDrills(database, principal);
    const values = { ...read.drill, name: freeName(read.drill.name, own) };
    return addDrill(database, principal, apart(values), new Date());
  },
);

/** Puts a drill away, or takes one back. */
export const setDrillArchived = coachAction(
  archivingSchema,
  async (database, principal, { id, archived }) => {
    await archiveDrill(database, principal, id, archived ? new Date() : null);
    return null;
  },
);

/** Shows a drill to all coaches of the academy, or to its coach only. */
export const setDrillShared = coachAction(
  sharingSchema,
  async (database, principal, { id, shared }) => {
    await shareDrill(database, principal, id, shared ? new Date() : null);
    return null;
  },
);

/** A student's start line as it is known now, for the make map. */
export interface KnownStart {
  name: string;
  hand: Hand;
  putts: number;
  /** Null while nothing was putted. */
  score: Score | null;
}

/** What is known of a student's start line. */
export const knownStart = coachAction(
  z.uuid(),
  async (database, principal, id): Promise<KnownStart> => {
    const { name, hand } = await getStudent(database, principal, id);
    const sessions = (await listSessions(database, principal, { studentId: id })).map(toLogged);
    const { settings } = await getCoach(database, principal);
    const known = currentScores(sessions, Number(settings.faceShare));
    return {
      name,
      hand,
      putts: known?.basis.start ?? 0,
      score: known && known.basis.start > 0 ? known.scores.start : null,
    };
  },
  { reads: true },
);
