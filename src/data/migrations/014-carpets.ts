import type { Migration } from '.';

/** How fast the carpet is that a student putts on at home, as it was measured. */
export const carpets: Migration = {
  name: '014-carpets',
  statements: [
    `CREATE TABLE homeCarpet (
      studentId TEXT PRIMARY KEY REFERENCES student (id) ON DELETE CASCADE,
      greenSpeed REAL NOT NULL,
      height REAL NOT NULL,
      there REAL NOT NULL,
      back REAL NOT NULL,
      at DATETIME NOT NULL
    )`,
  ],
};
