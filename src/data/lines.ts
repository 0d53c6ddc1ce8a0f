import { createHash } from 'node:crypto';
import { addHours, addSeconds } from 'date-fns';
import { localTime } from './clock';
import { v5 } from 'uuid';
import { filledOutcomes, layoutAt, layoutSchema, placeSchema } from '@/core/layout';
import { coachSettings } from '@/core/people';
import {
  completed,
  measuredSchema,
  readLine,
  type MeasuredValues,
  type ReadLine,
} from '@/core/quantity';
import { fromStored, optionalTime, storedTime } from './columns';
import type { Database } from './database';
import type { Sender } from './instruments';
import { scopedSql } from './principal';
import { recordEvents } from './recording';

/** What became of a line: in a run, there already, kept until its session is known, or not to be read. */
export type LineTold =
  | {
      line: number;
      id: string | null;
      state: 'taken';
      runId: string;
      puttId: string;
      with?: 'putt';
    }
  | { line: number; id: string | null; state: 'doubled' }
  | { line: number; id: string | null; state: 'waiting' | 'refused'; message: string };

/** Names of putts are made from the instrument's own, so that a line that is sent again makes no second putt. */
const NAMES = '6f1d0f5e-5b7e-4c58-9f0a-6d3a5c1f2b11';

/** A line belongs to a putt of another instrument, or to a touch, no farther off than this, s. */
const NEAR = { instrument: 4, touchBefore: 2, touchAfter: 15 } as const;
/** A reading that is this much younger than the end of its session still belongs to it, s: clocks differ a little. */
const AFTER_FINISH = 5;
/** A session that nobody finished is no longer gone on with after this, h. */
const OPEN = 12;
/** A clock that is ahead by more is not believed, s. */
const AHEAD = 60;

interface Place {
  runId: string;
  sessionId: string;
}

/** The session that a line belongs to by its time, or why none can be told. */
async function sessionAt(
  database: Database,
  { sessionId, principal }: Sender,
  at: Date,
): Promise<string | { message: string }> {
  const mayWrite = scopedSql(database, principal, 'session', 'change');
  const rows = await database.read.all<{ id: string }>(
    `SELECT session.id FROM session
      WHERE ${mayWrite} AND session.homeworkId IS NULL AND session.importId IS NULL
        AND session.startedAt <= $until
        AND (session.finishedAt >= $at OR (session.finishedAt IS NULL AND session.startedAt >= $since))
        AND (session.coachId = $coachId OR session.id = $beside)`,
    {
      $until: storedTime(addSeconds(at, 60)),
      $at: storedTime(addSeconds(at, -AFTER_FINISH)),
      $since: storedTime(addHours(at, -OPEN)),
      $coachId: principal.coachId,
      $beside: sessionId,
    },
  );
  const beside = rows.find(({ id }) => id === sessionId);
  if (beside) return beside.id;
  if (rows.length === 1) return rows[0]!.id;
  const time = localTime(at, 'd MMM, HH:mm:ss');
  return {
    message:
      rows.length === 0
        ? `No session was open at ${time}. The reading is saved and will be added once there is a session for that time.`
        : `${rows.length} sessions were open at ${time}. Choose the session that the instrument belongs to.`,
  };
}

/** The run of a session that was being putted at a time: the last one that had begun by then. */
async function runAt(database: Database, sessionId: string, at: Date): Promise<string | null> {
  const rows = await database.read.all<{ id: string; first: string | null }>(
    `SELECT run.id, (SELECT min(at) FROM putt WHERE runId = run.id) AS first
       FROM run WHERE sessionId = $sessionId ORDER BY position`,
    { $sessionId: sessionId },
  );
  const begun = rows.filter(({ first }) => first !== null && new Date(first) <= at);
  // What follows the last run that was putted on may have been gone over to already; its first putt may be this one.
  const last = begun.at(-1);
  const after = rows.slice(last ? rows.indexOf(last) + 1 : 0);
  const fresh = after.filter(({ first }) => first === null).at(-1);
  const late = after.some(({ first }) => first !== null);
  return ((late ? last : fresh) ?? last ?? rows[0])?.id ?? null;
}

interface PuttThere {
  id: string;
  at: string;
  outcomes: string;
  measured: string | null;
  filled: string | null;
  place: string | null;
}

