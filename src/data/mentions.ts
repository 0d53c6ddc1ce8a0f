import type { Database } from './database';
import { scoped, type CoachPrincipal } from './principal';
import { notFound } from './problem';
import type { Statements } from './statements';

/** A place where a student's name stands in words that are not their own record. */
export interface Mention {
  /** What it is: "Note of a session". */
  what: string;
  /** The words around the name. */
  words: string;
  /** The page on which it is changed; null for none. */
  page: string | null;
}

/** Free text that somebody may have written a name into, and the page where it is changed. Rows of the student themselves are left out. */
const PLACES: { what: string; page: string; sql: string }[] = [
  {
    what: 'Notes on another student',
    page: '/students/:id/edit',
    sql: 'SELECT id, notes AS text FROM student WHERE id <> $id',
  },
  {
    what: 'Groups of another student',
    page: '/students/:id/edit',
    sql: 'SELECT id, groups AS text FROM student WHERE id <> $id',
  },
  {
    what: 'A putter of another student',
    page: '/students/:id/set-up',
    sql: `SELECT studentId AS id, name || ' ' || coalesce(grip, '') AS text FROM putter WHERE studentId <> $id`,
  },
  {
    what: 'Who agreed to share another student',
    page: '/students/:id',
    sql: 'SELECT studentId AS id, consent AS text FROM share WHERE studentId <> $id',
  },
  {
    what: 'Note of another student’s session',
    page: '/sessions/:id/review',
    sql: 'SELECT id, note AS text FROM session WHERE studentId <> $id',
  },
  {
    what: 'Note of a putt',
    page: '/sessions/:id/review',
    sql: `SELECT session.id, putt.note AS text FROM putt JOIN run ON run.id = putt.runId
            JOIN session ON session.id = run.sessionId WHERE session.studentId <> $id AND putt.note <> ''`,
  },
  {
    what: 'A set-up card',
    page: '/sessions/:id/review',
    sql: `SELECT session.id, runMark.mark AS text FROM runMark JOIN run ON run.id = runMark.runId
            JOIN session ON session.id = run.sessionId WHERE session.studentId <> $id`,
  },
  {
    what: 'Appointment of another student',
    page: '/programme/dates/:id',
    sql: 'SELECT id, note AS text FROM appointment WHERE studentId <> $id',
  },
  {
    what: 'Homework of another student',
    page: '/students/:id/homework',
    sql: 'SELECT studentId AS id, note AS text FROM homework WHERE studentId <> $id',
  },
  {
    what: 'Message about another student’s homework',
    page: '/students/:id/homework',
    sql: `SELECT homework.studentId AS id, homeworkWord.text FROM homeworkWord
            JOIN homework ON homework.id = homeworkWord.homeworkId WHERE homework.studentId <> $id`,
  },
  {
    what: 'Programme of another student',
    page: '/programme/:id',
    sql: 'SELECT id, details AS text FROM programme WHERE studentId <> $id',
  },
  {
    what: 'A change of another student’s programme',
    page: '/programme/:id',
    sql: `SELECT programme.id, programmeChange.words AS text FROM programmeChange
            JOIN programme ON programme.id = programmeChange.programmeId WHERE programme.studentId <> $id`,
  },
  {
    what: 'A plan',
    page: '/programme/hours/:id',
    sql: `SELECT id, details AS text FROM plan WHERE details NOT LIKE '%' || $id || '%'`,
  },
  { what: 'Name of a drill', page: '/drills/:id', sql: 'SELECT id, name AS text FROM drill' },
  {
    what: 'Text of a drill',
    page: '/drills/:id',
    sql: 'SELECT drillId AS id, details AS text FROM drillVersion',
  },
  {
    what: 'Name of a drill in another student’s session',
    page: '/sessions/:id/review',
    sql: `SELECT session.id, run.drillName AS text FROM run JOIN session ON session.id = run.sessionId
           WHERE session.studentId <> $id`,
  },
  {
    what: 'A green',
    page: '/greens/:id',
    sql: `SELECT id, name || ' ' || notes AS text FROM green`,
  },
  {
    what: 'A spot on a green',
    page: '/greens/:id',
    sql: 'SELECT greenId AS id, name AS text FROM spot',
  },
  {
    what: 'A reading of a green',
    page: '/greens/:id',
    sql: 'SELECT greenId AS id, note AS text FROM reading',
  },
  {
    what: 'Name of an imported file',
    page: '/records/files',
    sql: 'SELECT id, name AS text FROM import',
  },
  {
    what: 'Name of an instrument',
    page: '/records/sign-in',
    sql: 'SELECT id, name AS text FROM instrument',
  },
  {
    what: 'Name of a device',
    page: '/records/sign-in',
    sql: `SELECT id, name AS text FROM device UNION ALL SELECT id, name FROM passkey`,
  },
];

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Finds a name as a word of its own, whatever its capitals. */
const asWord = (name: string): RegExp =>
  new RegExp(`(?<![\\p{L}\\p{N}])${escaped(name)}(?![\\p{L}\\p{N}])`, 'giu');

