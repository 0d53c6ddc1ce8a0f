import type { Migration } from '.';

/** What a student leaves with homework, and what the coach answers. */
export const words: Migration = {
  name: '013-words',
  statements: [
    `CREATE TABLE homeworkWord (
      id TEXT PRIMARY KEY,
      homeworkId TEXT NOT NULL REFERENCES homework (id) ON DELETE CASCADE,
      coachId TEXT REFERENCES coach (id),
      feel INTEGER,
      text TEXT NOT NULL,
      photo TEXT,
      at DATETIME NOT NULL
    )`,
    `CREATE INDEX wordByHomework ON homeworkWord (homeworkId, at)`,
  ],
};
