import { DataTypes, type CreationOptional, type ModelStatic, type Sequelize } from 'sequelize';
import {
  DATE,
  INTEGER,
  JSON,
  STRING,
  TABLE,
  TEXT,
  id,
  optionalDate,
  optionalText,
  required,
  type Row,
} from './columns';

/** A browser that is signed in. */
export interface DeviceRow extends Row<DeviceRow> {
  id: string;
  coachId: string;
  hash: string;
  name: string;
  /** How it was signed in. */
  way: string;
  madeAt: Date;
  seenAt: Date;
  endedAt: CreationOptional<Date | null>;
}

/** A secret that signs a device in, once. */
export interface TicketRow extends Row<TicketRow> {
  id: string;
  hash: string;
  coachId: string;
  way: string;
  /** The page it leads to. */
  path: string;
  until: Date;
  usedAt: CreationOptional<Date | null>;
}

export interface PasskeyRow extends Row<PasskeyRow> {
  id: string;
  coachId: string;
  publicKey: Buffer;
  counter: number;
  transports: unknown;
  name: string;
  madeAt: Date;
  usedAt: CreationOptional<Date | null>;
}

/** A student shared with another coach. */
export interface ShareRow extends Row<ShareRow> {
  id: string;
  studentId: string;
  coachId: string;
  /** Who agreed to it, and how. */
  consent: string;
  madeAt: Date;
  endedAt: CreationOptional<Date | null>;
}

/** What one change did to one row. */
export interface EventRow extends Row<EventRow> {
  id: string;
  /** Events of one change share it. */
  changeId: string;
  position: number;
  at: Date;
  what: string;
  byCoach: CreationOptional<string | null>;
  byStudent: CreationOptional<string | null>;
  deviceId: CreationOptional<string | null>;
  /** The student, drill, green, session or plan that it is about. */
  about: string;
  kind: 'made' | 'changed' | 'removed';
  tableName: string;
  rowId: string;
  before: CreationOptional<Record<string, unknown> | null>;
  after: CreationOptional<Record<string, unknown> | null>;
  /** The change that took it back. */
  undoneBy: CreationOptional<string | null>;
}

export interface AcademyModels {
  device: ModelStatic<DeviceRow>;
  ticket: ModelStatic<TicketRow>;
  passkey: ModelStatic<PasskeyRow>;
  share: ModelStatic<ShareRow>;
  event: ModelStatic<EventRow>;
}

/** Binds the models of who may do what, and of who did. */
export function defineAcademy(sequelize: Sequelize): AcademyModels {
  return {
    device: sequelize.define<DeviceRow>(
      'device',
      {
        id: id(),
        coachId: required(STRING),
        hash: required(STRING),
        name: required(STRING),
        way: required(STRING),
        madeAt: required(DATE),
        seenAt: required(DATE),
        endedAt: optionalDate(),
      },
      TABLE,
    ),
    ticket: sequelize.define<TicketRow>(
      'ticket',
      {
        id: id(),
        hash: required(STRING),
        coachId: required(STRING),
        way: required(STRING),
        path: required(STRING),
        until: required(DATE),
        usedAt: optionalDate(),
      },
      TABLE,
    ),
    passkey: sequelize.define<PasskeyRow>(
      'passkey',
      {
        id: id(),
        coachId: required(STRING),
        publicKey: required(DataTypes.BLOB),
        counter: required(INTEGER),
        transports: required(JSON),
        name: required(STRING),
        madeAt: required(DATE),
        usedAt: optionalDate(),
      },
      TABLE,
    ),
    share: sequelize.define<ShareRow>(
      'share',
      {
        id: id(),
        studentId: required(STRING),
        coachId: required(STRING),
        consent: required(TEXT),
        madeAt: required(DATE),
        endedAt: optionalDate(),
      },
      TABLE,
    ),
    event: sequelize.define<EventRow>(
      'event',
      {
        id: id(),
        changeId: required(STRING),
        position: required(INTEGER),
        at: required(DATE),
        what: required(STRING),
        byCoach: optionalText(),
        byStudent: optionalText(),
        deviceId: optionalText(),
        about: required(STRING),
        kind: required(STRING),
        tableName: required(STRING),
        rowId: required(STRING),
        before: { type: JSON, allowNull: true },
        after: { type: JSON, allowNull: true },
        undoneBy: optionalText(),
      },
      TABLE,
    ),
  };
}
