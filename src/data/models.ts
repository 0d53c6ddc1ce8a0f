import type { CreationOptional, ModelStatic, Sequelize } from 'sequelize';
import {
  BOOLEAN,
  DATE,
  DOUBLE,
  INTEGER,
  JSON,
  STRING,
  TEXT,
  TABLE,
  id,
  optionalDate,
  optionalText,
  required,
  type Row,
} from './columns';
import { defineAcademy, type AcademyModels } from './academy-models';
import { definePlanning, type PlanningModels } from './planning-models';
import type { Role } from './principal';

export interface CoachRow extends Row<CoachRow> {
  id: string;
  name: string;
  settings: unknown;
  role: CreationOptional<Role>;
  passphrase: CreationOptional<string | null>;
  archivedAt: CreationOptional<Date | null>;
}

export interface StudentRow extends Row<StudentRow> {
  id: string;
  coachId: string;
  name: string;
  hand: string;
  level: string;
  seated: boolean;
  notes: string;
  school: string;
  kit: unknown;
  groups: CreationOptional<string>;
  archivedAt: CreationOptional<Date | null>;
  /** One more with every change, so that who changes what another has changed is told. */
  version: CreationOptional<number>;
}

export interface PutterRow extends Row<PutterRow> {
  id: string;
  studentId: string;
  headLength: number;
  headDepth: number;
  lieAngle: number;
  name: CreationOptional<string>;
  length: CreationOptional<number | null>;
  loft: CreationOptional<number | null>;
  shape: CreationOptional<string | null>;
  mass: CreationOptional<number | null>;
  inertia: CreationOptional<number | null>;
  grip: CreationOptional<string>;
  /** The one that layouts are fitted to; one of each student's. */
  inUse: CreationOptional<boolean>;
}

export interface DrillRow extends Row<DrillRow> {
  id: string;
  coachId: string;
  name: string;
  archivedAt: CreationOptional<Date | null>;
  origin: CreationOptional<string | null>;
  sharedAt: CreationOptional<Date | null>;
}

export interface DrillVersionRow extends Row<DrillVersionRow> {
  id: string;
  drillId: string;
  number: number;
  layout: unknown;
  details: unknown;
  at: CreationOptional<Date | null>;
}

export interface SessionRow extends Row<SessionRow> {
  id: string;
  coachId: string;
  studentId: string;
  startedAt: Date;
  finishedAt: CreationOptional<Date | null>;
  /** Finished with nothing putted in it: not shown, until a putt comes in late. */
  abandonedAt: CreationOptional<Date | null>;
  note: CreationOptional<string>;
  groupId: CreationOptional<string | null>;
  place: CreationOptional<number>;
  planId: CreationOptional<string | null>;
  homeworkId: CreationOptional<string | null>;
  /** The file that it was taken in from. */
  importId: CreationOptional<string | null>;
}

export interface RunRow extends Row<RunRow> {
  id: string;
  sessionId: string;
  drillVersionId: string;
  drillName: string;
  layout: unknown;
  position: number;
  rung: CreationOptional<number | null>;
  block: CreationOptional<number>;
  rule: CreationOptional<Record<string, unknown> | null>;
  cold: CreationOptional<boolean>;
  planBlock: CreationOptional<string | null>;
  /** One more with everything that is written down of it. */
  revision: CreationOptional<number>;
}

export interface PuttRow extends Row<PuttRow> {
  id: string;
  runId: string;
  position: number;
  outcomes: unknown;
  at: Date;
  savedAt: Date;
  undoneAt: CreationOptional<Date | null>;
  points: CreationOptional<object>;
  guess: CreationOptional<object | null>;
  note: CreationOptional<string>;
  leftOut: CreationOptional<boolean>;
  place: CreationOptional<object | null>;
  manner: CreationOptional<string | null>;
  savedBy: CreationOptional<string | null>;
  measured: CreationOptional<object | null>;
  filled: CreationOptional<object | null>;
  /** The run's, when this was last written. */
  revision: CreationOptional<number>;
}

