import { addHours, addMinutes, format } from 'date-fns';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import {
  layoutAt,
  layoutSchema,
  outcomesProblem,
  outcomesSchema,
  placeSchema,
  pointsProblem,
  pointsSchema,
  type Layout,
  type PuttPlace,
} from '@/core/layout';
import { mannerSchema, type RunMark, type TimedPutt } from '@/core/drill';
import type { Database } from './database';
import { scoped, type Principal } from './principal';
import { Problem, notFound } from './problem';
import { changesOf, toMark, toPutt, type MarkOfRun, type Putt } from './sessions';
import type { PuttRow, RunRow } from './models';
import { fillPlaces } from './places';

/** What may be corrected of a putt; what is left out stays as it is. */
export type PuttCorrection = Partial<
  Pick<Putt, 'outcomes' | 'points' | 'place' | 'manner' | 'note' | 'leftOut'>
>;

/** What a screen sends of a run. Every one may be sent again without harm. */
export type RunEvent = (
  | ({ type: 'putt'; id: string } & TimedPutt)
  | { type: 'undo'; id: string; at: Date }
  | { type: 'change'; id: string; puttId: string; correction: PuttCorrection; at: Date }
  | { type: 'mark'; id: string; mark: RunMark; at: Date }
) & {
  /** The screen had been told that the session is finished. */
  knowing?: boolean;
};

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

/** How long after its end a session's putts may still be corrected, h. */
export const CORRECTABLE = 24;

/** How far a device's clock may be off before the server's is believed instead, min. */
const CLOCK = 10;

/** The time of something in a session by the device's clock, where that can be; by the server's where it cannot. */
const saneTime =
  (startedAt: Date, now: Date) =>
  (at: Date): Date =>
    at >= addMinutes(startedAt, -CLOCK) && at <= addMinutes(now, CLOCK) ? at : now;

interface Recording {
  runId: string;
  layout: Layout;
  finishedAt: Date | null;
  now: Date;
  /** The coach or student who sent it. */
  savedBy: string;
  revision: number;
  transaction: Transaction;
}

/** A run and its session, when they are the principal's to write in. */
async function reached(
  { models }: Database,
  principal: Principal,
  runId: string,
  transaction?: Transaction,
) {
  const run = await models.run.findByPk(runId, { transaction });
  const session =
    run &&
    (await models.session.findOne({
      where: scoped(principal, 'session', { id: run.sessionId }, 'change'),
      transaction,
    }));
  if (!run || !session) throw notFound('run');
  return { run, session };
}

