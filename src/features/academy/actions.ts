'use server';

import { addHours } from 'date-fns';
import { headers } from 'next/headers';
import { z } from 'zod';
import { nameSchema } from '@/core/people';
import {
  ROLES,
  addCoach,
  changeCoach,
  coachPrincipal,
  endShare,
  handOver,
  makeTicket,
  shareStudent,
  undoChange,
} from '@/data';
import { endStreams } from '../instruments/live';
import { coachAction } from '../shared/action';
import { originOf, phonesOrigin } from '../shared/origin';

/** How long a link that signs a coach in waits for them, h. */
const LINK_HOURS = 48;

const HEAD = { least: 'head' } as const;

const adding = z.object({ name: nameSchema('Enter the coach’s name.'), role: z.enum(ROLES) });

/** Adds a coach to the academy. */
export const addToAcademy = coachAction(
  adding,
  (database, principal, values) => addCoach(database, principal, values),
  HEAD,
);

/** Changes what a coach may do. */
export const setRole = coachAction(
  z.object({ id: z.uuid(), role: z.enum(ROLES) }),
  async (database, principal, { id, role }) => {
    await changeCoach(database, principal, id, { role });
    return null;
  },
  HEAD,
);

/** Lets a coach leave, and signs out their devices; or has them back. */
export const setLeft = coachAction(
  z.object({ id: z.uuid(), left: z.boolean() }),
  async (database, principal, { id, left }) => {
    await changeCoach(database, principal, id, { archivedAt: left ? new Date() : null });
    endStreams('signed out');
    return null;
  },
  HEAD,
);

/** A link that signs one device of a coach in; it is told this once. */
export const linkForCoach = coachAction(
  z.uuid(),
  async (database, _principal, id) => {
    const { coachId } = await coachPrincipal(database, id);
    const until = addHours(new Date(), LINK_HOURS);
    const secret = await makeTicket(database, coachId, { way: 'link', path: '/', until });
    const origin = phonesOrigin() ?? originOf((await headers()).get('host'));
    return `${origin}/sign-in/${secret}`;
  },
  HEAD,
);

const giving = z.object({
  studentId: z.uuid(),
  coachId: z.uuid('Choose a coach.'),
  consent: z
    .string()
    .trim()
    .min(3, 'Say who agreed and how, for example “Oona, at the lesson”.')
    .max(300, 'The note is too long: use at most 300 characters.'),
});

/** Shares a student with another coach. */
export const share = coachAction(giving, async (database, principal, values) => {
  await shareStudent(database, principal, values, new Date());
  return null;
});

/** Ends the sharing of a student. */
export const unshare = coachAction(z.uuid(), async (database, principal, id) => {
  await endShare(database, principal, id, new Date());
  return null;
});

/** Hands a student over to another coach. */
export const hand = coachAction(giving, async (database, principal, values) => {
  await handOver(database, principal, values, new Date());
  return null;
});

/** Takes a change back. */
export const undo = coachAction(z.uuid(), async (database, principal, changeId) => {
  await undoChange(database, principal, changeId);
  return null;
});
