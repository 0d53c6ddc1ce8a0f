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

/** The sessions that a principal reaches, oldest first, a few at a time, so that no number of putts needs memory. */
export async function* sessionBatches(
  database: Database,
  principal: CoachPrincipal,
  { studentId, sessionId, groupId, from, until }: SessionFilter,
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
    yield await sessionsById(database, principal, ids);
  }
}
