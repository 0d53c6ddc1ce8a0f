'use server';

import { getTranslations } from 'next-intl/server';
import { access, rm } from 'node:fs/promises';
import { v4 } from 'uuid';
import { z } from 'zod';
import { guessMapping, listsStudents, mappingSchema, type Mapping } from '@/core/table';
import {
  Problem,
  addAppointments,
  addStudents,
  getCoach,
  keepMapping,
  keptMapping,
  takeBook,
  undoImport,
  type CoachPrincipal,
  type Database,
  type InBook,
} from '@/data';
import { reckon } from '../reckoning/pool';
import { coachAction } from '../shared/action';
import { messageFor } from '../shared/message';
import { bookIn, isArchive } from './archive';
import { HEADS, startJob, jobTold, stopJob, type JobTold } from './jobs';
import { calendarIn, listedDates, listedStudents, type Listed } from './lists';
import { rowsOf, tableFile, type TableFile } from './table-file';
import { takeFile, type Checked, type RefusedRow } from './take';
import { fileOf } from './upload';

/** Rows that are shown of a file. */
const SHOWN = 8;

const fileSchema = z.object({ id: z.uuid(), name: z.string().trim().min(1).max(80) });
const withMapping = fileSchema.extend({ mapping: mappingSchema });

/** A list of students, or of dates: short, and looked through at once. */
export interface LookedList {
  kind: 'students' | 'dates';
  /** What would be added, in words. */
  fresh: string[];
  doubled: number;
  refused: RefusedRow[];
}

/** What a file looks like, and how its columns are taken. */
export interface Looked {
  kind: 'putts';
  headings: string[];
  rows: string[][];
  mapping: Mapping;
  doubts: string[];
  /** The columns are as they were taken for the last file with these headings. */
  remembered: boolean;
}

/** A whole book, as it was taken out elsewhere: what is in it. */
export interface LookedBook extends InBook {
  kind: 'book';
}

/** Where a file lies that was sent. */
async function held(principal: CoachPrincipal, id: string): Promise<string> {
  const t = await getTranslations();
  const path = fileOf(principal, id);
  await access(path).catch(() => {
    throw new Problem('not-found', t('import.actions.thisFileIsNoLonger'));
  });
  return path;
}

const opened = async (principal: CoachPrincipal, id: string): Promise<TableFile> =>
  tableFile(await held(principal, id));

async function firstRows(file: TableFile): Promise<string[][]> {
  const rows: string[][] = [];
  for await (const batch of rowsOf(file)) {
    rows.push(...batch);
    if (rows.length >= 60) break;
  }
  return rows;
}

const headingsOf = (rows: readonly string[][]): string => JSON.stringify(rows[0] ?? []);

/** Looks at a file that was sent, and guesses its columns; as they were taken last, where that is known. */
export const lookAtFile = coachAction(
  fileSchema,
  async (database, principal, { id }): Promise<Looked | LookedList | LookedBook> => {
    const path = await held(principal, id);
    // Of a coach whose book it is not, an archive is what it is to any table: none.
    if (principal.as === 'head' && (await isArchive(path))) {
      return { kind: 'book', ...(await reckon('exportCheck', principal, { path })) };
    }
    const dates = await datesOf(database, principal, id);
    if (dates) return told('dates', dates);
    const file = await opened(principal, id);
    const rows = await firstRows(file);
    const guess = guessMapping(rows);
    if (listsStudents(guess.mapping)) {
      return told('students', await listedStudents(database, principal, file));
    }
    const kept = mappingSchema.safeParse(
      await keptMapping(database, principal, headingsOf(rows)).catch(() => null),
    );
    const fits = kept.success && kept.data.columns.length === guess.mapping.columns.length;
    return {
      kind: 'putts',
      headings: rows[0] ?? [],
      rows: rows.slice(0, SHOWN + 2),
      mapping: fits ? kept.data : guess.mapping,
      doubts: [...file.notes, ...(fits ? [] : guess.doubts)],
      remembered: fits,
    };
  },
  { least: 'coach', reads: true },
);