export interface PuttChangeRow extends Row<PuttChangeRow> {
  id: string;
  puttId: string;
  was: unknown;
  at: Date;
  savedAt: Date;
  savedBy: CreationOptional<string | null>;
}

export interface RunMarkRow extends Row<RunMarkRow> {
  id: string;
  runId: string;
  position: number;
  mark: unknown;
  at: Date;
  savedAt: Date;
  savedBy: CreationOptional<string | null>;
  revision: CreationOptional<number>;
}

export interface GreenRow extends Row<GreenRow> {
  id: string;
  coachId: string;
  name: string;
  notes: string;
  archivedAt: CreationOptional<Date | null>;
  sharedAt: CreationOptional<Date | null>;
}

export interface SpotRow extends Row<SpotRow> {
  id: string;
  greenId: string;
  name: string;
  position: number;
}

export interface ReadingRow extends Row<ReadingRow> {
  id: string;
  greenId: string;
  spotId: string | null;
  at: Date;
  greenSpeed: number;
  slope: unknown;
  rolls: unknown;
  note: string;
}

export interface Models extends PlanningModels, AcademyModels {
  coach: ModelStatic<CoachRow>;
  student: ModelStatic<StudentRow>;
  putter: ModelStatic<PutterRow>;
  drill: ModelStatic<DrillRow>;
  drillVersion: ModelStatic<DrillVersionRow>;
  session: ModelStatic<SessionRow>;
  run: ModelStatic<RunRow>;
  putt: ModelStatic<PuttRow>;
  puttChange: ModelStatic<PuttChangeRow>;
  runMark: ModelStatic<RunMarkRow>;
  green: ModelStatic<GreenRow>;
  spot: ModelStatic<SpotRow>;
  reading: ModelStatic<ReadingRow>;
}

const optionalNumber = () => ({ type: DOUBLE, allowNull: true });

/** A number that is one more each time. */
const counted = () => ({ ...required(INTEGER), defaultValue: 0 });

