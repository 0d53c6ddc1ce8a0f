import { addDays, set } from 'date-fns';
import { DEFAULT_ZONE } from '@/core/people';
import { dayIn, weekdayOf } from '@/core/calendar';
import {
  needsOf,
  type AppointmentValues,
  type Need,
  type PlanValues,
  type ProgrammeValues,
} from '@/core/planning';
import { DEFAULT_FACE_SHARE, currentScores, priorBelief, scoresOf } from '@/core/scoring';
import { DEGREE } from '@/core/units';
import type { Database } from '../database';
import { giveHomework } from '../homework';
import { makeLink } from '../links';
import type { CoachPrincipal } from '../principal';
import { addPlan } from '../plans';
import { addAppointment, addProgramme, refreshProgramme } from '../programmes';
import { listSessions, toLogged } from '../sessions';

/** Where the demo's plans are put, and what they are made of. */
export interface PlansOf {
  database: Database;
  principal: CoachPrincipal;
  today: Date;
  id: () => string;
  /** Students by name, drills by key. */
  students: Map<string, string>;
  drills: Map<string, string>;
}

const NOTHING = { start: 0, face: 0, path: 0, strike: 0, pace: 0, height: 0 };

/** What a student needed at a time, from what had been putted by then. */
async function neededAt(
  { database, principal }: PlansOf,
  studentId: string,
  at: Date,
): Promise<Need[]> {
  const sessions = (await listSessions(database, principal, { studentId }))
    .filter(({ startedAt }) => startedAt < at)
    .map(toLogged);
  const known = currentScores(sessions, DEFAULT_FACE_SHARE);
  return known
    ? needsOf(known.scores, known.basis)
    : needsOf(scoresOf(priorBelief(), DEFAULT_FACE_SHARE), NOTHING);
}

/** The days of the ten weeks on which the homework was done. */
export const DONE_AT_HOME = [41, 43, 46, 48, 51, 58, 62, 65];

/** Homework of the student who wants numbers: a drill for the carpet. */
export async function addDemoHomework(of: PlansOf): Promise<{ homework: string; student: string }> {
  const { database, principal, today, id, students, drills } = of;
  const student = students.get('Ivo Castellane')!;
  const homework = await giveHomework(
    database,
    principal,
    student,
    {
      drillId: drills.get('held-finish')!,
      rung: null,
      timesAWeek: 3,
      from: dayIn(addDays(today, -30), DEFAULT_ZONE),
      until: dayIn(addDays(today, 12), DEFAULT_ZONE),
      note: 'On the hall carpet. Hold the finish until the ball has stopped.',
    },
    addDays(today, -30),
    id(),
  );
  await makeLink(database, principal, student, addDays(today, -30));
  return { homework, student };
}

/** Two programmes, brought up to date as their weeks went by; an hour that is kept; and who comes today. */
export async function addDemoPlans(of: PlansOf): Promise<void> {
  const { database, principal, today, id, students, drills } = of;
  const day = (offset: number) => dayIn(addDays(today, offset), DEFAULT_ZONE);
  const add = async (
    name: string,
    since: number,
    values: Pick<ProgrammeValues, 'weeks' | 'slots' | 'aim'>,
  ) => {
    const student = students.get(name)!;
    const at = set(addDays(today, since), { hours: 9 });
    const programme = id();
    await addProgramme(
      database,
      principal,
      student,
      { ...values, from: day(since), testEvery: 3, off: [] },
      { needs: await neededAt(of, student, at), zone: DEFAULT_ZONE, at, id: programme },
    );
    for (let later = since + 7; later <= 0; later += 7) {
      const then = set(addDays(today, later), { hours: 9 });
      const needs = await neededAt(of, student, then);
      const how = { needs, at: then, zone: DEFAULT_ZONE };
      await refreshProgramme(database, principal, programme, how);
    }
  };
  await add('Ivo Castellane', -35, {
    weeks: 10,
    slots: [
      { weekday: weekdayOf(day(-32)), time: '15:00', minutes: 60, kind: 'lesson' },
      { weekday: weekdayOf(day(-29)), time: null, minutes: 30, kind: 'practice' },
    ],
    aim: { skill: 'start', window: 0.7 * DEGREE, by: day(35) },
  });
  await add('Pim Okolind', -10, {
    weeks: 6,
    slots: [
      { weekday: weekdayOf(day(-3)), time: '16:00', minutes: 45, kind: 'lesson' },
      { weekday: weekdayOf(day(-6)), time: null, minutes: 20, kind: 'practice' },
    ],
    aim: { skill: 'pace', window: 0.18, by: day(30) },
  });

  const oona = students.get('Oona Brandt')!;
  const block = (key: string, why: string, rung: number | null = null) => ({
    id: id(),
    drillId: drills.get(key)!,
    rungs: { [oona]: rung },
    locked: false,
    why,
  });
  const hour: PlanValues = {
    name: 'Oona: strike and pace',
    minutes: 45,
    place: 'green',
    kit: ['tee', 'coin', 'marker', 'tape'],
    goals: [],
    studentIds: [oona],
    blocks: [
      block('putter-gate-level', 'Strike first, while the head is fresh.', 2),
      block('close', 'The gate from recent weeks.', 3),
      block('limit-line', 'Pace, scored with points.', 1),
    ],
  };
  const plan = await addPlan(database, principal, hour, addDays(today, -1), id());
  const dates: [string, Partial<AppointmentValues>][] = [
    [
      'Greta Solvang',
      { day: day(0), time: '10:00', minutes: 40, note: 'By the steps, out of the wind.' },
    ],
    ['Oona Brandt', { day: day(0), time: '16:30', minutes: 45, planId: plan }],
    ['Yusra Malkey', { day: day(1), time: '14:00', minutes: 60 }],
  ];
  for (const [name, values] of dates) {
    const date: AppointmentValues = {
      studentId: students.get(name)!,
      day: day(0),
      time: null,
      minutes: 60,
      kind: 'lesson',
      planId: null,
      note: '',
      ...values,
    };
    await addAppointment(database, principal, date, DEFAULT_ZONE, id());
  }
}