/** What is new in a run since a position; all of it when the position is of another database, or none. */
async function newsOf(
  database: Database,
  { id: runId, revision }: { id: string; revision: number },
  since: Position | null,
  transaction?: Transaction,
): Promise<Pick<RunRecord, 'whole' | 'position' | 'putts' | 'marks'>> {
  const { models, lineage } = database;
  const position = { lineage, revision };
  const known = since && since.lineage === lineage && since.revision <= revision ? since : null;
  if (known?.revision === revision) return { whole: false, position, putts: [], marks: [] };
  const asked = {
    where: { runId, ...(known && { revision: { [Op.gt]: known.revision } }) },
    order: [['position', 'ASC']] as [string, string][],
    transaction,
  };
  const putts = await models.putt.findAll(asked);
  const marks = await models.runMark.findAll(asked);
  const changes = await changesOf(
    database,
    putts.map(({ id }) => id),
    transaction,
  );
  return {
    whole: known === null,
    position,
    putts: putts.map((putt) => toPutt(putt, changes.get(putt.id) ?? [])),
    marks: marks.map(toMark),
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
  const { run, session } = await reached(database, principal, runId);
  const news = await newsOf(database, run, since);
  return { ...news, finished: session.finishedAt !== null, late: 0, refused: [] };
}

/** The next number of a run, for what is written down now. */
async function nextRevision(
  { sequelize }: Database,
  runId: string,
  transaction: Transaction,
): Promise<number> {
  const [row] = await sequelize.query<{ revision: number }>(
    'UPDATE run SET revision = revision + 1 WHERE id = :runId RETURNING revision',
    { replacements: { runId }, type: QueryTypes.SELECT, transaction },
  );
  return row!.revision;
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
  return database.atomically(async (transaction) => {
    const { run, session } = await reached(database, principal, runId, transaction);
    const revision = await nextRevision(database, runId, transaction);
    const recording: Recording = {
      runId,
      layout: layoutOf(run),
      finishedAt: session.finishedAt,
      now,
      savedBy: principal.as === 'student' ? principal.studentId : principal.coachId,
      revision,
      transaction,
    };
    const within = saneTime(session.startedAt, now);
    const refused: RefusedEvent[] = [];
    let added = 0;
    for (const event of events) {
      try {
        const isNew = await recordOne(database, recording, { ...event, at: within(event.at) });
        if (isNew && event.type === 'putt') added += 1;
      } catch (error) {
        if (!(error instanceof Problem) || error.code !== 'invalid') throw error;
        refused.push({ type: event.type, id: event.id, message: error.message });
      }
    }
    // A screen that does not know where and how a putt was made leaves it to the rule.
    if (events.some((event) => event.type === 'putt' && !(event.place && event.manner))) {
      await fillPlaces(database.sequelize, transaction, [session.id]);
      await database.models.putt.update({ revision }, { where: { runId }, transaction });
    }
    if (added > 0 && session.abandonedAt) {
      await database.sequelize.query('UPDATE session SET abandonedAt = NULL WHERE id = :id', {
        replacements: { id: session.id },
        transaction,
      });
    }
    const news = await newsOf(database, { id: runId, revision }, since, transaction);
    const { finishedAt } = session;
    return { ...news, finished: finishedAt !== null, late: finishedAt ? added : 0, refused };
  });
}

/** Layouts as they were read last, by run: one is asked for with every putt. */
const layouts = new Map<string, { text: string; layout: Layout }>();
const MOST_LAYOUTS = 200;

/** The layout of a run; it is parsed again only when it was changed. */
function layoutOf({ id, layout }: RunRow): Layout {
  const text = JSON.stringify(layout);
  const known = layouts.get(id);
  if (known?.text === text) return known.layout;
  const parsed = layoutSchema.parse(layout);
  layouts.delete(id);
  layouts.set(id, { text, layout: parsed });
  const oldest = layouts.keys().next();
  if (layouts.size > MOST_LAYOUTS && !oldest.done) layouts.delete(oldest.value);
  return parsed;
}

/** Records one event; false when it was there already. */
async function recordOne(
  database: Database,
  recording: Recording,
  event: RunEvent,
): Promise<boolean> {
  switch (event.type) {
    case 'putt':
      return recordPutt(database, recording, event);
    case 'undo':
      return recordUndo(database, recording, event);
    case 'change':
      return recordChange(database, recording, event);
    case 'mark':
      return recordMark(database, recording, event);
  }
}

/** Who knew that the session is finished is asked to open it again. */
function refuseFinished({ finishedAt }: Recording, knowing = false): void {
  if (!finishedAt || !knowing) return;
  throw new Problem(
    'finished',
    `This session was finished at ${format(finishedAt, 'HH:mm')}. Open it again to add to it.`,
  );
}

/** A putt of this run, or null; one of another run is an error. */
async function ownPutt(
  { models }: Database,
  { runId, transaction }: Recording,
  id: string,
): Promise<PuttRow | null> {
  const putt = await models.putt.findByPk(id, { transaction });
  if (putt && putt.runId !== runId)
    throw new Problem('invalid', 'A putt with this id belongs to another run.');
  return putt;
}

/** Checks what was logged against the layout where the putt was made; a screen that did not say where is taken at its word. */
function checkPutt(
  { layout }: Recording,
  { outcomes, points, place }: Pick<Putt, 'outcomes' | 'points'> & { place: PuttPlace | null },
): void {
  const there = (place && layoutAt(layout, place)) ?? layout;
  const wrong =
    outcomesProblem(there, outcomes) ?? pointsProblem(there, outcomes, points, !!place?.spot);
  if (wrong) throw new Problem('invalid', wrong);
}

type EventOf<Type extends RunEvent['type']> = Extract<RunEvent, { type: Type }>;

async function recordPutt(
  database: Database,
  recording: Recording,
  { id, outcomes, points = {}, guess = null, place, manner, at, knowing }: EventOf<'putt'>,
): Promise<boolean> {
  const { runId, now, savedBy, revision, transaction } = recording;
  if (await ownPutt(database, recording, id)) return false;
  refuseFinished(recording, knowing);
  checkPutt(recording, { outcomes, points, place: place ?? null });
  const last = await database.models.putt.max<number | null, PuttRow>('position', {
    where: { runId },
    transaction,
  });
  const position = 1 + (last ?? 0);
  await database.models.putt.create(
    {
      id,
      runId,
      position,
      outcomes,
      points,
      guess,
      place: place ?? null,
      manner: manner ?? null,
      at,
      savedAt: now,
      savedBy,
      revision,
    },
    { transaction },
  );
  return true;
}

async function recordUndo(
  database: Database,
  recording: Recording,
  { id, knowing }: EventOf<'undo'>,
): Promise<boolean> {
  const { now, revision, transaction } = recording;
  const known = await ownPutt(database, recording, id);
  if (known?.undoneAt) return false;
  refuseFinished(recording, knowing);
  if (!known) throw new Problem('invalid', 'The putt to take back is not in this run.');
  await known.update({ undoneAt: now, revision }, { transaction });
  return true;
}

/** A correction keeps what the putt was before it. */
async function recordChange(
  database: Database,
  recording: Recording,
  { id, puttId, correction, at }: EventOf<'change'>,
): Promise<boolean> {
  const { finishedAt, now, savedBy, revision, transaction } = recording;
  const { puttChange } = database.models;
  if (await puttChange.findByPk(id, { transaction })) return false;
  if (finishedAt && addHours(finishedAt, CORRECTABLE) < at) {
    throw new Problem(
      'invalid',
      `This session was finished on ${format(finishedAt, 'd MMMM')}: its putts stay as they are.`,
    );
  }
  const putt = await ownPutt(database, recording, puttId);
  if (!putt) throw new Problem('invalid', 'The putt to correct is not in this run.');
  const was = {
    outcomes: outcomesSchema.parse(putt.outcomes),
    points: pointsSchema.parse(putt.points),
    note: putt.note,
    leftOut: putt.leftOut,
    place: placeSchema.nullable().catch(null).parse(putt.place),
    manner: mannerSchema.nullable().catch(null).parse(putt.manner),
  };
  const next = { ...was, ...correction };
  // What was logged before it was refused at the border can still be noted, left out or set right.
  const restated = correction.outcomes ?? correction.points ?? correction.place;
  if (restated) checkPutt(recording, next);
  await puttChange.create({ id, puttId, was, at, savedAt: now, savedBy }, { transaction });
  await putt.update({ ...next, revision }, { transaction });
  return true;
}

async function recordMark(
  { models }: Database,
  recording: Recording,
  { id, mark, at, knowing }: EventOf<'mark'>,
): Promise<boolean> {
  const { runId, now, savedBy, revision, transaction } = recording;
  const known = await models.runMark.findByPk(id, { transaction });
  if (known && known.runId !== runId)
    throw new Problem('invalid', 'A mark with this id belongs to another run.');
  if (known) return false;
  // What was counted in belongs to the end of a session, and may come after it.
  if (mark.type !== 'taken up') refuseFinished(recording, knowing);
  const position = 1 + (await models.runMark.count({ where: { runId }, transaction }));
  await models.runMark.create(
    { id, runId, position, mark, at, savedAt: now, savedBy, revision },
    { transaction },
  );
  return true;
}