/** The putt of a run that a line is of: another instrument's, or one that was logged by hand; null when there is none yet. */
async function puttNear(
  database: Database,
  runId: string,
  at: Date,
  values: MeasuredValues,
  simulated: boolean,
): Promise<PuttThere | null> {
  const rows = await database.write.all<PuttThere>(
    `SELECT id, at, outcomes, measured, filled, place FROM putt
      WHERE runId = $runId AND undoneAt IS NULL AND at BETWEEN $from AND $until
        AND (coalesce(manner, 'usual') = 'simulated') = $simulated`,
    {
      $runId: runId,
      $simulated: simulated ? 1 : 0,
      $from: storedTime(addSeconds(at, -NEAR.instrument)),
      $until: storedTime(addSeconds(at, NEAR.touchAfter)),
    },
  );
  const off = (row: PuttThere) => (new Date(row.at).getTime() - at.getTime()) / 1000;
  return (
    rows
      .filter((row) => {
        const known = measuredSchema.catch({}).parse(fromStored(row.measured) ?? {});
        if (Object.keys(known).some((id) => id in values)) return false;
        if (row.measured !== null) return Math.abs(off(row)) <= NEAR.instrument;
        return off(row) >= -NEAR.touchBefore;
      })
      .sort((a, b) => Math.abs(off(a)) - Math.abs(off(b)))[0] ?? null
  );
}

/** Puts values to a putt, and finds what follows from them at elements where nobody looked. */
async function putTo(
  database: Database,
  { runId }: Place,
  puttId: string,
  values: MeasuredValues,
): Promise<void> {
  const { write } = database;
  await database.directly(async () => {
    const [run] = await write.all<{ layout: string; revision: number; settings: string }>(
      `UPDATE run SET revision = revision + 1 WHERE id = $runId
        RETURNING layout, revision,
                  (SELECT settings FROM coach JOIN session ON session.coachId = coach.id
                    WHERE session.id = run.sessionId) AS settings`,
      { $runId: runId },
    );
    const [putt] = await write.all<PuttThere>(
      'SELECT id, at, outcomes, measured, filled, place FROM putt WHERE id = $id',
      { $id: puttId },
    );
    if (!run || !putt) return;
    const layout = layoutSchema.parse(fromStored(run.layout));
    const place = placeSchema.nullable().catch(null).parse(fromStored(putt.place));
    const there = (place && layoutAt(layout, place)) ?? layout;
    const known = measuredSchema.catch({}).parse(fromStored(putt.measured) ?? {});
    const all = completed({ ...known, ...values });
    const before = (fromStored(putt.filled) ?? []) as string[];
    const logged = fromStored(putt.outcomes) as Record<string, string>;
    const seen = Object.fromEntries(
      Object.entries(logged).filter(([element]) => !before.includes(element)),
    );
    const bare = Object.fromEntries(Object.entries(all).map(([id, { value }]) => [id, value]));
    const { faceShare } = coachSettings.parse(fromStored(run.settings) ?? {});
    const found = filledOutcomes(there, bare, Number(faceShare));
    const outcomes = { ...found, ...seen };
    const filled = Object.keys(found).filter((element) => !(element in seen));
    await write.all(
      `UPDATE putt SET measured = $measured, outcomes = $outcomes, filled = $filled, revision = $revision
        WHERE id = $id`,
      {
        $id: puttId,
        $measured: JSON.stringify(all),
        $outcomes: JSON.stringify(outcomes),
        $filled: filled.length > 0 ? JSON.stringify(filled) : null,
        $revision: run.revision,
      },
    );
  });
}

/** Keeps a line and what became of it. */
const noteLine = (
  database: Database,
  sender: Sender,
  text: string,
  { id, at, now }: { id: string; at: Date; now: Date },
  { state, reason, puttId }: { state: string; reason: string; puttId: string | null },
): Promise<unknown> =>
  database.directly(() =>
    database.write.all(
      `INSERT INTO instrumentLine (id, instrumentId, lineId, at, receivedAt, line, state, reason, puttId)
       VALUES ($id, $instrumentId, $lineId, $at, $now, $line, $state, $reason, $puttId)
           ON CONFLICT (instrumentId, lineId) DO UPDATE
          SET state = excluded.state, reason = excluded.reason, puttId = excluded.puttId`,
      {
        $id: v5(`${sender.instrumentId} line ${id}`, NAMES),
        $instrumentId: sender.instrumentId,
        $lineId: id,
        $at: storedTime(at),
        $now: storedTime(now),
        $line: text,
        $state: state,
        $reason: reason,
        $puttId: puttId,
      },
    ),
  );

