import { addHours, addSeconds } from 'date-fns';
import { localTime } from './clock';
import {
  layoutAt,
  outcomesProblem,
  placeSchema,
  pointsProblem,
  type Layout,
  type PuttPlace,
} from '@/core/layout';
import { mannerSchema, type RunMark, type TimedPutt } from '@/core/drill';
import { measuredProblem } from '@/core/quantity';
import { fromStored, storedTime } from './columns';
import { Problem } from './problem';
import { puttStored, type Putt, type PuttStored } from './sessions';
import type { Statements } from './statements';

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

/** How long after its end a session's putts may still be corrected, h. */
export const CORRECTABLE = 24;

/** What one event is recorded by. */
export interface Recording {
  runId: string;
  layout: Layout;
  finishedAt: Date | null;
  now: Date;
  /** The coach or student who sent it. */
  savedBy: string;
  revision: number;
  write: Statements;
}

/** What recording an event came to: a putt that is new, as it is stored; or whether anything was changed. */
export type Recorded = PuttStored | boolean;

/** Records one event; false when it was there already. */
export async function recordOne(recording: Recording, event: RunEvent): Promise<Recorded> {
  switch (event.type) {
    case 'putt':
      return recordPutt(recording, event);
    case 'undo':
      return recordUndo(recording, event);
    case 'change':
      return recordChange(recording, event);
    case 'mark':
      return recordMark(recording, event);
  }
}

/** Who knew that the session is finished is asked to open it again. */
function refuseFinished({ finishedAt }: Recording, knowing = false): void {
  if (!finishedAt || !knowing) return;
  throw new Problem(
    'finished',
    `This session was finished at ${localTime(finishedAt, 'HH:mm')}. Reopen it to add to it.`,
  );
}

/**
 * A putt of this run as it is stored, or null; one of another run is an error. A touch that was taken as said of a measured
 * putt names that putt.
 */
async function ownPutt({ runId, write }: Recording, id: string): Promise<PuttStored | null> {
  const [putt] = await write.all<PuttStored & { runId: string }>(
    `SELECT id, runId, at, outcomes, points, guess, place, manner, measured, filled, note, leftOut, undoneAt,
            '[]' AS changes
       FROM putt WHERE id = $id OR id = (SELECT puttId FROM puttChange WHERE id = $id)`,
    { $id: id },
  );
  if (putt && putt.runId !== runId) {
    throw new Problem('invalid', 'A putt with this ID belongs to another run.');
  }
  return putt ?? null;
}

/** Places of one layout that are remembered. */
const MOST_PLACES = 50;

/** A layout where a putt was made, by the place: each is asked for again with every putt from there. */
const places = new WeakMap<Layout, Map<string, Layout>>();

function layoutThere(layout: Layout, place: PuttPlace | null): Layout {
  if (!place) return layout;
  const known = places.get(layout) ?? new Map<string, Layout>();
  places.set(layout, known);
  const key = JSON.stringify(place);
  const there = known.get(key) ?? layoutAt(layout, place) ?? layout;
  if (known.size < MOST_PLACES) known.set(key, there);
  return there;
}

/** Checks what was logged against the layout where the putt was made; a screen that did not say where is taken at its word. */
function checkPutt(
  { layout }: Recording,
  {
    outcomes,
    points,
    place,
    measured,
  }: Pick<Putt, 'outcomes' | 'points' | 'measured'> & { place: PuttPlace | null },
): void {
  const there = layoutThere(layout, place);
  const wrong =
    measuredProblem(measured) ??
    outcomesProblem(there, outcomes, Object.keys(measured).length > 0) ??
    pointsProblem(there, outcomes, points, !!place?.spot);
  if (wrong) throw new Problem('invalid', wrong);
}

type EventOf<Type extends RunEvent['type']> = Extract<RunEvent, { type: Type }>;

/** What is written of everything: when it came in, from whom, and as which change of its run. */
const stamp = ({ now, savedBy }: Recording) => ({ $savedAt: storedTime(now), $savedBy: savedBy });

const stored = (value: object | null | undefined): string | null =>
  value ? JSON.stringify(value) : null;

