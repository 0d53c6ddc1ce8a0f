import { bookRollsSchema, carpetSpeed, type BookRolls } from '@/core/green';
import type { Database } from './database';
import { scoped, type Principal, type StudentPrincipal } from './principal';
import { Problem, notFound } from './problem';

/** The carpet that a student putts on at home. */
export interface HomeCarpet {
  /** As greens have it, m. */
  greenSpeed: number;
  rolls: BookRolls;
  at: Date;
}

/** A student's carpet, as it was last measured; null where it was not. */
export async function homeCarpet(
  { models }: Database,
  principal: Principal,
  studentId: string,
): Promise<HomeCarpet | null> {
  const reached = await models.student.count({
    where: scoped(principal, 'student', { id: studentId }),
  });
  if (reached === 0) throw notFound('student');
  const row = await models.homeCarpet.findByPk(studentId);
  if (!row) return null;
  const { greenSpeed, height, there, back, at } = row;
  return { greenSpeed, rolls: { height, there, back }, at };
}

/**
 * Keeps how fast a student's carpet is, in place of what was measured before.
 *
 * @returns its speed, m
 * @throws Problem with a sentence for rolls that cannot be
 */
export async function keepCarpet(
  { models }: Database,
  { studentId }: StudentPrincipal,
  rolls: BookRolls,
  at: Date,
): Promise<number> {
  const asked = bookRollsSchema.parse(rolls);
  try {
    const greenSpeed = carpetSpeed(asked);
    await models.homeCarpet.upsert({ studentId, greenSpeed, ...asked, at });
    return greenSpeed;
  } catch (error) {
    if (error instanceof RangeError) throw new Problem('invalid', error.message);
    throw error;
  }
}
