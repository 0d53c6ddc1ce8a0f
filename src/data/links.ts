import { Op } from 'sequelize';
import { v4 } from 'uuid';
import type { Database } from './database';
import { storedTime } from './columns';
import { scoped, type CoachPrincipal, type StudentPrincipal } from './principal';
import { notFound } from './problem';
import { hashOf, newSecret } from './secret';

/** A link that opens a student's own page, or a coach's calendar, as far as it is known: the link itself is not kept. */
export interface Link {
  madeAt: Date;
  /** When it ends by itself; null for never. */
  until: Date | null;
  openedAt: Date | null;
}

const whose = (principal: CoachPrincipal, studentId: string | null) =>
  studentId ? { studentId } : { studentId: null, coachId: principal.coachId };

const standing = (at: Date) => ({
  endedAt: null,
  until: { [Op.or]: [{ [Op.is]: null }, { [Op.gt]: at }] } as never,
});

/** A student who is the coach's to give a link to. */
async function checkStudent(
  { models }: Database,
  principal: CoachPrincipal,
  studentId: string | null,
): Promise<void> {
  if (!studentId) return;
  const reached = await models.student.count({
    where: scoped(principal, 'student', { id: studentId, archivedAt: null }, 'change'),
  });
  if (reached === 0) throw notFound('student');
}

/**
 * Makes a link to a student's own page, or to the coach's calendar, and ends the one before. It is told this once: only its
 * hash is kept.
 *
 * @param studentId null for the calendar
 * @param until when it ends by itself; null for never
 */
export async function makeLink(
  database: Database,
  principal: CoachPrincipal,
  studentId: string | null,
  at: Date,
  until: Date | null = null,
): Promise<string> {
  await checkStudent(database, principal, studentId);
  const secret = newSecret();
  const { models } = database;
  await database.change(
    principal,
    'link created',
    async (transaction) => {
      const where = { ...whose(principal, studentId), endedAt: null };
      await models.link.update({ endedAt: at }, { where, transaction });
      const { coachId } = principal;
      await models.link.create(
        { id: v4(), hash: hashOf(secret), coachId, studentId, madeAt: at, until },
        { transaction },
      );
    },
    at,
  );
  return secret;
}

/** Ends the link to a student's own page, or to the coach's calendar. */
export async function endLink(
  database: Database,
  principal: CoachPrincipal,
  studentId: string | null,
  at: Date,
): Promise<void> {
  await checkStudent(database, principal, studentId);
  await database.change(principal, 'link revoked', async (transaction) => {
    const where = { ...whose(principal, studentId), endedAt: null };
    await database.models.link.update({ endedAt: at }, { where, transaction });
  });
}

/** The link to a student's own page, or to the coach's calendar, that stands; null where there is none. */
export async function knownLink(
  database: Database,
  principal: CoachPrincipal,
  studentId: string | null,
  at: Date,
): Promise<Link | null> {
  const row = await database.models.link.findOne({
    where: { ...whose(principal, studentId), ...standing(at) },
  });
  return row && { madeAt: row.madeAt, until: row.until, openedAt: row.openedAt };
}

/** How far apart two openings are that are both written down, ms. */
const SEEN = 60_000;

/** What a link opens: a student's own page, or the calendar of a coach. One that was ended opens nothing. */
export type Opened = StudentPrincipal | CoachPrincipal;

export async function openLink({ models }: Database, secret: string, at: Date): Promise<Opened> {
  const link = await models.link.findOne({ where: { hash: hashOf(secret), ...standing(at) } });
  if (!link) throw notFound('page');
  if (!link.openedAt || at.getTime() - link.openedAt.getTime() > SEEN) {
    await models.link.update({ openedAt: at }, { where: { id: link.id }, hooks: false });
  }
  if (link.studentId) {
    const student = await models.student.findOne({
      where: { id: link.studentId, archivedAt: null },
    });
    if (!student) throw notFound('page');
    return { as: 'student', coachId: student.coachId, studentId: student.id };
  }
  const coach = await models.coach.findOne({ where: { id: link.coachId, archivedAt: null } });
  if (!coach) throw notFound('page');
  return { as: coach.role, coachId: coach.id, deviceId: null };
}

/**
 * Tells what the secret of a link is worth now.
 *
 * @returns 'open'; 'revoked' for one that was ended, has run out, or whose student or coach is archived; 'unknown' for a secret that
 *   is no link's
 */
export async function linkState(
  database: Database,
  secret: string,
  at: Date,
): Promise<'open' | 'revoked' | 'unknown'> {
  const [row] = await database.read.all<{ open: number }>(
    `SELECT link.endedAt IS NULL AND (link.until IS NULL OR link.until > $at)
            AND coalesce(student.archivedAt, coach.archivedAt) IS NULL AS open
       FROM link JOIN coach ON coach.id = link.coachId LEFT JOIN student ON student.id = link.studentId
      WHERE link.hash = $hash`,
    { $hash: hashOf(secret), $at: storedTime(at) },
  );
  if (!row) return 'unknown';
  return row.open === 1 ? 'open' : 'revoked';
}
