'use server';

import { z } from 'zod';
import { dayAfter } from '@/core/calendar';
import { answerSchema } from '@/core/planning';
import { answerWord, endHomework, endLink, giveHomework, makeLink } from '@/data';
import { ownDrillOf } from '../drills/take';
import { coachAction } from '../shared/action';
import { homeworkForm } from './homework-form-schema';

const giving = homeworkForm.safeExtend({ studentId: z.uuid() });

/** Gives a student something to do at home. */
export const give = coachAction(giving, async (database, principal, { studentId, ...values }) => {
  const drillId = await ownDrillOf(database, principal, values.drillId);
  await giveHomework(database, principal, studentId, { ...values, drillId }, new Date());
  return null;
});

/** Ends a piece of homework; what was putted for it stays. */
export const endWork = coachAction(z.uuid(), async (database, principal, homework) => {
  await endHomework(database, principal, homework, new Date());
  return null;
});

/** Answers what a student left with a piece of homework. */
export const answerHomework = coachAction(
  z.object({ homework: z.uuid(), text: answerSchema }),
  async (database, principal, { homework, text }) => {
    await answerWord(database, principal, homework, text, new Date());
    return null;
  },
);

const linking = z.object({
  studentId: z.uuid(),
  /** The last day on which it opens; null for no end. */
  lastDay: z.iso.date('Enter a date.').nullable(),
});

/** Makes the link to a student's own page, and ends the one before; it is told this once. */
export const makeHomeLink = coachAction(
  linking,
  async (database, principal, { studentId, lastDay }) => {
    const until = lastDay ? new Date(`${dayAfter(lastDay, 1)}T00:00:00`) : null;
    return makeLink(database, principal, studentId, new Date(), until);
  },
);

/** Ends the link to a student's own page. */
export const endHomeLink = coachAction(z.uuid(), async (database, principal, studentId) => {
  await endLink(database, principal, studentId, new Date());
  return null;
});