/** Letters shown on either side of a name. */
const AROUND = 40;

function around(text: string, name: RegExp): string | null {
  name.lastIndex = 0;
  const found = name.exec(text);
  if (!found) return null;
  const from = Math.max(0, found.index - AROUND);
  const to = found.index + found[0].length + AROUND;
  return `${from > 0 ? '…' : ''}${text.slice(from, to)}${to < text.length ? '…' : ''}`;
}

/** A student's names: in full, and the given one where no other student has it too. */
async function namesOf(
  read: Statements,
  id: string,
): Promise<{ full: string; given: string | null }> {
  const rows = await read.all<{ id: string; name: string }>('SELECT id, name FROM student');
  const full = rows.find((row) => row.id === id)?.name ?? '';
  const given = full.split(' ')[0]!;
  const shared = rows.some((row) => row.id !== id && row.name.split(' ')[0] === given);
  return { full, given: shared || given.length < 2 ? null : given };
}

/**
 * Lists where a student is named in words that are not their own record: erasing them leaves those, since nobody but the coach knows
 * who is meant.
 *
 * @throws Problem for who may not give a student away
 */
export async function listMentions(
  { models, read }: Database,
  principal: CoachPrincipal,
  id: string,
): Promise<Mention[]> {
  const where = scoped(principal, 'student', { id }, 'own');
  if ((await models.student.count({ where })) === 0) throw notFound('student');
  const { full } = await namesOf(read, id);
  const given = full.split(' ')[0]!;
  const name = asWord(given);
  const mentions: Mention[] = [];
  for (const { what, page, sql } of PLACES) {
    const rows = await read.all<{ id: string; text: string }>(
      `SELECT id, text FROM (${sql}) WHERE text LIKE '%' || $given || '%'`,
      { $given: given, ...(sql.includes('$id') && { $id: id }) },
    );
    for (const row of rows) {
      const words = around(row.text, name);
      if (words !== null) mentions.push({ what, words, page: page.replace(':id', row.id) });
    }
  }
  return mentions;
}

/** What stands in the history where a name was. */
const ERASED = '(erased)';

/**
 * Takes a student's name out of what is left of the history, and deletes lines of instruments that name them and belong to no putt.
 * Inside of a transaction, before the student's own row goes.
 */
export async function eraseName(write: Statements, id: string): Promise<void> {
  const { full, given } = await namesOf(write, id);
  if (full === '') return;
  const names = [full, given].flatMap((name) => (name === null ? [] : [asWord(name)]));
  const like = { $given: given ?? full };
  const clean = (text: string): string =>
    names.reduce((rest, name) => rest.replace(name, ERASED), text);
  const events = await write.all<{ id: string; before: string | null; after: string | null }>(
    `SELECT id, before, after FROM event
      WHERE before LIKE '%' || $given || '%' OR after LIKE '%' || $given || '%'`,
    like,
  );
  for (const { id: event, before, after } of events) {
    await write.all('UPDATE event SET before = $before, after = $after WHERE id = $id', {
      $id: event,
      $before: before === null ? null : clean(before),
      $after: after === null ? null : clean(after),
    });
  }
  const lines = await write.all<{
    id: string;
    line: string;
    reason: string;
    puttId: string | null;
  }>(
    `SELECT id, line, reason, puttId FROM instrumentLine WHERE line LIKE '%' || $given || '%'`,
    like,
  );
  for (const { id: line, line: text, reason, puttId } of lines) {
    if (clean(text) === text) continue;
    if (puttId === null) {
      await write.all('DELETE FROM instrumentLine WHERE id = $id', { $id: line });
      continue;
    }
    await write.all('UPDATE instrumentLine SET line = $line, reason = $reason WHERE id = $id', {
      $id: line,
      $line: clean(text),
      $reason: clean(reason),
    });
  }
  // The kept mapping of a table's columns may name a student in its headings.
  const mappings = await write.all<{ id: string; headings: string }>(
    `SELECT id, headings FROM mapping WHERE headings LIKE '%' || $given || '%'`,
    like,
  );
  for (const { id: mapping, headings } of mappings) {
    if (clean(headings) === headings) continue;
    await write.all('DELETE FROM mapping WHERE id = $id', { $id: mapping });
  }
}
