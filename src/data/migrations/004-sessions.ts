import type { Migration } from '.';

/** What is pointed at, guessed, noted and corrected of a putt; what happens to a run; groups, blocks and cold tests. */
export const sessions: Migration = {
  name: '004-sessions',
  statements: [
    `ALTER TABLE putt ADD COLUMN points JSON NOT NULL DEFAULT '{}'`,
    `ALTER TABLE putt ADD COLUMN guess JSON`,
    `ALTER TABLE putt ADD COLUMN note TEXT NOT NULL DEFAULT ''`,
    `ALTER TABLE putt ADD COLUMN leftOut TINYINT(1) NOT NULL DEFAULT 0`,
    `CREATE TABLE puttChange (
      id TEXT PRIMARY KEY,
      puttId TEXT NOT NULL REFERENCES putt (id) ON DELETE CASCADE,
      was JSON NOT NULL,
      at DATETIME NOT NULL,
      savedAt DATETIME NOT NULL
    )`,
    `CREATE INDEX changeByPutt ON puttChange (puttId)`,
    `CREATE TABLE runMark (
      id TEXT PRIMARY KEY,
      runId TEXT NOT NULL REFERENCES run (id) ON DELETE CASCADE,
      position INTEGER NOT NULL,
      mark JSON NOT NULL,
      at DATETIME NOT NULL,
      savedAt DATETIME NOT NULL,
      UNIQUE (runId, position)
    )`,
    `ALTER TABLE run ADD COLUMN block INTEGER NOT NULL DEFAULT 1`,
    `ALTER TABLE run ADD COLUMN rule JSON`,
    `ALTER TABLE run ADD COLUMN cold TINYINT(1) NOT NULL DEFAULT 0`,
    `ALTER TABLE session ADD COLUMN note TEXT NOT NULL DEFAULT ''`,
    `ALTER TABLE session ADD COLUMN groupId TEXT`,
    `ALTER TABLE session ADD COLUMN place INTEGER NOT NULL DEFAULT 1`,
    `CREATE INDEX sessionByGroup ON session (coachId, groupId)`,
  ],
};
