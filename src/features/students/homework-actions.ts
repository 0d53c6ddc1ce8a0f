'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { endHomework, giveHomework, linkFor } from '@/data';
import { takeBuiltIn } from '../drills/take';
import { keyOfRef } from '../programme/offers';
import { act } from '../shared/action';
import type { ActionResult } from '../shared/result';
import { homeworkForm } from './homework-form-schema';

const giving = homeworkForm.safeExtend({ studentId: z.uuid() });

/** Gives a student something to do at home; their page is made with the first. */
export async function give(input: z.input<typeof giving>): Promise<ActionResult<null>> {
  const result = await act(giving, input, async (database, owner, { studentId, ...values }) => {
    const key = keyOfRef(values.drillId);
    const drillId = key ? await takeBuiltIn(database, owner, key) : values.drillId;
    const at = new Date();
    await giveHomework(database, owner, studentId, { ...values, drillId }, at);
    await linkFor(database, owner, studentId, at);
    return null;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** Ends a piece of homework; what was putted for it stays. */
export async function endWork(id: string): Promise<ActionResult<null>> {
  const result = await act(z.uuid(), id, async (database, owner, homework) => {
    await endHomework(database, owner, homework, new Date());
    return null;
  });
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

const linking = z.object({ studentId: z.uuid(), fresh: z.boolean() });

/** The link to a student's own page; a fresh one ends the old. */
export async function homeLink(input: z.input<typeof linking>): Promise<ActionResult<string>> {
  const result = await act(linking, input, (database, owner, { studentId, fresh }) =>
    linkFor(database, owner, studentId, new Date(), fresh),
  );
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}
