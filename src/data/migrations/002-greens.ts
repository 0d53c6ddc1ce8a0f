import type { Migration } from '.';

/** Greens, their spots and what was measured on them. */
export const greens: Migration = {
  name: '002-greens',
  statements: [
    `CREATE TABLE green (
      id TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id),
      name TEXT NOT NULL,
      notes TEXT NOT NULL,
      archivedAt DATETIME
    )`,
    `CREATE INDEX greenByCoach ON green (coachId, name)`,
    `CREATE TABLE spot (
      id TEXT PRIMARY KEY,
      greenId TEXT NOT NULL REFERENCES green (id) ON DELETE CASCADE,
      name TEXT NOT NULL,
      position INTEGER NOT NULL
    )`,
    `CREATE INDEX spotByGreen ON spot (greenId, position)`,
    `CREATE TABLE reading (
      id TEXT PRIMARY KEY,
      greenId TEXT NOT NULL REFERENCES green (id) ON DELETE CASCADE,
      spotId TEXT REFERENCES spot (id) ON DELETE CASCADE,
      at DATETIME NOT NULL,
      greenSpeed REAL NOT NULL CHECK (greenSpeed > 0),
      slope JSON,
      rolls JSON,
      note TEXT NOT NULL
    )`,
    `CREATE INDEX readingByGreen ON reading (greenId, at)`,
  ],
};
