import type { CreationOptional, ModelStatic, Sequelize } from 'sequelize';
import {
  DATE,
  DOUBLE,
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

export interface HomeworkWordRow extends Row<HomeworkWordRow> {
  id: string;
  homeworkId: string;
  coachId: CreationOptional<string | null>;
  feel: CreationOptional<number | null>;
  text: string;
  photo: CreationOptional<string | null>;
  at: Date;
}

export interface LinkRow extends Row<LinkRow> {
  id: string;
  hash: string;
  coachId: string;
  studentId: CreationOptional<string | null>;
  madeAt: Date;
  until: CreationOptional<Date | null>;
  openedAt: CreationOptional<Date | null>;
  endedAt: CreationOptional<Date | null>;
}

export interface HomeCarpetRow extends Row<HomeCarpetRow> {
  studentId: string;
  greenSpeed: number;
  height: number;
  there: number;
  back: number;
  at: Date;
}

export interface PlanningModels {
  plan: ModelStatic<PlanRow>;
  programme: ModelStatic<ProgrammeRow>;
  programmeChange: ModelStatic<ProgrammeChangeRow>;
  appointment: ModelStatic<AppointmentRow>;
  homework: ModelStatic<HomeworkRow>;
  homeworkWord: ModelStatic<HomeworkWordRow>;
  homeCarpet: ModelStatic<HomeCarpetRow>;
  link: ModelStatic<LinkRow>;
}

/** Binds the models of plans, programmes, homework and links. */
export function definePlanning(sequelize: Sequelize): PlanningModels {
  return {
    plan: sequelize.define<PlanRow>(
      'plan',
      {
        id: id(),
        coachId: required(STRING),
        details: required(JSON),
        madeAt: required(DATE),
        archivedAt: optionalDate(),
      },
      TABLE,
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
      TABLE,
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
      TABLE,
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
      TABLE,
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
      TABLE,
    ),
    homeworkWord: sequelize.define<HomeworkWordRow>(
      'homeworkWord',
      {
        id: id(),
        homeworkId: required(STRING),
        coachId: optionalText(),
        feel: { type: INTEGER, allowNull: true },
        text: required(TEXT),
        photo: { type: TEXT, allowNull: true },
        at: required(DATE),
      },
      TABLE,
    ),
    homeCarpet: sequelize.define<HomeCarpetRow>(
      'homeCarpet',
      {
        studentId: id(),
        greenSpeed: required(DOUBLE),
        height: required(DOUBLE),
        there: required(DOUBLE),
        back: required(DOUBLE),
        at: required(DATE),
      },
      TABLE,
    ),
    link: sequelize.define<LinkRow>(
      'link',
      {
        id: id(),
        hash: required(STRING),
        coachId: required(STRING),
        studentId: optionalText(),
        madeAt: required(DATE),
        until: optionalDate(),
        openedAt: optionalDate(),
        endedAt: optionalDate(),
      },
      TABLE,
    ),
  };
}
