import type { Migration } from '.';

/** Several putters a student, one of them in use, each with what was measured of it: the table anew, as a student had but one. */
export const putters: Migration = {
  name: '012-putters',
  statements: [
    `CREATE TABLE putterAnew (
      id TEXT PRIMARY KEY,
      studentId TEXT NOT NULL REFERENCES student (id) ON DELETE CASCADE,
      headLength REAL NOT NULL CHECK (headLength > 0),
      headDepth REAL NOT NULL CHECK (headDepth > 0),
      lieAngle REAL NOT NULL DEFAULT 1.2217304763960306,
      name TEXT NOT NULL DEFAULT 'Own putter',
      length REAL,
      loft REAL,
      shape TEXT,
      mass REAL,
      inertia REAL,
      grip TEXT NOT NULL DEFAULT '',
      inUse INTEGER NOT NULL DEFAULT 1
    )`,
    `INSERT INTO putterAnew (id, studentId, headLength, headDepth, lieAngle)
      SELECT id, studentId, headLength, headDepth, lieAngle FROM putter`,
    `DROP TABLE putter`,
    `ALTER TABLE putterAnew RENAME TO putter`,
    `CREATE INDEX putterOfStudent ON putter (studentId)`,
  ],
};
