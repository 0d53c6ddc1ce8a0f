'use server';

import { z } from 'zod';
import { bookRollsSchema } from '@/core/green';
import { leftSchema } from '@/core/planning';
import { homeSession, keepCarpet, leaveWord, moveRung, reopenSession, startHomework } from '@/data';
import { studentAction } from '../shared/action';
import { cleanPhoto } from './clean-photo';

/** Starts, or goes on with, a session at home; answers with its id. */
export const startAtHome = studentAction(
  z.object({ id: z.uuid(), carpet: z.boolean() }),
  (database, principal, { id, carpet }) =>
    startHomework(database, principal, id, new Date(), carpet),
);

/** Keeps how fast the carpet is at home; answers with its speed, m. */
export const keepCarpetAtHome = studentAction(bookRollsSchema, (database, principal, rolls) =>
  keepCarpet(database, principal, rolls, new Date()),
);

/** Opens a finished session at home again. */
export const reopenAtHome = studentAction(z.uuid(), async (database, principal, id) => {
  await homeSession(database, principal, id);
  await reopenSession(database, principal, id);
  return null;
});

/** Goes on at home on another rung. */
export const moveAtHome = studentAction(
  z.object({ sessionId: z.uuid(), rung: z.number().int().min(0).max(20) }),
  async (database, principal, { sessionId, rung }) => {
    await homeSession(database, principal, sessionId);
    await moveRung(database, principal, sessionId, rung);
    return null;
  },
);

/** Leaves a word with a piece of homework: how it felt, a line, a picture. */
export const leaveWordAtHome = studentAction(
  z.object({ homework: z.uuid(), left: leftSchema }),
  async (database, principal, { homework, left }) => {
    const photo = left.photo === null ? null : await cleanPhoto(left.photo);
    await leaveWord(database, principal, homework, { ...left, photo }, new Date());
    return null;
  },
);
