import { Op } from 'sequelize';
import type { Database } from './database';
import { scoped, type CoachPrincipal } from './principal';
import { SHOWN, sessionsById, type Session } from './sessions';

/** Which sessions are wanted. */
export interface SessionFilter {
  studentId?: string;
  sessionId?: string;
  groupId?: string;
  /** Begun at or after, and before. */
  from?: Date;
  until?: Date;
}

/** Sessions that are held at once: a day's, not a year's. */
const BATCH = 8;

/** A session that cannot be read as it is stored. */
export interface UnreadableSession {
  id: string;
  reason: string;
  /** Its rows as they are stored, by table. */
  rows: Record<string, Record<string, unknown>[]>;
}

async function storedRows({ read }: Database, id: string): Promise<UnreadableSession['rows']> {
  const bound = { $id: id };
  const runs = 'SELECT id FROM run WHERE sessionId = $id';
  return {
    session: await read.all('SELECT * FROM session WHERE id = $id', bound),
    run: await read.all('SELECT * FROM run WHERE sessionId = $id', bound),
    putt: await read.all(`SELECT * FROM putt WHERE runId IN (${runs})`, bound),
    runMark: await read.all(`SELECT * FROM runMark WHERE runId IN (${runs})`, bound),
  };
}

/**
 * Yields the sessions that a principal reaches, oldest first, a few at a time, so that no number of putts needs memory.
 *
 * @param onUnreadable is told of sessions that cannot be read; the others go on. Where it is left out, one ends the whole
 */
export async function* sessionBatches(
  database: Database,
  principal: CoachPrincipal,
  { studentId, sessionId, groupId, from, until }: SessionFilter,
  onUnreadable?: (session: UnreadableSession) => void,
): AsyncGenerator<Session[]> {
  const rows = await database.models.session.findAll({
    attributes: ['id'],
    where: scoped(principal, 'session', {
      ...SHOWN,
      ...(studentId && { studentId }),
      ...(sessionId && { id: sessionId }),
      ...(groupId && { groupId }),
      ...((from ?? until) && {
        startedAt: { ...(from && { [Op.gte]: from }), ...(until && { [Op.lt]: until }) },
      }),
    }),
    order: [
      ['startedAt', 'ASC'],
      ['id', 'ASC'],
    ],
  });
  for (let at = 0; at < rows.length; at += BATCH) {
    const ids = rows.slice(at, at + BATCH).map(({ id }) => id);
    try {
      yield await sessionsById(database, principal, ids);
    } catch (error) {
      if (!onUnreadable) throw error;
      yield await oneByOne(database, principal, ids, onUnreadable);
    }
  }
}

async function oneByOne(
  database: Database,
  principal: CoachPrincipal,
  ids: readonly string[],
  onUnreadable: (session: UnreadableSession) => void,
): Promise<Session[]> {
  const sessions: Session[] = [];
  for (const id of ids) {
    try {
      sessions.push(...(await sessionsById(database, principal, [id])));
    } catch (error) {
      const reason = error instanceof Error ? error.message : String(error);
      onUnreadable({ id, reason, rows: await storedRows(database, id) });
    }
  }
  return sessions;
}
