import 'server-only';
import {
  bookLines,
  getCoach,
  listStudents,
  sessionBatches,
  type CoachPrincipal,
  type Database,
  type Session,
  type SessionFilter,
} from '@/data';
import { reckon } from '../reckoning/pool';
import { headingOf, linesOf, packageOf, type Part } from './package';
import { puttTables, scores, sessions, students, type Table } from './tables';

/** What is wanted: the tables of some sessions, and everything as it is kept for who takes all of it. */
export interface Wanted extends SessionFilter {
  whole: boolean;
}

const READ_ME = `The tables in this file are described in datapackage.json: every column, its unit and what it means.
Times are in UTC. Numbers are in SI units unless the name of a column says otherwise; right and long are positive.

students.csv  who putts
sessions.csv  lessons and practices
runs.csv      a drill as it was putted, with the layout as planned and as measured
putts.csv     one putt a row
scores.csv    what the putts say, with 80 % intervals
`;

async function* once(text: string): AsyncGenerator<string> {
  yield text;
}

/** The files of an export, each written as it is read. */
export async function partsOf(
  database: Database,
  principal: CoachPrincipal,
  { whole, ...filter }: Wanted,
  made: Date,
): Promise<Part[]> {
  const { settings } = await getCoach(database, principal);
  const { runs, putts } = puttTables(settings.units);
  async function* ofSessions<Of>(
    table: Table<Of>,
    of: (batch: Session[]) => readonly Of[],
  ): AsyncGenerator<string> {
    yield headingOf(table);
    for await (const batch of sessionBatches(database, principal, filter)) {
      yield linesOf(of(batch).flatMap((one) => table.rows(one)));
    }
  }
  /** Students of whom there is a session among those that are wanted; all of them when all is. */
  const putting = async () => {
    const all = await listStudents(database, principal);
    if (!Object.values(filter).some(Boolean)) return all;
    const ids = new Set<string>();
    for await (const batch of sessionBatches(database, principal, filter)) {
      batch.forEach(({ studentId }) => ids.add(studentId));
    }
    return all.filter(({ id }) => ids.has(id) || id === filter.studentId);
  };
  async function* ofStudents(): AsyncGenerator<string> {
    yield headingOf(students);
    yield linesOf((await putting()).flatMap((one) => students.rows(one)));
  }
  async function* ofScores(): AsyncGenerator<string> {
    yield headingOf(scores);
    for (const { id } of await putting()) {
      const told = await reckon('scores', principal, { studentId: id });
      const wanted = told.filter(
        ({ id: sessionId, at }) =>
          (!filter.sessionId || filter.sessionId === sessionId) &&
          (!filter.from || at >= filter.from) &&
          (!filter.until || at < filter.until),
      );
      yield linesOf(scores.rows({ studentId: id, scores: wanted }));
    }
  }
  const tables = [students, sessions, runs, putts, scores];
  return [
    { name: 'read me.txt', text: once(READ_ME) },
    {
      name: 'datapackage.json',
      text: once(`${JSON.stringify(packageOf(tables, made), null, 2)}\n`),
    },
    { name: 'students.csv', text: ofStudents() },
    { name: 'sessions.csv', text: ofSessions(sessions, (batch) => batch) },
    { name: 'runs.csv', text: ofSessions(runs, (batch) => batch) },
    { name: 'putts.csv', text: ofSessions(putts, (batch) => batch) },
    { name: 'scores.csv', text: ofScores() },
    ...(whole ? [{ name: 'book.jsonl', text: bookLines(database) }] : []),
  ];
}
