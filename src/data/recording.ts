import { addMinutes } from 'date-fns';
import type { Transaction } from 'sequelize';
import { layoutSchema, type Layout } from '@/core/layout';
import { fromStored, optionalTime } from './columns';
import type { Database } from './database';
import { fillPlaces } from './places';
import { ownerOf, scopedSql, type Principal } from './principal';
import { Problem, notFound } from './problem';
import { recordOne, type Recording, type RunEvent } from './record-one';
import {
  finishSession,
  markStored,
  puttStored,
  type MarkOfRun,
  type MarkStored,
  type Putt,
  type PuttStored,
} from './sessions';
import type { Statements } from './statements';

/** Up to where a screen knows a run: the database's own number, which a restored copy has not, and the run's. */
export interface Position {
  lineage: number;
  revision: number;
}

/** Something that was sent and cannot be: it is left out, and the rest is kept. */
export interface RefusedEvent {
  type: RunEvent['type'];
  id: string;
  message: string;
}

/** What the server has of a run: all of it, or what is new since a position. */
export interface RunRecord {
  /** All of the run, not only what is new. */
  whole: boolean;
  position: Position;
  putts: Putt[];
  marks: MarkOfRun[];
  finished: boolean;
  /** Putts that were sent and came in after the session had been finished elsewhere. */
  late: number;
  refused: RefusedEvent[];
}

/** How far a device's clock may be off before the server's is believed instead, min. */
export const CLOCK = 10;

/** The time of something in a session by the device's clock, where that can be; by the server's where it cannot. */
const saneTime =
  (startedAt: Date, now: Date) =>
  (at: Date): Date =>
    at >= addMinutes(startedAt, -CLOCK) && at <= addMinutes(now, CLOCK) ? at : now;

/** A run and its session, as far as recording goes by them. */
interface Reached {
  id: string;
  /** As it is stored. */
  layout: string;
  revision: number;
  sessionId: string;
  startedAt: Date;
  finishedAt: Date | null;
  abandoned: boolean;
}

type ReachedRow = Omit<Reached, 'startedAt' | 'finishedAt' | 'abandoned'> &
  Record<'startedAt', string> &
  Record<'finishedAt' | 'abandonedAt', string | null>;

/** A run and its session, when they are the principal's to write in. */
async function reached(
  database: Database,
  principal: Principal,
  runId: string,
  writing: boolean,
): Promise<Reached> {
  const mayWrite = scopedSql(database, principal, 'session', 'change');
  const bound = { $runId: runId };
  const [row] = writing
    ? await database.write.all<ReachedRow>(
        `UPDATE run SET revision = revision + 1
          WHERE id = $runId
            AND EXISTS (SELECT 1 FROM session WHERE session.id = run.sessionId AND ${mayWrite})
      RETURNING id, layout, revision, sessionId,
                (SELECT startedAt FROM session WHERE id = run.sessionId) AS startedAt,
                (SELECT finishedAt FROM session WHERE id = run.sessionId) AS finishedAt,
                (SELECT abandonedAt FROM session WHERE id = run.sessionId) AS abandonedAt`,
        bound,
      )
    : await database.read.all<ReachedRow>(
        `SELECT run.id, run.layout, run.revision, run.sessionId, session.startedAt, session.finishedAt,
                session.abandonedAt
           FROM run JOIN session ON session.id = run.sessionId
          WHERE run.id = $runId AND ${mayWrite}`,
        bound,
      );
  if (!row) throw notFound('run');
  const { startedAt, finishedAt, abandonedAt, ...rest } = row;
  return {
    ...rest,
    startedAt: new Date(startedAt),
    finishedAt: optionalTime(finishedAt),
    abandoned: abandonedAt !== null,
  };
}

type NewsRow = ({ kind: 'putt' } & PuttStored) | ({ kind: 'mark' } & MarkStored);

/** What is new in a run since a position; all of it when the position is of another database, or none. */
async function newsOf(
  { lineage }: Database,
  { id: runId, revision }: { id: string; revision: number },
  since: Position | null,
  statements: Statements,
): Promise<Pick<RunRecord, 'whole' | 'position' | 'putts' | 'marks'>> {
  const position = { lineage, revision };
  const known = since && since.lineage === lineage && since.revision <= revision ? since : null;
  if (known?.revision === revision) return { whole: false, position, putts: [], marks: [] };
  const rows = await statements.all<NewsRow>(
    `SELECT 'putt' AS kind, id, position, at, outcomes, points, guess, place, manner, measured, filled, note, leftOut,
            undoneAt,
            (SELECT json_group_array(id) FROM
              (SELECT id FROM puttChange WHERE puttId = putt.id ORDER BY savedAt)) AS changes, NULL AS mark
       FROM putt WHERE runId = $runId AND revision > $since
  UNION ALL
     SELECT 'mark', id, position, at, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, mark
       FROM runMark WHERE runId = $runId AND revision > $since
   ORDER BY kind, position`,
    { $runId: runId, $since: known?.revision ?? -1 },
  );
  return {
    whole: known === null,
    position,
    putts: rows.flatMap((row) => (row.kind === 'putt' ? [puttStored(row)] : [])),
    marks: rows.flatMap((row) => (row.kind === 'mark' ? [markStored(row)] : [])),
  };
}