async function recordPutt(
  recording: Recording,
  {
    id,
    outcomes,
    points = {},
    guess = null,
    place,
    manner,
    measured = {},
    filled = [],
    at,
    knowing,
  }: EventOf<'putt'>,
): Promise<Recorded> {
  const { runId, revision, write } = recording;
  try {
    refuseFinished(recording, knowing);
    checkPutt(recording, { outcomes, points, measured, place: place ?? null });
  } catch (problem) {
    // What is there already was taken once, and is not asked again.
    if (await ownPutt(recording, id)) return false;
    throw problem;
  }
  const isMeasured = Object.keys(measured).length > 0;
  // In one statement: each that is asked waits for the disk's thread in its turn, with every putt.
  const [added] = await write.all<PuttStored>(isMeasured ? ADD : ADD_UNLESS_NEAR, {
    $id: id,
    $runId: runId,
    $outcomes: JSON.stringify(outcomes),
    $points: JSON.stringify(points),
    $guess: stored(guess),
    $place: stored(place),
    $manner: manner ?? null,
    $measured: isMeasured ? JSON.stringify(measured) : null,
    $filled: filled.length > 0 ? JSON.stringify(filled) : null,
    $at: storedTime(at),
    $revision: revision,
    ...stamp(recording),
    ...(!isMeasured && touchedAt(at)),
  });
  if (added) return added;
  const of = isMeasured ? null : await measuredNear(recording, id, at);
  if (of) {
    const correction = { outcomes, points, ...(place && { place }), ...(manner && { manner }) };
    return recordChange(recording, { type: 'change', id, puttId: of, correction, at });
  }
  await ownPutt(recording, id);
  return false;
}

/** How long after a putt was measured a touch is taken to be of it, and how long before, s. */
const TOUCHED = { after: 15, before: 2 } as const;

/** When a putt that a touch is of was measured, at the soonest and at the latest. */
const touchedAt = (at: Date) => ({
  $from: storedTime(addSeconds(at, -TOUCHED.after)),
  $until: storedTime(addSeconds(at, TOUCHED.before)),
});

/** A putt that an instrument has just read and nobody has looked at yet; or that which was taken as said of one. */
const NEAR = `
     SELECT puttId AS id, 0 AS place FROM puttChange WHERE id = $id
  UNION ALL
     SELECT id, 1 FROM
       (SELECT id FROM putt
         WHERE runId = $runId AND measured IS NOT NULL AND undoneAt IS NULL AND at BETWEEN $from AND $until
           AND NOT EXISTS (SELECT 1 FROM puttChange WHERE puttId = putt.id)
           AND NOT EXISTS (SELECT 1 FROM json_each(putt.outcomes) AS seen
                            WHERE seen.key NOT IN (SELECT value FROM json_each(coalesce(putt.filled, '[]'))))
         ORDER BY at DESC LIMIT 1)
      WHERE NOT EXISTS (SELECT 1 FROM putt WHERE id = $id)
   ORDER BY place LIMIT 1`;

/** Adds a putt that is not there, behind the others of its run. */
const adding = (unless: string): string =>
  `INSERT INTO putt (id, runId, position, outcomes, points, guess, place, manner, measured, filled, at, savedAt, savedBy,
                     revision)
   SELECT $id, $runId, 1 + coalesce(max(position), 0), $outcomes, $points, $guess, $place, $manner, $measured, $filled,
          $at, $savedAt, $savedBy, $revision
     FROM putt WHERE runId = $runId ${unless}
       ON CONFLICT (id) DO NOTHING
   RETURNING id, at, outcomes, points, guess, place, manner, measured, filled, note, leftOut, undoneAt, '[]' AS changes`;

const ADD = adding('');
const ADD_UNLESS_NEAR = adding(`HAVING NOT EXISTS (${NEAR})`);

/** The putt that was measured and that a touch is of: what is touched now is what happened to it. */
async function measuredNear(
  { runId, write }: Recording,
  id: string,
  at: Date,
): Promise<string | null> {
  const [found] = await write.all<{ id: string }>(NEAR, {
    $id: id,
    $runId: runId,
    ...touchedAt(at),
  });
  return found?.id ?? null;
}

