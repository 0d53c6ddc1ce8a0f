import { v4, v5 } from 'uuid';
import { bareDetails } from '@/core/drill';
import { DEFAULT_PUTT } from '@/core/green';
import {
  fillerOf,
  fitted,
  holeLayout,
  loggedElements,
  ownPlace,
  type Layout,
  type Outcomes,
} from '@/core/layout';
import { STANDARD_FITTING, type StudentValues } from '@/core/people';
import { completed, type MeasuredValues } from '@/core/quantity';
import { storedTime } from './columns';
import { getCoach } from './coaches';
import type { Database } from './database';
import { addDrill, listDrills } from './drills';
import type { CoachPrincipal } from './principal';
import { Problem, notFound } from './problem';
import { plannedRun } from './starting';
import { addStudent } from './students';

/** A putt of a file, whose student is known. */
export interface ImportPutt {
  /** The same for the same row of the same file, whenever it is taken in. */
  id: string;
  studentId: string;
  /** The day it was made, as the coach counts days: putts of one make a session. */
  day: string;
  at: Date;
  result: string | null;
  note: string;
  values: MeasuredValues;
}

/** An import that was taken in, as it is listed. */
export interface ImportTold {
  id: string;
  name: string;
  at: Date;
  putts: number;
  sessions: number;
  undoneAt: Date | null;
}

/** The name of the drill that putts are of when nothing but their readings is known. */
export const FILE_DRILL = 'Putts from a file';
const NAMES = '0b4e9a7c-1f37-4a56-8d1e-52a0c9a4d7f3';

/** The id of a putt of a file: of what its row says, so that the same row makes no second one. */
export const importedId = (studentId: string, said: string): string =>
  v5(`${studentId} ${said}`, NAMES);

/** Of some ids, those whose putts are there already. Putts of an import that was never finished, or was undone, are not. */
export async function knownPutts({ read }: Database, ids: readonly string[]): Promise<Set<string>> {
  const rows = await read.all<{ id: string }>(
    `SELECT putt.id FROM putt JOIN json_each($ids) AS one ON one.value = putt.id
       JOIN run ON run.id = putt.runId JOIN session ON session.id = run.sessionId
       LEFT JOIN import ON import.id = session.importId
      WHERE import.undoneAt IS NULL`,
    { $ids: JSON.stringify(ids) },
  );
  return new Set(rows.map(({ id }) => id));
}

/** The drill of putts of which nothing but readings is known; it is made when it is needed first. */
async function fileDrill(database: Database, principal: CoachPrincipal, at: Date): Promise<string> {
  const there = (await listDrills(database, principal)).find(({ name }) => name === FILE_DRILL);
  if (there) return there.id;
  const layout = fitted(holeLayout(DEFAULT_PUTT), {
    ...STANDARD_FITTING,
    hand: 'right',
    school: 'arc',
  });
  const details = bareDetails();
  return addDrill(database, principal, { name: FILE_DRILL, layout, details }, at);
}

/** A result as the first element of a layout names it: by id, by label, or by what coaches write for it. */
export function outcomeNamed(layout: Layout, result: string): Outcomes | null {
  const { primary, others } = loggedElements(layout);
  const said = result.trim().toLowerCase();
  const meant: Record<string, string[]> = {
    clear: ['through', 'yes', '1', 'true', 'pass', 'passed'],
    holed: ['made', 'in', 'yes', '1', 'true'],
    left: ['l'],
    right: ['r'],
    short: ['no'],
  };
  for (const element of [...(primary ? [primary] : []), ...others]) {
    const found = element
      .outcomes()
      .find(
        ({ id, label }) =>
          id.toLowerCase() === said ||
          label.toLowerCase() === said ||
          meant[id]?.includes(said) === true,
      );
    if (found) return { [element.id]: found.id };
  }
  return null;
}

/** A session of the import, with what its putts are read on. */
interface Going {
  runId: string;
  layout: Layout;
  fill: ReturnType<typeof fillerOf>;
  /** Where all of them were made, as far as is known: at the ball mark. */
  place: string;
  putts: number;
}

