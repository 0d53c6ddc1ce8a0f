import 'server-only';
import { fittingOf } from '@/core/people';
import { dayAfter, dayIn } from '@/core/calendar';
import { USUAL_PACE } from '@/core/planning';
import { plainBelief } from '@/core/scoring';
import {
  getCoach,
  getDrill,
  getStudent,
  homeCarpet,
  lastBookChange,
  listAppointments,
  listDrills,
  listHomework,
  listStudents,
  type CoachPrincipal,
  type Database,
  type StudentPrincipal,
} from '@/data';
import { KINDS, forWhat, timeWords } from '../programme/date-words';
import { notTaken } from '../drills/take';
import { libraryRef } from '../programme/library-ref';
import { beliefAt } from '../programme/needs-now';
import { paceOf } from '../programme/players';
import { studentHistory } from '../reckoning/history';
import { knownCard } from '../setup/known-card';
import type { Kept, KeptDrill } from './wire';

/** What a coach's device keeps to work with no server: their students as they putt now, every drill, and who comes. */
export async function keptFor(database: Database, principal: CoachPrincipal): Promise<Kept> {
  const at = new Date();
  const changed = await lastBookChange(database);
  const [{ name, settings }, students, drills] = await Promise.all([
    getCoach(database, principal),
    listStudents(database, principal),
    listDrills(database, principal),
  ]);
  const kept: Kept['students'] = [];
  for (const student of students.filter(({ archivedAt }) => !archivedAt)) {
    const { sessions, scores } = await studentHistory(database, principal, student.id);
    kept.push({
      id: student.id,
      name: student.name,
      fitting: fittingOf(student),
      belief: plainBelief(beliefAt(scores, at)),
      seconds: paceOf(sessions) ?? USUAL_PACE,
      ...(await knownCard(database, principal, student.id)),
    });
  }
  const today = dayIn(at, settings.zone);
  const dates = await listAppointments(database, principal, {
    from: today,
    until: dayAfter(today, 1),
    own: true,
  });
  const own = drills.filter(({ archivedAt }) => !archivedAt);
  return {
    at: at.toISOString(),
    changed,
    owner: principal.coachId,
    coach: name,
    units: settings.units,
    faceShare: Number(settings.faceShare),
    students: kept,
    everyone: students.map(({ id }) => id),
    carpet: null,
    drills: [
      ...own.map(({ id, versionId, name: called, layout, details }): KeptDrill => ({
        ...{ ref: id, versionId, name: called, layout, details, homework: null },
      })),
      ...notTaken(own, settings.units).map(
        ({ key, name: called, layout, ...details }): KeptDrill => ({
          ...{ ref: libraryRef(key), versionId: null, name: called, layout, details },
          homework: null,
        }),
      ),
    ],
    coming: dates
      .filter(({ state }) => state === 'planned')
      .map((date) => ({
        id: date.id,
        day: date.day,
        studentId: date.studentId,
        words: [timeWords(date), KINDS[date.kind].name, forWhat(date)].filter(Boolean).join(' · '),
      })),
  };
}

/** What a student's device keeps at home: what they were given to do, and nothing of anybody else's. */
export async function keptAtHome(database: Database, principal: StudentPrincipal): Promise<Kept> {
  const at = new Date();
  const changed = await lastBookChange(database);
  const [{ name, settings }, student, homework, carpet] = await Promise.all([
    getCoach(database, principal),
    getStudent(database, principal, principal.studentId),
    listHomework(database, principal, principal.studentId),
    homeCarpet(database, principal, principal.studentId),
  ]);
  const today = dayIn(at, settings.zone);
  const drills: KeptDrill[] = [];
  for (const { id, drillId, rung, note, endedAt, until } of homework) {
    if (endedAt || until < today) continue;
    const drill = await getDrill(database, principal, drillId);
    const { versionId, name: called, layout, details } = drill;
    drills.push({
      ...{ ref: drillId, versionId, name: called, layout, details },
      homework: { id, rung, note },
    });
  }
  return {
    at: at.toISOString(),
    changed,
    owner: principal.studentId,
    coach: name,
    units: settings.units,
    faceShare: Number(settings.faceShare),
    students: [
      {
        id: student.id,
        name: student.name,
        fitting: fittingOf(student),
        belief: null,
        seconds: USUAL_PACE,
        ...(await knownCard(database, principal, student.id)),
      },
    ],
    everyone: [student.id],
    carpet: carpet?.greenSpeed ?? null,
    drills,
    coming: [],
  };
}
