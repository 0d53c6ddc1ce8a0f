'use server';

import { rm } from 'node:fs/promises';
import { v4 } from 'uuid';
import { z } from 'zod';
import { guessMapping, mappingSchema, type Mapping } from '@/core/table';
import {
  Problem,
  keepMapping,
  keptMapping,
  undoImport,
  type CoachPrincipal,
  type Database,
} from '@/data';
import { coachAction } from '../shared/action';
import { messageFor } from '../shared/message';
import { startJob, jobTold, stopJob, type JobTold } from './jobs';
import { rowsOf, tableFile, type TableFile } from './table-file';
import { checkFile, takeFile, type Checked } from './take';
import { fileOf } from './upload';

/** Rows that are shown of a file. */
const SHOWN = 8;

const fileSchema = z.object({ id: z.uuid(), name: z.string().trim().min(1).max(80) });
const withMapping = fileSchema.extend({ mapping: mappingSchema });

/** What a file looks like, and how its columns are taken. */
export interface Looked {
  headings: string[];
  rows: string[][];
  mapping: Mapping;
  doubts: string[];
  /** The columns are as they were taken for the last file with these headings. */
  remembered: boolean;
}

async function opened(principal: CoachPrincipal, id: string): Promise<TableFile> {
  return tableFile(fileOf(principal, id)).catch((error: unknown) => {
    if (error instanceof Error && 'code' in error && error.code === 'ENOENT') {
      throw new Problem('not-found', 'This file is no longer here. Choose it again.');
    }
    throw error;
  });
}

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
  async (database, principal, { id }): Promise<Looked> => {
    const file = await opened(principal, id);
    const rows = await firstRows(file);
    const guess = guessMapping(rows);
    const kept = mappingSchema.safeParse(
      await keptMapping(database, principal, headingsOf(rows)).catch(() => null),
    );
    const fits = kept.success && kept.data.columns.length === guess.mapping.columns.length;
    return {
      headings: rows[0] ?? [],
      rows: rows.slice(0, SHOWN + 2),
      mapping: fits ? kept.data : guess.mapping,
      doubts: [...file.notes, ...(fits ? [] : guess.doubts)],
      remembered: fits,
    };
  },
  { least: 'coach', reads: true },
);

/** Looks through all of a file: what would come in. */
export const checkRows = coachAction(
  withMapping,
  async (database, principal, { id, name, mapping }): Promise<Checked> =>
    checkFile(database, principal, await opened(principal, id), mapping, name),
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
  async (_database, { coachId }, job): Promise<JobTold> => {
    const told = jobTold(job, coachId);
    if (!told) throw new Problem('not-found', 'This work is no longer known here.');
    return told;
  },
  { least: 'coach', reads: true },
);

/** Has a work stop. */
export const stopImport = coachAction(
  z.uuid(),
  async (_database, { coachId }, job) => {
    if (!stopJob(job, coachId)) {
      throw new Problem('not-found', 'This work is no longer known here.');
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