/** The dates of a file that is a calendar; null for any other. */
async function datesOf(database: Database, principal: CoachPrincipal, id: string) {
  const text = await calendarIn(await held(principal, id)).catch(() => null);
  return text === null ? null : listedDates(database, principal, text, new Date());
}

const told = (
  kind: LookedList['kind'],
  { fresh, doubled, refused }: Listed<unknown>,
): LookedList => ({
  kind,
  fresh: fresh.map(({ words }) => words),
  doubled,
  refused,
});

/** Takes in what a list has that is new: students, or dates. All of it, or nothing; one change, to be taken back as one. */
export const takeList = coachAction(
  fileSchema,
  async (database, principal, { id }): Promise<number> => {
    const dates = await datesOf(database, principal, id);
    if (dates) {
      const { zone } = (await getCoach(database, principal)).settings;
      const all = dates.fresh.map(({ values }) => values);
      await addAppointments(database, principal, all, zone);
    }
    const students = dates
      ? null
      : await listedStudents(database, principal, await opened(principal, id));
    if (students) {
      await addStudents(
        database,
        principal,
        students.fresh.map(({ values }) => values),
      );
    }
    await rm(fileOf(principal, id), { force: true });
    return (dates ?? students)!.fresh.length;
  },
  { least: 'coach' },
);

/** Looks through all of a file: what would come in. */
export const checkRows = coachAction(
  withMapping,
  async (_database, principal, { id, name, mapping }): Promise<Checked> =>
    reckon('importCheck', principal, { file: await opened(principal, id), mapping, name }),
  { least: 'coach', reads: true },
);

/** Begins to take a file in; answers with the name of the work. */
export const beginImport = coachAction(
  withMapping,
  async (database, principal, { id, name, mapping }) => {
    const file = await opened(principal, id);
    await keepMapping(
      database,
      principal,
      headingsOf(await firstRows(file)),
      { ...mapping, day: null },
      new Date(),
    );
    const job = v4();
    startJob(
      job,
      principal.coachId,
      (far) => takeAndForget(database, principal, file, mapping, name, far),
      messageFor,
    );
    return job;
  },
  { least: 'coach', reads: true },
);

/** Begins to take a whole book in, into an empty one; answers with the name of the work. */
export const beginBook = coachAction(
  fileSchema,
  async (database, principal, { id }) => {
    const path = await held(principal, id);
    const job = v4();
    startJob(
      job,
      HEADS,
      async (far) => {
        const taken = await takeBook(database, bookIn(path), far);
        await rm(path, { force: true });
        return taken;
      },
      messageFor,
    );
    return job;
  },
  { least: 'head', reads: true },
);

async function takeAndForget(
  database: Database,
  principal: CoachPrincipal,
  file: TableFile,
  mapping: Mapping,
  name: string,
  far: (putts: number) => void,
) {
  const taken = await takeFile(database, principal, file, mapping, name, far);
  await rm(file.path, { force: true });
  return taken;
}

/** How far a work is. */
export const howFar = coachAction(
  z.uuid(),
  async (_database, principal, job): Promise<JobTold> => {
    const told = jobTold(job, principal);
    if (!told) throw new Problem('not-found', 'This import can no longer be found.');
    return told;
  },
  { least: 'coach', reads: true },
);

/** Has a work stop. */
export const stopImport = coachAction(
  z.uuid(),
  async (_database, principal, job) => {
    if (!stopJob(job, principal)) {
      throw new Problem('not-found', 'This import can no longer be found.');
    }
    return null;
  },
  { least: 'coach', reads: true },
);

/** Takes back all that came in from a file. */
export const takeBack = coachAction(
  z.uuid(),
  async (database, principal, id) => {
    await undoImport(database, principal, id, new Date());
    return null;
  },
  { least: 'coach' },
);
