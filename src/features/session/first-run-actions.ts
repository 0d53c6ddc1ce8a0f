'use server';

import { z } from 'zod';
import {
  DEFAULT_ZONE,
  STANDARD_FITTING,
  COMMON_KIT,
  studentValues,
  zoneSchema,
} from '@/core/people';
import { addStudent, getCoach, saveCoach, startSession } from '@/data';
import { takeBuiltIn } from '../drills/take';
import { coachAction } from '../shared/action';
import { FIRST_GATES } from './first-gates';

const first = z.object({
  name: z.string().trim().max(80, 'The name is too long: use at most 80 characters.'),
  units: z.enum(['imperial', 'metric']),
  /** Of the browser; the usual one where it is not known. */
  zone: zoneSchema.catch(DEFAULT_ZONE),
  /** Who putts; empty for the coach, to try it. */
  student: z.string().trim().max(80, 'The name is too long: use at most 80 characters.'),
  hand: z.enum(['right', 'left']),
  drill: z.enum(FIRST_GATES),
});

/** The first thing that is done in an empty book: who coaches, in which units, who putts, through which gate; answers with the session. */
export const beginFirst = coachAction(
  first,
  async (database, principal, { name, units, zone, student, hand, drill }) => {
    const { settings, name: before } = await getCoach(database, principal);
    await saveCoach(database, principal, {
      name: name || before,
      settings: { ...settings, zone, units: { ...settings.units, long: units } },
    });
    const values = studentValues.parse({
      name: student || name || 'Myself',
      hand,
      level: 'steady',
      seated: false,
      notes: '',
      kit: COMMON_KIT,
      putter: STANDARD_FITTING,
    });
    const studentId = await addStudent(database, principal, values);
    const drillId = await takeBuiltIn(database, principal, drill);
    return startSession(database, principal, { studentId, drillId, startedAt: new Date() });
  },
);
