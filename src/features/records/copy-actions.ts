'use server';

import { z } from 'zod';
import { contentsOf, goBack, makeCopy, setCopiesFolder, type Contents } from '@/data';
import { coachAction } from '../shared/action';

const HEAD = { least: 'head' } as const;

const fileSchema = z
  .string()
  .trim()
  .min(1, 'Name a file.')
  .max(1000, 'A path may have at most 1000 letters.');

/** Makes a copy now. */
export const copyNow = coachAction(
  z.null(),
  async ({ path }) => {
    await makeCopy(path, new Date());
    return null;
  },
  HEAD,
);

/** Sets where copies are put; empty for the folder beside the database. */
export const keepFolder = coachAction(
  z.object({ folder: z.string().trim().max(1000, 'A path may have at most 1000 letters.') }),
  async ({ path }, _principal, { folder }) => {
    await setCopiesFolder(path, folder === '' ? null : folder);
    return null;
  },
  HEAD,
);

/** What is in a copy, checked, against what is here. */
export const lookAtCopy = coachAction(
  fileSchema,
  async ({ path }, _principal, file): Promise<{ here: Contents; there: Contents }> => ({
    here: await contentsOf(path),
    there: await contentsOf(file),
  }),
  { ...HEAD, reads: true },
);

/** Puts a copy in the place of what is here, which is kept; answers with the name it is kept under. */
export const goBackTo = coachAction(
  fileSchema,
  async (_database, _principal, file) => (await goBack(file, new Date())).replaced,
  HEAD,
);