const QUEUES = Symbol.for('dirigo.importQueues');
/** The last import in the queue of each database. Shared by all parts that the program is built of. */
const queues = (): Map<string, Promise<unknown>> => {
  const there = globalThis as { [QUEUES]?: Map<string, Promise<unknown>> };
  return (there[QUEUES] ??= new Map());
};

/**
 * Runs one import, undo or clean-up at a time: a second import of the same file must find the rows of the first either finished or
 * gone.
 */
function inQueue<T>({ path }: Database, work: () => Promise<T>): Promise<T> {
  const mine = (queues().get(path) ?? Promise.resolve()).then(work);
  queues().set(
    path,
    mine.catch(() => undefined),
  );
  return mine;
}

/**
 * Takes putts of a file in: a session for each student and day, hidden until all are there, so that nobody ever sees half of
 * it and the screens that log go on meanwhile.
 *
 * @param batches putts in order
 * @param told is called with how many there are so far; what it throws stops it, and nothing is left
 * @throws Problem when a drill cannot be set for a student
 */
export const takeImport = (
  database: Database,
  principal: CoachPrincipal,
  about: ImportAbout,
  batches: AsyncIterable<ImportPutt[]>,
  told: (putts: number) => void,
): Promise<Imported> => inQueue(database, () => takeNow(database, principal, about, batches, told));

/** Name of an import, the drill that its putts belong to, and when it started. */
interface ImportAbout {
  name: string;
  drillId: string | null;
  at: Date;
}

/** An import that is done. */
interface Imported {
  id: string;
  putts: number;
  sessions: number;
}

async function takeNow(
  database: Database,
  principal: CoachPrincipal,
  { name, drillId, at }: ImportAbout,
  batches: AsyncIterable<ImportPutt[]>,
  told: (putts: number) => void,
): Promise<Imported> {
  const id = v4();
  const { settings } = await getCoach(database, principal);
  const faceShare = Number(settings.faceShare);
  const drill = drillId ?? (await fileDrill(database, principal, at));
  const going = new Map<string, Going>();
  const plans = new Map<string, Awaited<ReturnType<typeof plannedRun>>>();
  const stamp = { $at: storedTime(at), $coachId: principal.coachId };
  await database.directly(() =>
    database.write.all(
      `INSERT INTO import (id, coachId, name, at, undoneAt, putts, sessions)
       VALUES ($id, $coachId, $name, $at, $at, 0, 0)`,
      { $id: id, $name: name, ...stamp },
    ),
  );
  let putts = 0;
  const sessionFor = async ({ studentId, day, at: startedAt }: ImportPutt): Promise<Going> => {
    const key = `${studentId} ${day}`;
    const known = going.get(key);
    if (known) return known;
    const planned =
      plans.get(studentId) ??
      (await plannedRun(database, principal, { studentId, drillId: drill }, undefined));
    plans.set(studentId, planned);
    const [sessionId, runId] = [v4(), v4()];
    // Hidden as one that nothing was putted in, until all of the file is there.
    await database.directly(async () => {
      const { write } = database;
      await write.all(
        `INSERT INTO session (id, coachId, studentId, startedAt, finishedAt, abandonedAt, note, place, importId)
         VALUES ($id, $coachId, $studentId, $startedAt, $startedAt, $at, '', 1, $importId)`,
        {
          $id: sessionId,
          $studentId: studentId,
          $startedAt: storedTime(startedAt),
          $importId: id,
          ...stamp,
        },
      );
      await write.all(
        `INSERT INTO run (id, sessionId, drillVersionId, drillName, layout, position, rung, block, cold, revision)
         VALUES ($id, $sessionId, $drillVersionId, $drillName, $layout, 1, $rung, 1, $cold, 0)`,
        {
          $id: runId,
          $sessionId: sessionId,
          $drillVersionId: planned.drillVersionId,
          $drillName: planned.drillName,
          $layout: JSON.stringify(planned.layout),
          $rung: planned.rung,
          $cold: Number(planned.cold),
        },
      );
    });
    const { layout } = planned;
    const fill = fillerOf(layout, faceShare);
    const made = { runId, layout, fill, place: JSON.stringify(ownPlace(layout)), putts: 0 };
    going.set(key, made);
    return made;
  };
  try {
    for await (const batch of batches) {
      const rows: Record<string, unknown>[] = [];
      for (const putt of batch) {
        const session = await sessionFor(putt);
        session.putts += 1;
        rows.push(rowOf(putt, session));
      }
      const added = await database.directly(() =>
        database.write.all(
          `INSERT INTO putt (id, runId, position, outcomes, points, place, manner, measured, filled, note, leftOut, at,
                             savedAt, savedBy, revision)
           SELECT value->>'id', value->>'runId', value->>'position', value->>'outcomes', '{}', value->>'place', 'usual',
                  value->>'measured', value->>'filled', value->>'note', 0, value->>'at', $at, $coachId, 0
             FROM json_each($rows) WHERE true ON CONFLICT (id) DO NOTHING RETURNING id`,
          { $rows: JSON.stringify(rows), ...stamp },
        ),
      );
      putts += added.length;
      told(putts);
    }
    if (putts === 0) throw new Problem('invalid', 'Every putt in this file is already here.');
    // What was hidden is there, all at once.
    await database.atomically(async () => {
      const { write } = database;
      const bound = { $id: id };
      await write.all(
        `UPDATE session SET abandonedAt = NULL,
                startedAt = (SELECT min(putt.at) FROM putt JOIN run ON run.id = putt.runId WHERE run.sessionId = session.id),
                finishedAt = (SELECT max(putt.at) FROM putt JOIN run ON run.id = putt.runId WHERE run.sessionId = session.id)
          WHERE importId = $id`,
        bound,
      );
      await write.all(
        'UPDATE import SET undoneAt = NULL, putts = $putts, sessions = $sessions WHERE id = $id',
        { ...bound, $putts: putts, $sessions: going.size },
      );
    });
    return { id, putts, sessions: going.size };
  } catch (error) {
    await removeImport(database, id);
    throw error;
  }
}

