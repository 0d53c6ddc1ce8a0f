import type { Migration } from '.';

/** That somebody was erased, when and by whom; nothing of who it was. */
export const erasures: Migration = {
  name: '010-erasures',
  statements: [
    `CREATE TABLE erasure (
      studentId TEXT PRIMARY KEY,
      at DATETIME NOT NULL,
      coachId TEXT NOT NULL,
      sessions INTEGER NOT NULL,
      putts INTEGER NOT NULL
    )`,
  ],
};