/** Binds the models to one connection; the tables themselves are made by the migrations. */
export function defineModels(sequelize: Sequelize): Models {
  return {
    coach: sequelize.define<CoachRow>(
      'coach',
      {
        id: id(),
        name: required(STRING),
        settings: required(JSON),
        role: { ...required(STRING), defaultValue: 'head' },
        passphrase: optionalText(),
        archivedAt: optionalDate(),
      },
      TABLE,
    ),
    student: sequelize.define<StudentRow>(
      'student',
      {
        id: id(),
        coachId: required(STRING),
        name: required(STRING),
        hand: required(STRING),
        level: required(STRING),
        seated: required(BOOLEAN),
        notes: required(TEXT),
        school: required(STRING),
        kit: required(JSON),
        groups: { ...required(STRING), defaultValue: '' },
        archivedAt: optionalDate(),
        version: { ...required(INTEGER), defaultValue: 1 },
      },
      TABLE,
    ),
    putter: sequelize.define<PutterRow>(
      'putter',
      {
        id: id(),
        studentId: required(STRING),
        headLength: required(DOUBLE),
        headDepth: required(DOUBLE),
        lieAngle: required(DOUBLE),
        name: { ...required(STRING), defaultValue: 'Own putter' },
        length: optionalNumber(),
        loft: optionalNumber(),
        shape: optionalText(),
        mass: optionalNumber(),
        inertia: optionalNumber(),
        grip: { ...required(STRING), defaultValue: '' },
        inUse: { ...required(BOOLEAN), defaultValue: true },
      },
      TABLE,
    ),
    drill: sequelize.define<DrillRow>(
      'drill',
      {
        id: id(),
        coachId: required(STRING),
        name: required(STRING),
        archivedAt: optionalDate(),
        origin: { type: STRING, allowNull: true },
        sharedAt: optionalDate(),
      },
      TABLE,
    ),
    drillVersion: sequelize.define<DrillVersionRow>(
      'drillVersion',
      {
        id: id(),
        drillId: required(STRING),
        number: required(INTEGER),
        layout: required(JSON),
        details: required(JSON),
        at: optionalDate(),
      },
      TABLE,
    ),
    session: sequelize.define<SessionRow>(
      'session',
      {
        id: id(),
        coachId: required(STRING),
        studentId: required(STRING),
        startedAt: required(DATE),
        finishedAt: optionalDate(),
        abandonedAt: optionalDate(),
        note: { ...required(TEXT), defaultValue: '' },
        groupId: { type: STRING, allowNull: true },
        place: { ...required(INTEGER), defaultValue: 1 },
        planId: optionalText(),
        homeworkId: optionalText(),
        importId: optionalText(),
      },
      TABLE,
    ),
    run: sequelize.define<RunRow>(
      'run',
      {
        id: id(),
        sessionId: required(STRING),
        drillVersionId: required(STRING),
        drillName: required(STRING),
        layout: required(JSON),
        position: required(INTEGER),
        rung: { type: INTEGER, allowNull: true },
        block: { ...required(INTEGER), defaultValue: 1 },
        rule: { type: JSON, allowNull: true },
        cold: { ...required(BOOLEAN), defaultValue: false },
        planBlock: optionalText(),
        revision: counted(),
      },
      TABLE,
    ),
    putt: sequelize.define<PuttRow>(
      'putt',
      {
        id: id(),
        runId: required(STRING),
        position: required(INTEGER),
        outcomes: required(JSON),
        at: required(DATE),
        savedAt: required(DATE),
        undoneAt: optionalDate(),
        points: { ...required(JSON), defaultValue: {} },
        guess: { type: JSON, allowNull: true },
        note: { ...required(TEXT), defaultValue: '' },
        leftOut: { ...required(BOOLEAN), defaultValue: false },
        place: { type: JSON, allowNull: true },
        manner: optionalText(),
        savedBy: optionalText(),
        measured: { type: JSON, allowNull: true },
        filled: { type: JSON, allowNull: true },
        revision: counted(),
      },
      TABLE,
    ),
    puttChange: sequelize.define<PuttChangeRow>(
      'puttChange',
      {
        id: id(),
        puttId: required(STRING),
        was: required(JSON),
        at: required(DATE),
        savedAt: required(DATE),
        savedBy: optionalText(),
      },
      TABLE,
    ),
    runMark: sequelize.define<RunMarkRow>(
      'runMark',
      {
        id: id(),
        runId: required(STRING),
        position: required(INTEGER),
        mark: required(JSON),
        at: required(DATE),
        savedAt: required(DATE),
        savedBy: optionalText(),
        revision: counted(),
      },
      TABLE,
    ),
    green: sequelize.define<GreenRow>(
      'green',
      {
        id: id(),
        coachId: required(STRING),
        name: required(STRING),
        notes: required(TEXT),
        archivedAt: optionalDate(),
        sharedAt: optionalDate(),
      },
      TABLE,
    ),
    spot: sequelize.define<SpotRow>(
      'spot',
      {
        id: id(),
        greenId: required(STRING),
        name: required(STRING),
        position: required(INTEGER),
      },
      TABLE,
    ),
    reading: sequelize.define<ReadingRow>(
      'reading',
      {
        id: id(),
        greenId: required(STRING),
        spotId: { type: STRING, allowNull: true },
        at: required(DATE),
        greenSpeed: required(DOUBLE),
        slope: { type: JSON, allowNull: true },
        rolls: { type: JSON, allowNull: true },
        note: required(TEXT),
      },
      TABLE,
    ),
    ...definePlanning(sequelize),
    ...defineAcademy(sequelize),
  };
}
