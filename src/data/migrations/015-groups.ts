import type { Migration } from '.';

/** Which classes and teams a student is in, as the coach calls them. */
export const groups: Migration = {
  name: '015-groups',
  statements: [`ALTER TABLE student ADD COLUMN groups TEXT NOT NULL DEFAULT ''`],
};
