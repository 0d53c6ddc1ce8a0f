import { randomBytes } from 'node:crypto';
import type { Database } from './database';
import { notFound } from './problem';

/** Letters of a link that nobody guesses: 192 bits. */
const OCTETS = 24;

/** What a link opens: one student's own page, or the coach's calendar. */
export interface Opened {
  owner: string;
  /** Null for the calendar. */
  studentId: string | null;
}

/**
 * The link to a student's own page, or to the coach's calendar; made on first use.
 *
 * @param studentId null for the calendar
 * @param fresh ends the old one and makes another
 */
export async function linkFor(
  { models, atomically }: Database,
  owner: string,
  studentId: string | null,
  at: Date,
  fresh = false,
): Promise<string> {
  return atomically(async (transaction) => {
    if (studentId) {
      const own = await models.student.count({
        where: { id: studentId, coachId: owner },
        transaction,
      });
      if (own === 0) throw notFound('student');
    }
    const where = { coachId: owner, studentId, endedAt: null };
    const known = await models.link.findOne({ where, transaction });
    if (known && !fresh) return known.token;
    await models.link.update({ endedAt: at }, { where, transaction });
    const token = randomBytes(OCTETS).toString('base64url');
    await models.link.create({ token, coachId: owner, studentId, madeAt: at }, { transaction });
    return token;
  });
}

/** The link to a student's own page that there is; null while none was made. */
export async function knownLink(
  { models }: Database,
  owner: string,
  studentId: string | null,
): Promise<string | null> {
  const found = await models.link.findOne({ where: { coachId: owner, studentId, endedAt: null } });
  return found?.token ?? null;
}

/** What a link opens; a link that was ended opens nothing. */
export async function openLink({ models }: Database, token: string): Promise<Opened> {
  const found = await models.link.findOne({ where: { token, endedAt: null } });
  if (!found) throw notFound('page');
  return { owner: found.coachId, studentId: found.studentId };
}
