import type { Migration } from '.';

/** Coach, students and their putters, drills and their versions, sessions, runs and putts. */
export const first: Migration = {
  name: '001-first',
  statements: [
    `CREATE TABLE coach (
      id TEXT PRIMARY KEY,
      name TEXT NOT NULL,
      settings JSON NOT NULL
    )`,
    `CREATE TABLE student (
      id TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id),
      name TEXT NOT NULL,
      hand TEXT NOT NULL CHECK (hand IN ('left', 'right')),
      level TEXT NOT NULL,
      seated TINYINT(1) NOT NULL,
      notes TEXT NOT NULL,
      archivedAt DATETIME
    )`,
    `CREATE INDEX studentByCoach ON student (coachId, name)`,
    `CREATE TABLE putter (
      id TEXT PRIMARY KEY,
      studentId TEXT NOT NULL UNIQUE REFERENCES student (id) ON DELETE CASCADE,
      headLength REAL NOT NULL CHECK (headLength > 0),
      headDepth REAL NOT NULL CHECK (headDepth > 0)
    )`,
    `CREATE TABLE drill (
      id TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id),
      name TEXT NOT NULL,
      archivedAt DATETIME
    )`,
    `CREATE INDEX drillByCoach ON drill (coachId, name)`,
    `CREATE TABLE drillVersion (
      id TEXT PRIMARY KEY,
      drillId TEXT NOT NULL REFERENCES drill (id) ON DELETE CASCADE,
      number INTEGER NOT NULL,
      layout JSON NOT NULL,
      UNIQUE (drillId, number)
    )`,
    `CREATE TABLE session (
      id TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id),
      studentId TEXT NOT NULL REFERENCES student (id),
      startedAt DATETIME NOT NULL,
      finishedAt DATETIME
    )`,
    `CREATE INDEX sessionByStudent ON session (coachId, studentId, startedAt)`,
    `CREATE TABLE run (
      id TEXT PRIMARY KEY,
      sessionId TEXT NOT NULL REFERENCES session (id) ON DELETE CASCADE,
      drillVersionId TEXT NOT NULL REFERENCES drillVersion (id),
      drillName TEXT NOT NULL,
      layout JSON NOT NULL,
      position INTEGER NOT NULL,
      UNIQUE (sessionId, position)
    )`,
    `CREATE TABLE putt (
      id TEXT PRIMARY KEY,
      runId TEXT NOT NULL REFERENCES run (id) ON DELETE CASCADE,
      position INTEGER NOT NULL,
      outcomes JSON NOT NULL,
      at DATETIME NOT NULL,
      savedAt DATETIME NOT NULL,
      undoneAt DATETIME,
      UNIQUE (runId, position)
    )`,
  ],
};
