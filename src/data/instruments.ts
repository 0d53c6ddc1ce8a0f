import { v4 } from 'uuid';
import type { Database } from './database';
import { storedTime } from './columns';
import { scopedSql, type CoachPrincipal, type Role } from './principal';
import { Problem, notFound } from './problem';
import { hashOf, newSecret } from './secret';

/** An instrument that sends putts, as its coach sees it. */
export interface Instrument {
  id: string;
  name: string;
  seenAt: Date | null;
  /** The session that it stands beside; null when that is to be found by the time. */
  sessionId: string | null;
  /** Lines that belong to no session yet, and those that could not be read. */
  waiting: number;
  refused: number;
}

/** Who sends: an instrument, and the coach whose it is. */
export interface Sender {
  instrumentId: string;
  name: string;
  sessionId: string | null;
  principal: CoachPrincipal;
  /** Nobody putts: its putts are marked as simulated, and it leaves real ones alone. */
  simulated?: true;
}

/** Instruments of one coach at most. */
const MOST = 20;

/**
 * Adds an instrument.
 *
 * @returns its secret, which is kept nowhere else
 */
export async function addInstrument(
  database: Database,
  { coachId }: CoachPrincipal,
  name: string,
  at: Date,
): Promise<{ id: string; secret: string }> {
  const [id, secret] = [v4(), newSecret()];
  await database.directly(async () => {
    const { write } = database;
    const [{ count }] = (await write.all<{ count: number }>(
      'SELECT count(*) AS count FROM instrument WHERE coachId = $coachId AND endedAt IS NULL',
      { $coachId: coachId },
    )) as [{ count: number }];
    if (count >= MOST) {
      throw new Problem('invalid', `You already have ${count} instruments. The limit is ${MOST}.`);
    }
    await write.all(
      `INSERT INTO instrument (id, coachId, hash, name, madeAt) VALUES ($id, $coachId, $hash, $name, $at)`,
      { $id: id, $coachId: coachId, $hash: hashOf(secret), $name: name, $at: storedTime(at) },
    );
  });
  return { id, secret };
}

/** The instruments of the asking coach, in order of their making. */
export async function listInstruments(
  { read }: Database,
  { coachId }: CoachPrincipal,
): Promise<Instrument[]> {
  const rows = await read.all<Omit<Instrument, 'seenAt'> & { seenAt: string | null }>(
    `SELECT id, name, seenAt, sessionId,
            (SELECT count(*) FROM instrumentLine WHERE instrumentId = instrument.id AND state = 'waiting') AS waiting,
            (SELECT count(*) FROM instrumentLine WHERE instrumentId = instrument.id AND state = 'refused') AS refused
       FROM instrument WHERE coachId = $coachId AND endedAt IS NULL ORDER BY madeAt, id`,
    { $coachId: coachId },
  );
  return rows.map((row) => ({ ...row, seenAt: row.seenAt === null ? null : new Date(row.seenAt) }));
}

/** A line that was not taken into a run, with the reason. */
export interface LeftLine {
  id: string;
  state: 'waiting' | 'refused';
  at: Date;
  line: string;
  reason: string;
}

/** Lines of an instrument of the asking coach that are in no run, the newest first. */
export async function leftLines(
  { read }: Database,
  { coachId }: CoachPrincipal,
  instrumentId: string,
): Promise<LeftLine[]> {
  const rows = await read.all<Omit<LeftLine, 'at'> & { at: string }>(
    `SELECT line.id, line.state, line.at, line.line, line.reason
       FROM instrumentLine AS line JOIN instrument ON instrument.id = line.instrumentId
      WHERE instrument.id = $id AND instrument.coachId = $coachId AND line.state IN ('waiting', 'refused')
      ORDER BY line.receivedAt DESC LIMIT 200`,
    { $id: instrumentId, $coachId: coachId },
  );
  return rows.map((row) => ({ ...row, at: new Date(row.at) }));
}

/** Forgets what an instrument of the asking coach sent and could not be read. */
export async function forgetRefused(
  database: Database,
  { coachId }: CoachPrincipal,
  instrumentId: string,
): Promise<void> {
  await database.directly(() =>
    database.write.all(
      `DELETE FROM instrumentLine WHERE state = 'refused' AND instrumentId IN
         (SELECT id FROM instrument WHERE id = $id AND coachId = $coachId)`,
      { $id: instrumentId, $coachId: coachId },
    ),
  );
}

async function changed(
  database: Database,
  { coachId }: CoachPrincipal,
  id: string,
  set: string,
  bound: Record<`$${string}`, string | null>,
): Promise<void> {
  const rows = await database.directly(() =>
    database.write.all(
      `UPDATE instrument SET ${set} WHERE id = $id AND coachId = $coachId AND endedAt IS NULL RETURNING id`,
      { $id: id, $coachId: coachId, ...bound },
    ),
  );
  if (rows.length === 0) throw notFound('instrument');
}

/** Puts an instrument beside a session, so that all it sends goes there; null for none. */
export async function standBeside(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  sessionId: string | null,
): Promise<void> {
  if (sessionId !== null) {
    const mayWrite = scopedSql(database, principal, 'session', 'change');
    const [own] = await database.read.all(
      `SELECT 1 FROM session WHERE id = $id AND finishedAt IS NULL AND ${mayWrite}`,
      { $id: sessionId },
    );
    if (!own) throw notFound('session');
  }
  await changed(database, principal, id, 'sessionId = $sessionId', { $sessionId: sessionId });
}

/** Ends an instrument: its secret opens nothing from now on. What it sent stays. */
export const endInstrument = (
  database: Database,
  principal: CoachPrincipal,
  id: string,
  at: Date,
): Promise<void> => changed(database, principal, id, 'endedAt = $at', { $at: storedTime(at) });

/** Whose secret it is; null for nobody's. */
export async function senderBy({ read }: Database, secret: string): Promise<Sender | null> {
  const [row] = await read.all<{
    id: string;
    name: string;
    sessionId: string | null;
    coachId: string;
    role: Role;
  }>(
    `SELECT instrument.id, instrument.name, instrument.sessionId, coach.id AS coachId, coach.role
       FROM instrument JOIN coach ON coach.id = instrument.coachId
      WHERE instrument.hash = $hash AND instrument.endedAt IS NULL AND coach.archivedAt IS NULL`,
    { $hash: hashOf(secret) },
  );
  if (!row) return null;
  const { id, name, sessionId, coachId, role } = row;
  return {
    instrumentId: id,
    name,
    sessionId,
    principal: { as: role, coachId, deviceId: null },
  };
}
