import { v4 } from 'uuid';
import type { Left } from '@/core/planning';
import type { Database } from './database';
import { scoped, type CoachPrincipal, type Principal, type StudentPrincipal } from './principal';
import { Problem, notFound } from './problem';

/** A word between student and coach, with a piece of homework. */
export interface HomeworkWord {
  id: string;
  homeworkId: string;
  /** Null where the student wrote it. */
  coachId: string | null;
  feel: number | null;
  text: string;
  photo: string | null;
  at: Date;
}

/** So many words are kept with one piece of homework: it is no chat. */
const MOST = 60;

/** What was said with some pieces of homework, in order of time. */
export async function listWords(
  { models }: Database,
  principal: Principal,
  studentId: string,
): Promise<HomeworkWord[]> {
  const homework = await models.homework.findAll({
    where: scoped(principal, 'homework', { studentId }),
    attributes: ['id'],
  });
  const rows = await models.homeworkWord.findAll({
    where: { homeworkId: homework.map(({ id }) => id) },
    order: [['at', 'ASC']],
  });
  return rows.map(({ id, homeworkId, coachId, feel, text, photo, at }) => ({
    ...{ id, homeworkId, coachId: coachId ?? null, feel: feel ?? null },
    ...{ text, photo: photo ?? null, at },
  }));
}

/** Pieces of homework whose last word is the student's, the newest first: what waits for an answer. */
export async function unanswered(
  { models }: Database,
  principal: CoachPrincipal,
): Promise<{ studentId: string; feel: number | null; text: string; at: Date }[]> {
  const homework = await models.homework.findAll({ where: scoped(principal, 'homework') });
  const studentOf = new Map(homework.map(({ id, studentId }) => [id, studentId]));
  const rows = await models.homeworkWord.findAll({
    where: { homeworkId: [...studentOf.keys()] },
    attributes: ['id', 'homeworkId', 'coachId', 'feel', 'text', 'at'],
    order: [['at', 'DESC']],
  });
  const last = new Map<string, (typeof rows)[number]>();
  for (const row of rows) if (!last.has(row.homeworkId)) last.set(row.homeworkId, row);
  return [...last.values()]
    .filter(({ coachId }) => !coachId)
    .map(({ homeworkId, feel, text, at }) => ({
      studentId: studentOf.get(homeworkId)!,
      ...{ feel: feel ?? null, text, at },
    }));
}

async function keep(
  database: Database,
  principal: CoachPrincipal | StudentPrincipal,
  what: string,
  homeworkId: string,
  word: Left,
  at: Date,
): Promise<void> {
  const purpose = principal.as === 'student' ? 'see' : 'change';
  await database.change(principal, what, async (transaction) => {
    const { models } = database;
    const where = scoped(principal, 'homework', { id: homeworkId }, purpose);
    if ((await models.homework.count({ where, transaction })) === 0) throw notFound('homework');
    if ((await models.homeworkWord.count({ where: { homeworkId }, transaction })) >= MOST)
      throw new Problem(
        'invalid',
        `There are already ${MOST} messages, which is the limit. Talk about the rest in person.`,
      );
    const coachId = principal.as === 'student' ? null : principal.coachId;
    await models.homeworkWord.create(
      { ...word, id: v4(), homeworkId, coachId, at },
      { transaction },
    );
  });
}

/** What a student leaves: how it felt, a line, a picture of the set-up. */
export const leaveWord = (
  database: Database,
  principal: StudentPrincipal,
  homeworkId: string,
  left: Left,
  at: Date,
): Promise<void> => keep(database, principal, 'message sent', homeworkId, left, at);

/** What a coach answers. */
export const answerWord = (
  database: Database,
  principal: CoachPrincipal,
  homeworkId: string,
  text: string,
  at: Date,
): Promise<void> =>
  keep(database, principal, 'message answered', homeworkId, { feel: null, text, photo: null }, at);
