import { QueryTypes } from 'sequelize';
import { v4 } from 'uuid';
import type { Migration } from '.';
import { hashOf } from '../secret';

/**
 * Several coaches and who they are; devices that are signed in; students shared with a coach; who changed what. Of secrets
 * only hashes are kept from here on, those of links too.
 */
export const academy: Migration = {
  name: '007-academy',
  statements: [
    `ALTER TABLE coach ADD COLUMN role TEXT NOT NULL DEFAULT 'head' CHECK (role IN ('head', 'coach', 'assistant'))`,
    `ALTER TABLE coach ADD COLUMN passphrase TEXT`,
    `ALTER TABLE coach ADD COLUMN archivedAt DATETIME`,
    `ALTER TABLE student ADD COLUMN version INTEGER NOT NULL DEFAULT 1`,
    `ALTER TABLE drill ADD COLUMN sharedAt DATETIME`,
    `ALTER TABLE green ADD COLUMN sharedAt DATETIME`,
    `ALTER TABLE putt ADD COLUMN savedBy TEXT`,
    `ALTER TABLE puttChange ADD COLUMN savedBy TEXT`,
    `ALTER TABLE runMark ADD COLUMN savedBy TEXT`,
    `CREATE TABLE device (
      id TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id) ON DELETE CASCADE,
      hash TEXT NOT NULL UNIQUE,
      name TEXT NOT NULL,
      way TEXT NOT NULL,
      madeAt DATETIME NOT NULL,
      seenAt DATETIME NOT NULL,
      endedAt DATETIME
    )`,
    `CREATE INDEX deviceByCoach ON device (coachId)`,
    `CREATE TABLE ticket (
      id TEXT PRIMARY KEY,
      hash TEXT NOT NULL UNIQUE,
      coachId TEXT NOT NULL REFERENCES coach (id) ON DELETE CASCADE,
      way TEXT NOT NULL,
      path TEXT NOT NULL,
      until DATETIME NOT NULL,
      usedAt DATETIME
    )`,
    `CREATE TABLE passkey (
      id TEXT PRIMARY KEY,
      coachId TEXT NOT NULL REFERENCES coach (id) ON DELETE CASCADE,
      publicKey BLOB NOT NULL,
      counter INTEGER NOT NULL,
      transports JSON NOT NULL,
      name TEXT NOT NULL,
      madeAt DATETIME NOT NULL,
      usedAt DATETIME
    )`,
    `CREATE INDEX passkeyByCoach ON passkey (coachId)`,
    `CREATE TABLE share (
      id TEXT PRIMARY KEY,
      studentId TEXT NOT NULL REFERENCES student (id) ON DELETE CASCADE,
      coachId TEXT NOT NULL REFERENCES coach (id) ON DELETE CASCADE,
      consent TEXT NOT NULL,
      madeAt DATETIME NOT NULL,
      endedAt DATETIME
    )`,
    `CREATE INDEX shareByCoach ON share (coachId, endedAt)`,
    `CREATE TABLE event (
      id TEXT PRIMARY KEY,
      changeId TEXT NOT NULL,
      position INTEGER NOT NULL,
      at DATETIME NOT NULL,
      what TEXT NOT NULL,
      byCoach TEXT,
      byStudent TEXT,
      deviceId TEXT,
      about TEXT NOT NULL,
      kind TEXT NOT NULL CHECK (kind IN ('made', 'changed', 'removed')),
      tableName TEXT NOT NULL,
      rowId TEXT NOT NULL,
      before JSON,
      after JSON,
      undoneBy TEXT
    )`,
    `CREATE INDEX eventByAbout ON event (about, at)`,
    `CREATE INDEX eventByRow ON event (tableName, rowId)`,
    `CREATE INDEX eventByChange ON event (changeId)`,
    `CREATE TABLE linkKept (
      id TEXT PRIMARY KEY,
      hash TEXT NOT NULL UNIQUE,
      coachId TEXT NOT NULL REFERENCES coach (id) ON DELETE CASCADE,
      studentId TEXT REFERENCES student (id) ON DELETE CASCADE,
      madeAt DATETIME NOT NULL,
      until DATETIME,
      openedAt DATETIME,
      endedAt DATETIME
    )`,
  ],
  async fill(sequelize, transaction) {
    // What stood in dropped pages must not be read from the file.
    await sequelize.query('PRAGMA secure_delete = ON', { transaction });
    const links = await sequelize.query<{ token: string }>('SELECT token FROM link', {
      transaction,
      type: QueryTypes.SELECT,
    });
    for (const { token } of links) {
      await sequelize.query(
        `INSERT INTO linkKept (id, hash, coachId, studentId, madeAt, endedAt)
         SELECT :id, :hash, coachId, studentId, madeAt, endedAt FROM link WHERE token = :token`,
        { transaction, replacements: { id: v4(), hash: hashOf(token), token } },
      );
    }
    await sequelize.query('DROP TABLE link', { transaction });
    await sequelize.query('ALTER TABLE linkKept RENAME TO link', { transaction });
    await sequelize.query('CREATE INDEX linkByStudent ON link (studentId)', { transaction });
  },
};
