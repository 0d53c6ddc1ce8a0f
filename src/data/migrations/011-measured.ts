import type { Migration } from '.';

/** What instruments read of a putt, the instruments themselves, and what was taken in from files. */
export const measured: Migration = {
  name: '011-measured',
  statements: [
    `ALTER TABLE putt ADD COLUMN measured JSON`,
    `ALTER TABLE putt ADD COLUMN filled JSON`,
    `CREATE INDEX puttMeasured ON putt (runId, at) WHERE measured IS NOT NULL`,
    `CREATE TABLE instrument (
      id TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id),
      hash TEXT NOT NULL UNIQUE,
      name TEXT NOT NULL,
      madeAt DATETIME NOT NULL,
      seenAt DATETIME,
      endedAt DATETIME,
      sessionId TEXT REFERENCES session (id) ON DELETE SET NULL
    )`,
    `CREATE TABLE instrumentLine (
      id TEXT PRIMARY KEY,
      instrumentId TEXT NOT NULL REFERENCES instrument (id),
      lineId TEXT NOT NULL,
      at DATETIME NOT NULL,
      receivedAt DATETIME NOT NULL,
      line TEXT NOT NULL,
      state TEXT NOT NULL,
      reason TEXT NOT NULL DEFAULT '',
      puttId TEXT REFERENCES putt (id) ON DELETE CASCADE,
      UNIQUE (instrumentId, lineId)
    )`,
    `CREATE INDEX lineByPutt ON instrumentLine (puttId)`,
    `CREATE TABLE import (
      id TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id),
      name TEXT NOT NULL,
      at DATETIME NOT NULL,
      undoneAt DATETIME,
      putts INTEGER NOT NULL,
      sessions INTEGER NOT NULL
    )`,
    `ALTER TABLE session ADD COLUMN importId TEXT REFERENCES import (id)`,
    `CREATE INDEX sessionByImport ON session (importId)`,
    `CREATE TABLE mapping (
      id TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id),
      headings TEXT NOT NULL,
      details JSON NOT NULL,
      at DATETIME NOT NULL,
      UNIQUE (coachId, headings)
    )`,
  ],
};
