import type { Migration } from '.';
import { APPLICATION_ID } from '../application';

/**
 * The file says whose it is; sessions that nobody putted in are kept, as abandoned; every change of a run has a number, so
 * that a screen asks only for what is new to it.
 */
export const kept: Migration = {
  name: '008-kept',
  statements: [
    `PRAGMA application_id = ${APPLICATION_ID}`,
    `ALTER TABLE session ADD COLUMN abandonedAt DATETIME`,
    `ALTER TABLE run ADD COLUMN revision INTEGER NOT NULL DEFAULT 0`,
    `ALTER TABLE putt ADD COLUMN revision INTEGER NOT NULL DEFAULT 0`,
    `ALTER TABLE runMark ADD COLUMN revision INTEGER NOT NULL DEFAULT 0`,
  ],
};
