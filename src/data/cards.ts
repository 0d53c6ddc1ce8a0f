import { cardOf, runMarkSchema } from '@/core/drill';
import type { Card } from '@/core/setup';
import { fromStored } from './columns';
import type { Database } from './database';
import { scoped, type Principal } from './principal';
import { notFound } from './problem';

/** The last set-up card of a student; null where none was looked at. */
export async function lastCard(
  { models, read }: Database,
  principal: Principal,
  studentId: string,
): Promise<{ card: Card; at: Date } | null> {
  const where = scoped(principal, 'student', { id: studentId });
  if ((await models.student.count({ where })) === 0) throw notFound('student');
  const [row] = await read.all<{ mark: string; at: string }>(
    `SELECT runMark.mark AS mark, runMark.at AS at FROM runMark
       JOIN run ON run.id = runMark.runId
       JOIN session ON session.id = run.sessionId
      WHERE session.studentId = $studentId AND json_extract(runMark.mark, '$.type') = 'card'
      ORDER BY runMark.at DESC, runMark.position DESC LIMIT 1`,
    { $studentId: studentId },
  );
  if (!row) return null;
  const card = cardOf([{ mark: runMarkSchema.parse(fromStored(row.mark)) }]);
  return card && { card, at: new Date(row.at) };
}
