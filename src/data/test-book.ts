import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v4 } from 'uuid';
import type { StudentValues } from '@/core/people';
import { headCoach } from './coaches';
import { openDatabase, type Database } from './database';
import type { CoachPrincipal, StudentPrincipal } from './principal';
import type { RunRecord } from './recording';

/** A database of a test's own, in a folder of its own. */
export interface TestBook {
  folder: string;
  database: Database;
  principal: CoachPrincipal;
  /** Closes it and removes all of its files. */
  close(): Promise<void>;
}

/** Opens an empty book for one test. */
export async function openTestBook(): Promise<TestBook> {
  const folder = mkdtempSync(join(tmpdir(), 'dirigo-'));
  const database = await openDatabase(join(folder, 'coach.db'));
  const book: TestBook = {
    folder,
    database,
    principal: await headCoach(database),
    close: async () => {
      await book.database.close();
      rmSync(folder, { recursive: true });
    },
  };
  return book;
}

/** A coach who is no head coach, and whose nothing is. */
export const stranger = (): CoachPrincipal => ({ as: 'coach', coachId: v4(), deviceId: null });

/** A student as their link has them ask. */
export const asStudent = ({ coachId }: CoachPrincipal, studentId: string): StudentPrincipal => ({
  as: 'student',
  coachId,
  studentId,
});

/** Why what was sent of a run was left out, in one string. */
export const refusal = async (recorded: Promise<RunRecord>): Promise<string> =>
  (await recorded).refused.map(({ message }) => message).join(' ');

/** Somebody to write into it. */
export const TEST_STUDENT: StudentValues = {
  name: 'Wren Halloway-Test',
  hand: 'left',
  level: 'steady',
  seated: false,
  notes: '',
  school: 'arc',
  groups: '',
  kit: [],
  putter: { headLength: 0.112, headDepth: 0.024, lieAngle: 1.22 },
};
