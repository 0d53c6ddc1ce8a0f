import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { StudentValues } from '@/core/people';
import { ensureCoach } from './coaches';
import { openDatabase, type Database } from './database';

/** A database of a test's own, in a folder of its own. */
export interface TestBook {
  folder: string;
  database: Database;
  owner: string;
  /** Closes it and removes all of its files. */
  close(): Promise<void>;
}

/** Opens an empty book for one test. */
export async function openTestBook(): Promise<TestBook> {
  const folder = mkdtempSync(join(tmpdir(), 'dirigo-'));
  const database = await openDatabase(join(folder, 'coach.db'));
  return {
    folder,
    database,
    owner: await ensureCoach(database),
    close: async () => {
      await database.close();
      rmSync(folder, { recursive: true });
    },
  };
}

/** Somebody to write into it. */
export const TEST_STUDENT: StudentValues = {
  name: 'Wren Halloway-Test',
  hand: 'left',
  level: 'steady',
  seated: false,
  notes: '',
  school: 'arc',
  kit: [],
  putter: { headLength: 0.112, headDepth: 0.024, lieAngle: 1.22 },
};
