import { addHours, addMinutes, format } from 'date-fns';
import type { Transaction } from 'sequelize';
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
import type { PuttRow } from './models';
import { fillPlaces } from './places';

/** What may be corrected of a putt; what is left out stays as it is. */
export type PuttCorrection = Partial<
  Pick<Putt, 'outcomes' | 'points' | 'place' | 'manner' | 'note' | 'leftOut'>
>;

/** What a screen sends of a run. Every one may be sent again without harm. */
export type RunEvent =
  | ({ type: 'putt'; id: string } & TimedPutt)
  | { type: 'undo'; id: string; at: Date }
  | { type: 'change'; id: string; puttId: string; correction: PuttCorrection; at: Date }
  | { type: 'mark'; id: string; mark: RunMark; at: Date };

/** A run as the server has it. */
export interface RunRecord {
  putts: Putt[];
  marks: MarkOfRun[];
  finished: boolean;
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
  transaction: Transaction;
}

/**
 * Records what a screen sends, in order, all or nothing. Sending the same again changes nothing, even when the
 * session has been finished in between.
 *
 * @returns all of the run, in the order in which it reached the server
 * @throws Problem when the run is not this coach's, the session is finished, or an outcome cannot happen
 */
export async function recordEvents(
  database: Database,
  principal: Principal,
  runId: string,
  events: RunEvent[],
  now: Date,
): Promise<RunRecord> {
  const { models, atomically } = database;
  return atomically(async (transaction) => {
    const run = await models.run.findByPk(runId, { transaction });
    const session =
      run &&
      (await models.session.findOne({
        where: scoped(principal, 'session', { id: run.sessionId }, 'change'),
        transaction,
      }));
    if (!run || !session) throw notFound('run');
    const { finishedAt } = session;
    const recording = {
      runId,
      layout: layoutSchema.parse(run.layout),
      finishedAt,
      now,
      savedBy: principal.as === 'student' ? principal.studentId : principal.coachId,
      transaction,
    };
    const within = saneTime(session.startedAt, now);
    for (const event of events) {
      await recordOne(
        database,
        recording,
        'at' in event ? { ...event, at: within(event.at) } : event,
      );
    }
    // A screen that does not know where and how a putt was made leaves it to the rule.
    if (events.some((event) => event.type === 'putt' && !(event.place && event.manner))) {
      await fillPlaces(database.sequelize, transaction, [session.id]);
    }
    const all = { where: { runId }, transaction };
    const putts = await models.putt.findAll({ ...all, order: [['position', 'ASC']] });
    const marks = await models.runMark.findAll({ ...all, order: [['position', 'ASC']] });
    const changes = await changesOf(
      database,
      putts.map(({ id }) => id),
      transaction,
    );
    return {
      putts: putts.map((putt) => toPutt(putt, changes.get(putt.id) ?? [])),
      marks: marks.map(toMark),
      finished: finishedAt !== null,
    };
  });
}

async function recordOne(database: Database, recording: Recording, event: RunEvent): Promise<void> {
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

function refuseFinished({ finishedAt }: Recording): void {
  if (!finishedAt) return;
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
  { id, outcomes, points = {}, guess = null, place, manner, at }: EventOf<'putt'>,
): Promise<void> {
  const { runId, now, savedBy, transaction } = recording;
  if (await ownPutt(database, recording, id)) return;
  refuseFinished(recording);
  checkPutt(recording, { outcomes, points, place: place ?? null });
  const position = 1 + (await database.models.putt.count({ where: { runId }, transaction }));
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
    },
    { transaction },
  );
}

async function recordUndo(
  database: Database,
  recording: Recording,
  { id }: EventOf<'undo'>,
): Promise<void> {
  const known = await ownPutt(database, recording, id);
  if (known?.undoneAt) return;
  refuseFinished(recording);
  if (!known) throw new Problem('invalid', 'The putt to take back is not in this run.');
  await known.update({ undoneAt: recording.now }, { transaction: recording.transaction });
}

/** A correction keeps what the putt was before it. */
async function recordChange(
  database: Database,
  recording: Recording,
  { id, puttId, correction, at }: EventOf<'change'>,
): Promise<void> {
  const { finishedAt, now, savedBy, transaction } = recording;
  const { puttChange } = database.models;
  if (await puttChange.findByPk(id, { transaction })) return;
  if (finishedAt && addHours(finishedAt, CORRECTABLE) < now) {
    throw new Problem(
      'finished',
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
  await putt.update(next, { transaction });
}

async function recordMark(
  { models }: Database,
  recording: Recording,
  { id, mark, at }: EventOf<'mark'>,
): Promise<void> {
  const { runId, now, savedBy, transaction } = recording;
  const known = await models.runMark.findByPk(id, { transaction });
  if (known && known.runId !== runId)
    throw new Problem('invalid', 'A mark with this id belongs to another run.');
  if (known) return;
  // What was counted in belongs to the end of a session, and may come after it.
  if (mark.type !== 'taken up') refuseFinished(recording);
  const position = 1 + (await models.runMark.count({ where: { runId }, transaction }));
  await models.runMark.create(
    { id, runId, position, mark, at, savedAt: now, savedBy },
    { transaction },
  );
}