function rowOf(
  { id, at, result, note, values }: ImportPutt,
  { runId, layout, fill, place, putts }: Going,
): Record<string, unknown> {
  const measured = completed(values);
  const bare = Object.fromEntries(Object.entries(measured).map(([one, { value }]) => [one, value]));
  const seen = result === null ? {} : (outcomeNamed(layout, result) ?? {});
  const outcomes = { ...fill(bare), ...seen };
  const filled = Object.keys(outcomes).filter((element) => !(element in seen));
  return {
    id,
    runId,
    position: putts,
    outcomes: JSON.stringify(outcomes),
    place,
    measured: Object.keys(measured).length > 0 ? JSON.stringify(measured) : null,
    filled: filled.length > 0 ? JSON.stringify(filled) : null,
    note,
    at: storedTime(at),
  };
}

/** Takes all of an import out again, a few sessions at a time. */
async function removeImport(database: Database, id: string): Promise<void> {
  const sessions = await database.read.all<{ id: string }>(
    'SELECT id FROM session WHERE importId = $id',
    { $id: id },
  );
  await database.atomically(async () => {
    const { write } = database;
    for (const session of sessions) {
      const bound = { $id: session.id };
      const putts =
        'SELECT putt.id FROM putt JOIN run ON run.id = putt.runId WHERE run.sessionId = $id';
      await write.all(`DELETE FROM puttChange WHERE puttId IN (${putts})`, bound);
      await write.all(`DELETE FROM instrumentLine WHERE puttId IN (${putts})`, bound);
      await write.all(
        'DELETE FROM putt WHERE runId IN (SELECT id FROM run WHERE sessionId = $id)',
        bound,
      );
      await write.all(
        'DELETE FROM runMark WHERE runId IN (SELECT id FROM run WHERE sessionId = $id)',
        bound,
      );
      await write.all('DELETE FROM run WHERE sessionId = $id', bound);
      await write.all('DELETE FROM session WHERE id = $id', bound);
    }
    await write.all('UPDATE import SET undoneAt = coalesce(undoneAt, at) WHERE id = $id', {
      $id: id,
    });
  });
}

