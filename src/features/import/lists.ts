import 'server-only';
import { readFile, stat } from 'node:fs/promises';
import { calendarDates, type AppointmentValues } from '@/core/planning';
import { studentsIn, type ListedStudent } from '@/core/table';
import {
  Problem,
  getCoach,
  listAppointments,
  listStudents,
  type CoachPrincipal,
  type Database,
} from '@/data';
import { rowsOf, type TableFile } from './table-file';
import type { RefusedRow } from './take';

/** Entries of a list at most. */
const MOST = 2000;
/** A calendar's file may be so large, octets. */
const MOST_CALENDAR = 4 * 1024 * 1024;
/** A calendar begins so. */
const CALENDAR = /^\ufeff?\s*BEGIN:VCALENDAR/i;

/** Students or dates of a file: what would be added, what is here already, and what cannot be. */
export interface Listed<Values> {
  fresh: { values: Values; words: string }[];
  doubled: number;
  refused: RefusedRow[];
}

const normal = (name: string): string => name.trim().toLowerCase().replace(/\s+/g, ' ');

/** The text of a file when it is a calendar; null for any other. */
export async function calendarIn(path: string): Promise<string | null> {
  const { size } = await stat(path);
  if (size > MOST_CALENDAR) return null;
  const text = await readFile(path, 'utf8');
  return CALENDAR.test(text) ? text : null;
}

/** The students that a table lists, against those who are here. */
export async function listedStudents(
  database: Database,
  principal: CoachPrincipal,
  file: TableFile,
): Promise<Listed<Extract<ListedStudent, { values: unknown }>['values']>> {
  const rows: string[][] = [];
  for await (const batch of rowsOf(file)) {
    rows.push(...batch);
    if (rows.length > MOST)
      throw new Problem(
        'invalid',
        `The list is too long: use at most ${MOST} rows for a list of students.`,
      );
  }
  const here = new Set((await listStudents(database, principal)).map(({ name }) => normal(name)));
  const listed: Awaited<ReturnType<typeof listedStudents>> = { fresh: [], doubled: 0, refused: [] };
  for (const one of studentsIn(rows)) {
    if ('reason' in one) {
      listed.refused.push({ row: one.row, reason: one.reason });
      continue;
    }
    const { values, assumed } = one;
    if (here.has(normal(values.name))) {
      listed.doubled += 1;
      continue;
    }
    here.add(normal(values.name));
    const said = [`${values.hand}-handed`, values.level, values.seated && 'seated'].filter(Boolean);
    const taken = assumed.length > 0 ? ` (assumed: ${assumed.join(' and ')})` : '';
    listed.fresh.push({ values, words: `${values.name}: ${said.join(', ')}${taken}` });
  }
  return listed;
}

/** The dates of a calendar that name a student, against those in the diary. */
export async function listedDates(
  database: Database,
  principal: CoachPrincipal,
  text: string,
  now: Date,
): Promise<Listed<AppointmentValues>> {
  const [students, { settings }] = await Promise.all([
    listStudents(database, principal),
    getCoach(database, principal),
  ]);
  let dates: ReturnType<typeof calendarDates>;
  try {
    dates = calendarDates(text, settings.zone, now);
  } catch (error) {
    if (error instanceof RangeError) throw new Problem('invalid', error.message);
    throw error;
  }
  const known = students.filter(({ archivedAt }) => !archivedAt);
  const given = (name: string) => normal(name).split(' ')[0]!;
  const meant = (summary: string) => {
    const said = ` ${normal(summary).replace(/[^\p{L}\p{N} ]+/gu, ' ')} `;
    const whole = known.filter(({ name }) => said.includes(` ${normal(name)} `));
    if (whole.length > 0) return whole;
    return known.filter(({ name }) => said.includes(` ${given(name)} `));
  };
  const days = dates.map(({ day }) => day).sort();
  const there = new Set(
    days.length === 0
      ? []
      : (await listAppointments(database, principal, { from: days[0]!, until: days.at(-1)! })).map(
          ({ studentId, day, time }) => `${studentId} ${day} ${time}`,
        ),
  );
  const listed: Listed<AppointmentValues> = { fresh: [], doubled: 0, refused: [] };
  for (const [index, { summary, day, time, minutes, note }] of dates.entries()) {
    const row = index + 1;
    const [student, ...others] = meant(summary);
    if (!student || others.length > 0) {
      const who = student ? 'matches several students' : 'matches no student here';
      listed.refused.push({ row, reason: `${day}: “${summary.slice(0, 60)}” ${who}.` });
      continue;
    }
    const key = `${student.id} ${day} ${time}`;
    if (there.has(key)) {
      listed.doubled += 1;
      continue;
    }
    there.add(key);
    const values: AppointmentValues = {
      ...{ studentId: student.id, day, time, minutes, note },
      ...{ kind: 'lesson', planId: null },
    };
    listed.fresh.push({
      values,
      words: `${day} ${time ?? 'all day'}: ${student.name}, ${minutes} min`,
    });
  }
  return listed;
}