async function recordUndo(
  recording: Recording,
  { id, knowing }: EventOf<'undo'>,
): Promise<boolean> {
  const { now, revision, write } = recording;
  const known = await ownPutt(recording, id);
  if (known?.undoneAt) return false;
  refuseFinished(recording, knowing);
  if (!known) throw new Problem('invalid', 'The putt to undo is not in this run.');
  await write.all('UPDATE putt SET undoneAt = $now, revision = $revision WHERE id = $id', {
    $now: storedTime(now),
    $revision: revision,
    $id: known.id,
  });
  return true;
}

/** A correction keeps what the putt was before it. */
async function recordChange(
  recording: Recording,
  { id, puttId, correction, at }: EventOf<'change'>,
): Promise<boolean> {
  const { finishedAt, revision, write } = recording;
  const [done] = await write.all('SELECT 1 FROM puttChange WHERE id = $id', { $id: id });
  if (done) return false;
  if (finishedAt && addHours(finishedAt, CORRECTABLE) < at) {
    throw new Problem(
      'invalid',
      `This session was finished on ${localTime(finishedAt, 'd MMMM')}. Its putts can no longer be changed.`,
    );
  }
  const putt = await ownPutt(recording, puttId);
  if (!putt) throw new Problem('invalid', 'The putt to correct is not in this run.');
  const { place, manner } = putt;
  const { outcomes, points, measured, filled, note, leftOut } = puttStored(putt);
  const was = {
    ...{ outcomes, points, measured, filled, note, leftOut },
    place: placeSchema.nullable().catch(null).parse(fromStored(place)),
    manner: mannerSchema.nullable().catch(null).parse(manner),
  };
  // What somebody has looked at is no longer only what follows from what was measured.
  const unseen = correction.outcomes
    ? filled.filter((one) => correction.outcomes![one] === outcomes[one])
    : filled;
  const next = { ...was, filled: unseen, ...correction };
  // What was logged before it was refused at the border can still be noted, left out or set right.
  const restated = correction.outcomes ?? correction.points ?? correction.place;
  if (restated) checkPutt(recording, next);
  await write.all(
    `INSERT INTO puttChange (id, puttId, was, at, savedAt, savedBy)
     VALUES ($id, $puttId, $was, $at, $savedAt, $savedBy)`,
    {
      $id: id,
      $puttId: putt.id,
      $was: JSON.stringify(was),
      $at: storedTime(at),
      ...stamp(recording),
    },
  );
  await write.all(
    `UPDATE putt SET outcomes = $outcomes, points = $points, place = $place, manner = $manner, note = $note,
            leftOut = $leftOut, filled = $filled, revision = $revision
      WHERE id = $puttId`,
    {
      $outcomes: JSON.stringify(next.outcomes),
      $points: JSON.stringify(next.points),
      $place: stored(next.place),
      $manner: next.manner,
      $note: next.note,
      $leftOut: Number(next.leftOut),
      $filled: next.filled.length > 0 ? JSON.stringify(next.filled) : null,
      $revision: revision,
      $puttId: putt.id,
    },
  );
  return true;
}

async function recordMark(
  recording: Recording,
  { id, mark, at, knowing }: EventOf<'mark'>,
): Promise<boolean> {
  const { runId, revision, write } = recording;
  const [known] = await write.all<{ runId: string }>('SELECT runId FROM runMark WHERE id = $id', {
    $id: id,
  });
  if (known && known.runId !== runId) {
    throw new Problem('invalid', 'A mark with this ID belongs to another run.');
  }
  if (known) return false;
  // What was counted in belongs to the end of a session, and may come after it.
  if (mark.type !== 'taken up') refuseFinished(recording, knowing);
  await write.all(
    `INSERT INTO runMark (id, runId, position, mark, at, savedAt, savedBy, revision)
     SELECT $id, $runId, 1 + count(*), $mark, $at, $savedAt, $savedBy, $revision
       FROM runMark WHERE runId = $runId`,
    {
      $id: id,
      $runId: runId,
      $mark: JSON.stringify(mark),
      $at: storedTime(at),
      $revision: revision,
      ...stamp(recording),
    },
  );
  return true;
}