/** Finds the run and the putt of a line that could be read, and takes it in there. */
async function takeRead(
  database: Database,
  sender: Sender,
  read: Extract<ReadLine, { ok: true }>,
  at: Date,
  now: Date,
): Promise<{ runId: string; puttId: string; with?: 'putt' } | { message: string }> {
  const sessionId = await sessionAt(database, sender, at);
  if (typeof sessionId !== 'string') return sessionId;
  const runId = await runAt(database, sessionId, at);
  if (!runId)
    return { message: 'The session at that time has no drill yet. The reading is saved.' };
  const place = { runId, sessionId };
  const near = await puttNear(database, runId, at, read.values, sender.simulated === true);
  if (near) {
    await putTo(database, place, near.id, read.values);
    return { runId, puttId: near.id, with: 'putt' };
  }
  const puttId = v5(`${sender.instrumentId} ${read.id}`, NAMES);
  const putt = {
    outcomes: {},
    measured: completed(read.values),
    ...(sender.simulated && { manner: 'simulated' as const }),
  };
  await recordEvents(
    database,
    sender.principal,
    runId,
    [{ type: 'putt', id: puttId, at, ...putt }],
    now,
  );
  await putTo(database, place, puttId, read.values);
  return { runId, puttId };
}

/**
 * Takes what an instrument sends, line by line, in order. Each belongs to the run that was being putted at its time; the same
 * line sent again changes nothing; what cannot be taken in is kept, with the reason.
 *
 * @param texts lines as they came
 * @returns what became of each
 */
export const takeLines = (
  database: Database,
  sender: Sender,
  texts: readonly string[],
  now: Date,
): Promise<LineTold[]> =>
  inTurn(sender.principal.coachId, () => takeNow(database, sender, texts, now));

/** Who is last in turn, by coach. */
const turns = new Map<string, Promise<unknown>>();

/** Two instruments beside one ball send at once: the second is to find the putt that the first has made. */
function inTurn<T>(coachId: string, work: () => Promise<T>): Promise<T> {
  const mine = (turns.get(coachId) ?? Promise.resolve()).then(work, work);
  turns.set(coachId, mine);
  const leave = () => {
    if (turns.get(coachId) === mine) turns.delete(coachId);
  };
  void mine.then(leave, leave);
  return mine;
}

async function takeNow(
  database: Database,
  sender: Sender,
  texts: readonly string[],
  now: Date,
): Promise<LineTold[]> {
  const told: LineTold[] = [];
  for (const [index, text] of texts.entries()) {
    const line = index + 1;
    const read = readLine(text, sender.name);
    const id = read.ok ? read.id : (read.id ?? createHash('sha256').update(text).digest('hex'));
    const [known] = await database.read.all<{ state: string }>(
      'SELECT state FROM instrumentLine WHERE instrumentId = $instrumentId AND lineId = $lineId',
      { $instrumentId: sender.instrumentId, $lineId: id },
    );
    if (known?.state === 'taken') {
      told.push({ line, id, state: 'doubled' });
      continue;
    }
    if (!read.ok) {
      const times = { id, at: now, now };
      await noteLine(database, sender, text, times, {
        state: 'refused',
        reason: read.message,
        puttId: null,
      });
      told.push({ line, id: read.id, state: 'refused', message: read.message });
      continue;
    }
    const at = read.at && read.at <= addSeconds(now, AHEAD) ? read.at : now;
    const taken = await takeRead(database, sender, read, at, now);
    const fate =
      'message' in taken
        ? { state: 'waiting', reason: taken.message, puttId: null }
        : { state: 'taken', reason: '', puttId: taken.puttId };
    await noteLine(database, sender, text, { id, at, now }, fate);
    told.push(
      'message' in taken
        ? { line, id, state: 'waiting', message: taken.message }
        : { line, id, state: 'taken', ...taken },
    );
  }
  await database.directly(() =>
    database.write.all('UPDATE instrument SET seenAt = $now WHERE id = $id', {
      $now: storedTime(now),
      $id: sender.instrumentId,
    }),
  );
  return told;
}

/**
 * Takes in the lines of an instrument that waited for their session.
 *
 * @returns how many found it
 */
export async function takeWaiting(
  database: Database,
  sender: Sender,
  now: Date,
): Promise<LineTold[]> {
  const rows = await database.read.all<{ line: string; at: string }>(
    `SELECT line, at FROM instrumentLine WHERE instrumentId = $id AND state = 'waiting' ORDER BY at LIMIT 500`,
    { $id: sender.instrumentId },
  );
  // Each is as old as it was when it came in.
  const told: LineTold[] = [];
  for (const { line, at } of rows) {
    const stamped = JSON.stringify({
      ...(JSON.parse(line) as object),
      at: optionalTime(at)!.toISOString(),
    });
    told.push(...(await takeLines(database, sender, [stamped], now)));
  }
  return told.filter(({ state }) => state === 'taken');
}