/** What a coach took in from files, the newest first. */
export async function listImports(
  { read }: Database,
  { coachId }: CoachPrincipal,
): Promise<ImportTold[]> {
  const rows = await read.all<
    Omit<ImportTold, 'at' | 'undoneAt'> & { at: string; undoneAt: string | null }
  >(
    `SELECT id, name, at, undoneAt, putts, sessions FROM import
      WHERE coachId = $coachId AND putts > 0 ORDER BY at DESC LIMIT 50`,
    { $coachId: coachId },
  );
  return rows.map((row) => ({
    ...row,
    at: new Date(row.at),
    undoneAt: row.undoneAt === null ? null : new Date(row.undoneAt),
  }));
}

/**
 * Takes back an import of the asking coach: all of its sessions, and nothing else.
 *
 * @throws Problem when it is not there, or was taken back already
 */
export const undoImport = (
  database: Database,
  principal: CoachPrincipal,
  id: string,
  at: Date,
): Promise<void> => inQueue(database, () => undoNow(database, principal, id, at));

async function undoNow(
  database: Database,
  { coachId }: CoachPrincipal,
  id: string,
  at: Date,
): Promise<void> {
  const [own] = await database.directly(() =>
    database.write.all(
      'UPDATE import SET undoneAt = $at WHERE id = $id AND coachId = $coachId AND undoneAt IS NULL RETURNING id',
      { $id: id, $coachId: coachId, $at: storedTime(at) },
    ),
  );
  if (!own) throw notFound('import');
  await removeImport(database, id);
}

/** Deletes what is left of imports that were never finished because the server ended. No import starts before it is done. */
export const endImports = (database: Database): Promise<void> =>
  inQueue(database, async () => {
    const rows = await database.read.all<{ id: string }>(
      `SELECT DISTINCT importId AS id FROM session WHERE importId IN (SELECT id FROM import WHERE undoneAt IS NOT NULL)`,
    );
    for (const { id } of rows) await removeImport(database, id);
  });

/** Adds a student of whom a file says the name alone. */
export const addNamed = (
  database: Database,
  principal: CoachPrincipal,
  name: string,
): Promise<string> => addStudent(database, principal, { ...UNKNOWN, name });

/** Takes students out again that were added for an import that came to nothing. */
export async function dropNamed(database: Database, ids: readonly string[]): Promise<void> {
  const bound = { $ids: JSON.stringify(ids) };
  const own = `IN (SELECT value FROM json_each($ids)) AND NOT EXISTS`;
  await database.atomically(async () => {
    const { write } = database;
    await write.all(
      `DELETE FROM putter WHERE studentId ${own} (SELECT 1 FROM session WHERE session.studentId = putter.studentId)`,
      bound,
    );
    await write.all(
      `DELETE FROM student WHERE id ${own} (SELECT 1 FROM session WHERE session.studentId = student.id)`,
      bound,
    );
  });
}

/** What is taken of somebody until the coach says otherwise. */
const UNKNOWN: StudentValues = {
  name: '',
  hand: 'right',
  level: 'steady',
  seated: false,
  notes: 'Added from a file. Hand, putter and level are not known yet.',
  school: 'arc',
  groups: '',
  kit: [],
  putter: STANDARD_FITTING,
};

/** How a coach had the columns of a file with these headings taken last; null for a new kind of file. */
export async function keptMapping(
  { read }: Database,
  { coachId }: CoachPrincipal,
  headings: string,
): Promise<unknown> {
  const [row] = await read.all<{ details: string }>(
    'SELECT details FROM mapping WHERE coachId = $coachId AND headings = $headings',
    { $coachId: coachId, $headings: headings },
  );
  return row ? JSON.parse(row.details) : null;
}

/** Keeps it for the next file with these headings. */
export async function keepMapping(
  database: Database,
  { coachId }: CoachPrincipal,
  headings: string,
  details: object,
  at: Date,
): Promise<void> {
  await database.directly(() =>
    database.write.all(
      `INSERT INTO mapping (id, coachId, headings, details, at) VALUES ($id, $coachId, $headings, $details, $at)
           ON CONFLICT (coachId, headings) DO UPDATE SET details = excluded.details, at = excluded.at`,
      {
        $id: v4(),
        $coachId: coachId,
        $headings: headings,
        $details: JSON.stringify(details),
        $at: storedTime(at),
      },
    ),
  );
}
