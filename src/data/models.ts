import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

type Row<M extends Model> = Model<InferAttributes<M>, InferCreationAttributes<M>>;

export interface CoachRow extends Row<CoachRow> {
  id: string;
  name: string;
  settings: unknown;
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
  archivedAt: CreationOptional<Date | null>;
}

export interface PutterRow extends Row<PutterRow> {
  id: string;
  studentId: string;
  headLength: number;
  headDepth: number;
  lieAngle: number;
}

export interface DrillRow extends Row<DrillRow> {
  id: string;
  coachId: string;
  name: string;
  archivedAt: CreationOptional<Date | null>;
  origin: CreationOptional<string | null>;
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
  note: CreationOptional<string>;
  groupId: CreationOptional<string | null>;
  place: CreationOptional<number>;
  planId: CreationOptional<string | null>;
  homeworkId: CreationOptional<string | null>;
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
}

export interface PuttChangeRow extends Row<PuttChangeRow> {
  id: string;
  puttId: string;
  was: unknown;
  at: Date;
  savedAt: Date;
}

export interface RunMarkRow extends Row<RunMarkRow> {
  id: string;
  runId: string;
  position: number;
  mark: unknown;
  at: Date;
  savedAt: Date;
}

export interface GreenRow extends Row<GreenRow> {
  id: string;
  coachId: string;
  name: string;
  notes: string;
  archivedAt: CreationOptional<Date | null>;
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

export interface PlanRow extends Row<PlanRow> {
  id: string;
  coachId: string;
  details: unknown;
  madeAt: Date;
  archivedAt: CreationOptional<Date | null>;
}

export interface ProgrammeRow extends Row<ProgrammeRow> {
  id: string;
  coachId: string;
  studentId: string;
  details: unknown;
  needs: unknown;
  madeAt: Date;
  endedAt: CreationOptional<Date | null>;
}

export interface ProgrammeChangeRow extends Row<ProgrammeChangeRow> {
  id: string;
  programmeId: string;
  day: string;
  words: string;
  at: Date;
}

export interface AppointmentRow extends Row<AppointmentRow> {
  id: string;
  coachId: string;
  studentId: string;
  programmeId: CreationOptional<string | null>;
  planId: CreationOptional<string | null>;
  day: string;
  time: string | null;
  zone: string;
  minutes: number;
  kind: string;
  skills: CreationOptional<string[]>;
  retest: CreationOptional<string | null>;
  state: CreationOptional<string>;
  note: CreationOptional<string>;
}

export interface HomeworkRow extends Row<HomeworkRow> {
  id: string;
  coachId: string;
  studentId: string;
  drillId: string;
  rung: CreationOptional<number | null>;
  timesAWeek: number;
  from: string;
  until: string;
  note: string;
  givenAt: Date;
  endedAt: CreationOptional<Date | null>;
}

export interface LinkRow extends Row<LinkRow> {
  token: string;
  coachId: string;
  studentId: CreationOptional<string | null>;
  madeAt: Date;
  endedAt: CreationOptional<Date | null>;
}

export interface Models {
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
  plan: ModelStatic<PlanRow>;
  programme: ModelStatic<ProgrammeRow>;
  programmeChange: ModelStatic<ProgrammeChangeRow>;
  appointment: ModelStatic<AppointmentRow>;
  homework: ModelStatic<HomeworkRow>;
  link: ModelStatic<LinkRow>;
}

const { STRING, TEXT, DOUBLE, INTEGER, BOOLEAN, DATE, JSON } = DataTypes;

// Made anew for each column: Sequelize writes the column's name into what it is given.
const id = () => ({ type: STRING, primaryKey: true });
const required = <T>(type: T) => ({ type, allowNull: false });
const optionalDate = () => ({ type: DATE, allowNull: true });
const optionalText = () => ({ type: STRING, allowNull: true });

/** Binds the models to one connection; the tables themselves are made by the migrations. */
export function defineModels(sequelize: Sequelize): Models {
  const options = { timestamps: false, freezeTableName: true };
  return {
    coach: sequelize.define<CoachRow>(
      'coach',
      { id: id(), name: required(STRING), settings: required(JSON) },
      options,
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
        archivedAt: optionalDate(),
      },
      options,
    ),
    putter: sequelize.define<PutterRow>(
      'putter',
      {
        id: id(),
        studentId: required(STRING),
        headLength: required(DOUBLE),
        headDepth: required(DOUBLE),
        lieAngle: required(DOUBLE),
      },
      options,
    ),
    drill: sequelize.define<DrillRow>(
      'drill',
      {
        id: id(),
        coachId: required(STRING),
        name: required(STRING),
        archivedAt: optionalDate(),
        origin: { type: STRING, allowNull: true },
      },
      options,
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
      options,
    ),
    session: sequelize.define<SessionRow>(
      'session',
      {
        id: id(),
        coachId: required(STRING),
        studentId: required(STRING),
        startedAt: required(DATE),
        finishedAt: optionalDate(),
        note: { ...required(TEXT), defaultValue: '' },
        groupId: { type: STRING, allowNull: true },
        place: { ...required(INTEGER), defaultValue: 1 },
        planId: optionalText(),
        homeworkId: optionalText(),
      },
      options,
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
      },
      options,
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
      },
      options,
    ),
    puttChange: sequelize.define<PuttChangeRow>(
      'puttChange',
      {
        id: id(),
        puttId: required(STRING),
        was: required(JSON),
        at: required(DATE),
        savedAt: required(DATE),
      },
      options,
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
      },
      options,
    ),
    green: sequelize.define<GreenRow>(
      'green',
      {
        id: id(),
        coachId: required(STRING),
        name: required(STRING),
        notes: required(TEXT),
        archivedAt: optionalDate(),
      },
      options,
    ),
    spot: sequelize.define<SpotRow>(
      'spot',
      {
        id: id(),
        greenId: required(STRING),
        name: required(STRING),
        position: required(INTEGER),
      },
      options,
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
      options,
    ),
    plan: sequelize.define<PlanRow>(
      'plan',
      {
        id: id(),
        coachId: required(STRING),
        details: required(JSON),
        madeAt: required(DATE),
        archivedAt: optionalDate(),
      },
      options,
    ),
    programme: sequelize.define<ProgrammeRow>(
      'programme',
      {
        id: id(),
        coachId: required(STRING),
        studentId: required(STRING),
        details: required(JSON),
        needs: required(JSON),
        madeAt: required(DATE),
        endedAt: optionalDate(),
      },
      options,
    ),
    programmeChange: sequelize.define<ProgrammeChangeRow>(
      'programmeChange',
      {
        id: id(),
        programmeId: required(STRING),
        day: required(STRING),
        words: required(TEXT),
        at: required(DATE),
      },
      options,
    ),
    appointment: sequelize.define<AppointmentRow>(
      'appointment',
      {
        id: id(),
        coachId: required(STRING),
        studentId: required(STRING),
        programmeId: optionalText(),
        planId: optionalText(),
        day: required(STRING),
        time: optionalText(),
        zone: required(STRING),
        minutes: required(INTEGER),
        kind: required(STRING),
        skills: { ...required(JSON), defaultValue: [] },
        retest: optionalText(),
        state: { ...required(STRING), defaultValue: 'planned' },
        note: { ...required(TEXT), defaultValue: '' },
      },
      options,
    ),
    homework: sequelize.define<HomeworkRow>(
      'homework',
      {
        id: id(),
        coachId: required(STRING),
        studentId: required(STRING),
        drillId: required(STRING),
        rung: { type: INTEGER, allowNull: true },
        timesAWeek: required(INTEGER),
        from: required(STRING),
        until: required(STRING),
        note: required(TEXT),
        givenAt: required(DATE),
        endedAt: optionalDate(),
      },
      options,
    ),
    link: sequelize.define<LinkRow>(
      'link',
      {
        token: id(),
        coachId: required(STRING),
        studentId: optionalText(),
        madeAt: required(DATE),
        endedAt: optionalDate(),
      },
      options,
    ),
  };
}