/**
 * What is new in a run, without writing anything.
 *
 * @param since what is known of it; null for nothing
 */
async function readRun(
  database: Database,
  principal: Principal,
  runId: string,
  since: Position | null = null,
): Promise<RunRecord> {
  const run = await reached(database, principal, runId, false);
  const news = await newsOf(database, run, since, database.read);
  return { ...news, finished: run.finishedAt !== null, late: 0, refused: [] };
}

/**
 * Records what a screen sends, in order, in one transaction. Sending the same again changes nothing. What cannot be is left out
 * and told; the rest is kept. A session that was finished meanwhile takes what was logged by a screen that did not know of it.
 *
 * @param since what the screen knows of the run; null for nothing
 * @returns what is new to the screen, in the order in which it reached the server
 * @throws Problem when the run is not the principal's, or the screen knew that the session is finished
 */
export async function recordEvents(
  database: Database,
  principal: Principal,
  runId: string,
  events: RunEvent[],
  now: Date,
  since: Position | null = null,
): Promise<RunRecord> {
  if (events.length === 0) return readRun(database, principal, runId, since);
  // A screen that does not know where and how a putt was made leaves it to the rule.
  const unplaced = events.some((event) => event.type === 'putt' && !(event.place && event.manner));
  const record = async (transaction?: Transaction): Promise<RunRecord> => {
    const { write } = database;
    const run = await reached(database, principal, runId, true);
    const { finishedAt, sessionId, startedAt, revision } = run;
    const recording: Recording = {
      runId,
      layout: layoutOf(run),
      finishedAt,
      now,
      savedBy: ownerOf(principal),
      revision,
      write,
    };
    const within = saneTime(startedAt, now);
    const refused: RefusedEvent[] = [];
    const added: Putt[] = [];
    let taken = 0;
    let otherwise = 0;
    for (const event of events) {
      try {
        const recorded = await recordOne(recording, { ...event, at: within(event.at) });
        if (recorded && event.type === 'putt') taken += 1;
        if (typeof recorded === 'object') added.push(puttStored(recorded));
        else otherwise += 1;
      } catch (error) {
        if (!(error instanceof Problem) || error.code !== 'invalid') throw error;
        refused.push({ type: event.type, id: event.id, message: error.message });
      }
    }
    if (unplaced) {
      await fillPlaces(database.sequelize, transaction, [sessionId]);
      await write.all('UPDATE putt SET revision = $revision WHERE runId = $runId', {
        $revision: revision,
        $runId: runId,
      });
    }
    if (taken > 0 && run.abandoned) {
      await write.all('UPDATE session SET abandonedAt = NULL WHERE id = $sessionId', {
        $sessionId: sessionId,
      });
    }
    const position = { lineage: database.lineage, revision };
    const upToDate = since?.lineage === position.lineage && since.revision === revision - 1;
    // As it nearly always is: nobody else added anything meanwhile, so what is new to the screen is what it sent.
    const news =
      upToDate && otherwise === 0 && !unplaced
        ? { whole: false, position, putts: added, marks: [] }
        : await newsOf(database, { id: runId, revision }, since, write);
    return { ...news, finished: finishedAt !== null, late: finishedAt ? taken : 0, refused };
  };
  return unplaced ? database.atomically(record) : database.directly(record);
}

/**
 * Finishes the session of a run, as a screen says that was done; one that is finished already stays as it is.
 *
 * @param at by the device's clock; the server's counts where that cannot be
 * @throws Problem when the run is not the principal's
 */
export async function finishRun(
  database: Database,
  principal: Principal,
  runId: string,
  at: Date,
  now: Date,
): Promise<void> {
  const { sessionId, startedAt } = await reached(database, principal, runId, false);
  await finishSession(database, principal, sessionId, saneTime(startedAt, now)(at));
}

/** Layouts as they were read last, by run: one is asked for with every putt. */
const layouts = new Map<string, { text: string; layout: Layout }>();
const MOST_LAYOUTS = 200;

/** The layout of a run; it is parsed again only when it was changed. */
function layoutOf({ id, layout: text }: Reached): Layout {
  const known = layouts.get(id);
  if (known?.text === text) return known.layout;
  const layout = layoutSchema.parse(fromStored(text));
  layouts.delete(id);
  layouts.set(id, { text, layout });
  const oldest = layouts.keys().next();
  if (layouts.size > MOST_LAYOUTS && !oldest.done) layouts.delete(oldest.value);
  return layout;
}
