import type { Migration } from '.';

/** Plans of sessions, programmes and their dates, homework, and the links that lead to what is shown without the coach. */
export const planning: Migration = {
  name: '005-planning',
  statements: [
    `CREATE TABLE plan (
      id TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id) ON DELETE CASCADE,
      details JSON NOT NULL,
      madeAt DATETIME NOT NULL,
      archivedAt DATETIME
    )`,
    `CREATE INDEX planByCoach ON plan (coachId)`,
    `CREATE TABLE programme (
      id TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id) ON DELETE CASCADE,
      studentId TEXT NOT NULL REFERENCES student (id) ON DELETE CASCADE,
      details JSON NOT NULL,
      needs JSON NOT NULL,
      madeAt DATETIME NOT NULL,
      endedAt DATETIME
    )`,
    `CREATE INDEX programmeByStudent ON programme (studentId)`,
    `CREATE TABLE programmeChange (
      id TEXT PRIMARY KEY,
      programmeId TEXT NOT NULL REFERENCES programme (id) ON DELETE CASCADE,
      day TEXT NOT NULL,
      words TEXT NOT NULL,
      at DATETIME NOT NULL
    )`,
    `CREATE INDEX changeByProgramme ON programmeChange (programmeId)`,
    `CREATE TABLE appointment (
      id TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id) ON DELETE CASCADE,
      studentId TEXT NOT NULL REFERENCES student (id) ON DELETE CASCADE,
      programmeId TEXT REFERENCES programme (id) ON DELETE CASCADE,
      planId TEXT REFERENCES plan (id) ON DELETE SET NULL,
      day TEXT NOT NULL,
      time TEXT,
      zone TEXT NOT NULL,
      minutes INTEGER NOT NULL,
      kind TEXT NOT NULL,
      skills JSON NOT NULL,
      retest TEXT,
      state TEXT NOT NULL,
      note TEXT NOT NULL
    )`,
    `CREATE INDEX appointmentByDay ON appointment (coachId, day)`,
    `CREATE INDEX appointmentByProgramme ON appointment (programmeId)`,
    `CREATE TABLE homework (
      id TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id) ON DELETE CASCADE,
      studentId TEXT NOT NULL REFERENCES student (id) ON DELETE CASCADE,
      drillId TEXT NOT NULL REFERENCES drill (id),
      rung INTEGER,
      timesAWeek INTEGER NOT NULL,
      "from" TEXT NOT NULL,
      until TEXT NOT NULL,
      note TEXT NOT NULL,
      givenAt DATETIME NOT NULL,
      endedAt DATETIME
    )`,
    `CREATE INDEX homeworkByStudent ON homework (studentId)`,
    `CREATE TABLE link (
      token TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id) ON DELETE CASCADE,
      studentId TEXT REFERENCES student (id) ON DELETE CASCADE,
      madeAt DATETIME NOT NULL,
      endedAt DATETIME
    )`,
    `ALTER TABLE session ADD COLUMN planId TEXT REFERENCES plan (id) ON DELETE SET NULL`,
    `ALTER TABLE session ADD COLUMN homeworkId TEXT REFERENCES homework (id) ON DELETE SET NULL`,
    `ALTER TABLE run ADD COLUMN planBlock TEXT`,
  ],
};
