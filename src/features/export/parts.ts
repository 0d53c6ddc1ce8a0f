import 'server-only';
import {
  bookLines,
  getCoach,
  listPutters,
  listStudents,
  sessionBatches,
  type CoachPrincipal,
  type Database,
  type Session,
  type SessionFilter,
  type UnreadableSession,
} from '@/data';
import { reckon } from '../reckoning/pool';
import { headingOf, linesOf, objectsOf, packageOf, type Part, type Writing } from './package';
import { cards, putters } from './setup-tables';
import type { Cell, Table } from './table';
import { puttTables, scores, sessions, students } from './tables';

/** What is wanted: the tables of some sessions, and everything as it is kept for who takes all of it. */
export interface Wanted extends SessionFilter {
  whole: boolean;
  writing: Writing;
}

const readMe = (
  writing: Writing,
): string => `The tables in this file are described in datapackage.json: every column, its unit and what it means.
Times are in UTC. Numbers are in SI units unless the name of a column says otherwise; right and long are positive.

students.${writing}  who putts
putters.${writing}   their putters
sessions.${writing}  lessons and practices
cards.${writing}     how they stood and held it, as it was confirmed
runs.${writing}      a drill as it was putted, with the layout as planned and as measured
putts.${writing}     one putt a row
scores.${writing}    what the putts say, with 80 % intervals
problems.jsonl    rows that could not be read, as they are stored, with the reason; only where there are any
`;

async function* once(text: string): AsyncGenerator<string> {
  yield text;
}

/** The files of an export, each written as it is read. */
export async function partsOf(
  database: Database,
  principal: CoachPrincipal,
  { whole, writing, ...filter }: Wanted,
  made: Date,
): Promise<Part[]> {
  const { settings } = await getCoach(database, principal);
  const { runs, putts } = puttTables(settings.units);
  const problems = new Map<string, object>();
  /** One odd row must not end an export: it goes out as it is stored, with the reason. */
  const report = (table: string, id: string, error: unknown, rows?: object) => {
    const reason = error instanceof Error ? error.message : String(error);
    problems.set(`${table} ${id}`, { table, id, reason, ...(rows && { rows }) });
  };
  const unreadable = ({ id, reason, rows }: UnreadableSession) =>
    report('session', id, reason, rows);
  const begun = ({ columns }: Pick<Table<never>, 'columns'>) =>
    writing === 'csv' ? headingOf({ columns }) : '';
  const written = <Of>(table: Table<Of>, rows: Cell[][]) =>
    writing === 'csv' ? linesOf(rows) : objectsOf(table, rows);
  async function* ofSessions<Of>(
    table: Table<Of>,
    of: (batch: Session[]) => readonly Of[],
  ): AsyncGenerator<string> {
    yield begun(table);
    for await (const batch of sessionBatches(database, principal, filter, unreadable)) {
      const rows = batch.flatMap((session) => {
        try {
          return of([session]).flatMap((one) => table.rows(one));
        } catch (error) {
          report(table.name, session.id, error, session);
          return [];
        }
      });
      yield written(table, rows);
    }
  }
  /** Students of whom there is a session among those that are wanted; all of them when all is. */
  const putting = async () => {
    const all = await listStudents(database, principal);
    if (!Object.values(filter).some(Boolean)) return all;
    const ids = new Set<string>();
    for await (const batch of sessionBatches(database, principal, filter, unreadable)) {
      batch.forEach(({ studentId }) => ids.add(studentId));
    }
    return all.filter(({ id }) => ids.has(id) || id === filter.studentId);
  };
  async function* ofStudents(): AsyncGenerator<string> {
    yield begun(students);
    yield written(
      students,
      (await putting()).flatMap((one) => students.rows(one)),
    );
  }
  async function* ofPutters(): AsyncGenerator<string> {
    yield begun(putters);
    for (const { id: studentId } of await putting()) {
      const theirs = await listPutters(database, principal, studentId);
      yield written(putters, putters.rows({ studentId, putters: theirs }));
    }
  }
  async function* ofScores(): AsyncGenerator<string> {
    yield begun(scores);
    for (const { id } of await putting()) {
      const told = await reckon('scores', principal, { studentId: id }).catch((error: unknown) => {
        report('scores', id, error);
        return [];
      });
      const wanted = told.filter(
        ({ id: sessionId, at }) =>
          (!filter.sessionId || filter.sessionId === sessionId) &&
          (!filter.from || at >= filter.from) &&
          (!filter.until || at < filter.until),
      );
      yield written(scores, scores.rows({ studentId: id, scores: wanted }));
    }
  }
  async function* ofProblems(): AsyncGenerator<string> {
    for (const problem of problems.values()) yield `${JSON.stringify(problem)}\n`;
  }
  const tables = [students, putters, sessions, cards, runs, putts, scores];
  return [
    { name: 'read me.txt', text: once(readMe(writing)) },
    {
      name: 'datapackage.json',
      text: once(`${JSON.stringify(packageOf(tables, made, writing), null, 2)}\n`),
    },
    { name: `students.${writing}`, text: ofStudents() },
    { name: `putters.${writing}`, text: ofPutters() },
    { name: `sessions.${writing}`, text: ofSessions(sessions, (batch) => batch) },
    { name: `cards.${writing}`, text: ofSessions(cards, (batch) => batch) },
    { name: `runs.${writing}`, text: ofSessions(runs, (batch) => batch) },
    { name: `putts.${writing}`, text: ofSessions(putts, (batch) => batch) },
    { name: `scores.${writing}`, text: ofScores() },
    ...(whole ? [{ name: 'book.jsonl', text: bookLines(database) }] : []),
    { name: 'problems.jsonl', text: ofProblems() },
  ];
}
