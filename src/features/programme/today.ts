import type { Translate } from '@/words/translate';
import 'server-only';
import { differenceInDays } from 'date-fns';
import { dayAfter, dayIn, dayWords, type Day } from '@/core/calendar';
import { adherenceOf, coldTestDue } from '@/core/planning';
import {
  getDrill,
  lastColdTests,
  lastSessions,
  listAppointments,
  listHomework,
  listSessions,
  type Appointment,
  type Database,
  type Student,
  type CoachPrincipal,
} from '@/data';
import { daysDone } from '../home/days-done';
import { forWhat, KINDS } from './date-words';
import { currentProgrammes } from './current-programmes';

/** Something to have in mind today, and where it leads. */
interface Reminder {
  id: string;
  studentId: string;
  words: string;
  href: string;
}

/** All of it that is about one student. */
export interface ToDo {
  studentId: string;
  who: string;
  all: Reminder[];
}

/** What a day has for a coach. */
interface TodayOf {
  today: Day;
  coming: Appointment[];
  tomorrow: Appointment[];
  /** What was missed, has changed or is due, student by student; who missed something first. */
  toDo: ToDo[];
}

/** What was missed is told for so long, and what a programme changed. */
const LATELY = 7;

/** Today’s lessons, and what was missed or is due. */
export async function todayOf(
  t: Translate,
  database: Database,
  principal: CoachPrincipal,
  students: Student[],
  at: Date,
  zone: string,
): Promise<TodayOf> {
  const today = dayIn(at, zone);
  // An assistant changes nothing, not even what looking at it brings up to date.
  const programmes =
    principal.as === 'assistant' ? [] : await currentProgrammes(database, principal, at, zone);
  const [dates, homework, cold, seen] = await Promise.all([
    listAppointments(database, principal, {
      from: dayAfter(today, -LATELY),
      until: dayAfter(today, 1),
      own: true,
    }),
    listHomework(database, principal),
    lastColdTests(database, principal),
    lastSessions(database, principal),
  ]);
  const active = students.filter(({ archivedAt }) => !archivedAt);
  const nameOf = (id: string) => active.find((student) => student.id === id)?.name;
  const reminder = (id: string, studentId: string, words: string, href: string): Reminder[] =>
    nameOf(studentId) ? [{ id, studentId, words, href }] : [];
  const overdue = dates
    .filter(({ state, day }) => state === 'missed' && day < today)
    .flatMap((date) =>
      reminder(
        date.id,
        date.studentId,
        t('programme.today.missed', {
          forWhat: forWhat(date),
          forWhat2: String(!!forWhat(date)),
          kind: KINDS[date.kind].name,
          day: dayWords(date.day),
        }),
        date.programmeId ? `/programme/${date.programmeId}` : `/programme/dates/${date.id}`,
      ),
    );
  const changed = programmes.flatMap(({ id, studentId, changes }) => {
    const lately = changes.filter((change) => differenceInDays(at, change.at) < LATELY);
    if (lately.length === 0) return [];
    const words = t('programme.today.programmeUpdated', { words: lately[0]!.words });
    return reminder(`changed ${id}`, studentId, words, `/programme/${id}`);
  });
  const tests = active.flatMap(({ id }) => {
    const last = cold.get(id);
    // Who never came is not asked yet.
    if (!seen.has(id) || !coldTestDue(last, at)) return [];
    const words = last
      ? t('programme.today.coldTestDueTheLast', { last: dayWords(dayIn(last, zone)) })
      : t('programme.today.noColdTestYet');
    return reminder(`cold ${id}`, id, words, `/start?student=${id}&cold=1`);
  });
  const atHome: Reminder[] = [];
  for (const work of homework) {
    if (work.endedAt || work.until < today || work.from > today) continue;
    const own = await listSessions(database, principal, { studentId: work.studentId });
    const week = adherenceOf(work, daysDone(own, work.id, zone), today).weeks.at(-1);
    if (!week || week.done >= week.asked) continue;
    const { name } = await getDrill(database, principal, work.drillId);
    atHome.push(
      ...reminder(
        work.id,
        work.studentId,
        `Homework, ${name}: ${week.done} of ${week.asked} done this week`,
        `/students/${work.studentId}/homework`,
      ),
    );
  }
  const all = [...overdue, ...changed, ...tests, ...atHome];
  return {
    today,
    coming: dates.filter(({ day }) => day === today),
    tomorrow: dates.filter(({ day }) => day > today),
    toDo: [...new Set(all.map(({ studentId }) => studentId))].map((studentId) => ({
      studentId,
      who: nameOf(studentId)!,
      all: all.filter((one) => one.studentId === studentId),
    })),
  };
}
