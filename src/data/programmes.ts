import { v4 } from 'uuid';
import { Op, type Transaction } from 'sequelize';
import { z } from 'zod';
import { SKILLS } from '@/core/drill';
import {
  dayIn,
  programmeOf,
  programmeSchema,
  replan,
  TRAINED,
  type AppointmentValues,
  type Day,
  type Entry,
  type Need,
  type ProgrammeChange,
  type ProgrammeValues,
} from '@/core/planning';
import type { Database } from './database';
import type { AppointmentRow, ProgrammeRow } from './planning-models';
import { notFound } from './problem';
import { getStudent } from './students';

const estimate = z.object({ low: z.number(), middle: z.number(), high: z.number() });
const needsSchema = z.array(
  z.object({
    skill: z.enum(TRAINED),
    ratio: z.number(),
    window: estimate,
    known: z.boolean(),
  }),
);

const entrySchema = z.object({
  kind: z.enum(['lesson', 'practice', 'test']),
  skills: z.array(z.enum(SKILLS)),
  retest: z.enum(SKILLS).nullable(),
  state: z.enum(['planned', 'done', 'missed']),
});

/** A date in the diary: of a programme, or on its own. */
export interface Appointment extends Entry {
  id: string;
  studentId: string;
  programmeId: string | null;
  planId: string | null;
  zone: string;
  note: string;
}

const toAppointment = (row: AppointmentRow): Appointment => {
  const { kind, skills, retest, state } = row;
  const { id, studentId, programmeId, planId, day, time, zone, minutes, note } = row;
  return {
    ...entrySchema.parse({ kind, skills, retest: retest ?? null, state }),
    ...{ id, studentId, programmeId, planId, day, time, zone, minutes, note },
  };
};

/** Weeks of lessons and practice for one student. */
export interface Programme extends ProgrammeValues {
  id: string;
  studentId: string;
  madeAt: Date;
  endedAt: Date | null;
  /** What was needed when it was last made. */
  needs: Need[];
  entries: Appointment[];
  /** Newest first. */
  changes: (ProgrammeChange & { at: Date })[];
}

/** Dates of a coach from one day to another, both included; of one student when named. */
export async function listAppointments(
  { models }: Database,
  owner: string,
  { from, until, studentId }: { from: Day; until: Day; studentId?: string },
): Promise<Appointment[]> {
  const rows = await models.appointment.findAll({
    where: {
      coachId: owner,
      day: { [Op.between]: [from, until] },
      ...(studentId && { studentId }),
    },
    order: [
      ['day', 'ASC'],
      ['time', 'ASC'],
    ],
  });
  return rows.map(toAppointment);
}

/** A date that no programme made. */
export async function addAppointment(
  database: Database,
  owner: string,
  values: AppointmentValues,
  zone: string,
  id = v4(),
): Promise<string> {
  await getStudent(database, owner, values.studentId);
  await database.models.appointment.create({ ...values, id, coachId: owner, zone });
  return id;
}

/** Changes a date; one of a programme keeps what it works on. */
export async function saveAppointment(
  { models }: Database,
  owner: string,
  id: string,
  values: Omit<AppointmentValues, 'studentId'>,
): Promise<void> {
  const [changed] = await models.appointment.update(values, { where: { id, coachId: owner } });
  if (changed === 0) throw notFound('date');
}

export async function getAppointment(
  { models }: Database,
  owner: string,
  id: string,
): Promise<Appointment> {
  const row = await models.appointment.findOne({ where: { id, coachId: owner } });
  if (!row) throw notFound('date');
  return toAppointment(row);
}

/** Takes a date out of the diary. */
export async function dropAppointment(
  { models }: Database,
  owner: string,
  id: string,
): Promise<void> {
  const dropped = await models.appointment.destroy({ where: { id, coachId: owner } });
  if (dropped === 0) throw notFound('date');
}

async function toProgramme({ models }: Database, row: ProgrammeRow): Promise<Programme> {
  const entries = await models.appointment.findAll({
    where: { programmeId: row.id },
    order: [
      ['day', 'ASC'],
      ['time', 'ASC'],
    ],
  });
  const changes = await models.programmeChange.findAll({
    where: { programmeId: row.id },
    order: [
      ['at', 'DESC'],
      ['day', 'ASC'],
    ],
  });
  return {
    ...programmeSchema.parse(row.details),
    id: row.id,
    studentId: row.studentId,
    madeAt: row.madeAt,
    endedAt: row.endedAt,
    needs: needsSchema.parse(row.needs),
    entries: entries.map(toAppointment),
    changes: changes.map(({ day, words, at }) => ({ day, words, at })),
  };
}

/** Programmes of a coach, the newest first; those that were ended too. */
export async function listProgrammes(database: Database, owner: string): Promise<Programme[]> {
  const rows = await database.models.programme.findAll({
    where: { coachId: owner },
    order: [['madeAt', 'DESC']],
  });
  return Promise.all(rows.map((row) => toProgramme(database, row)));
}

export async function getProgramme(
  database: Database,
  owner: string,
  id: string,
): Promise<Programme> {
  const row = await database.models.programme.findOne({ where: { id, coachId: owner } });
  if (!row) throw notFound('programme');
  return toProgramme(database, row);
}

/** Makes a programme, with all its days. */
export async function addProgramme(
  database: Database,
  owner: string,
  studentId: string,
  values: ProgrammeValues,
  { needs, zone, at, id = v4() }: { needs: Need[]; zone: string; at: Date; id?: string },
): Promise<string> {
  await getStudent(database, owner, studentId);
  await database.atomically(async (transaction) => {
    await database.models.programme.create(
      { id, coachId: owner, studentId, details: values, needs, madeAt: at },
      { transaction },
    );
    const whose = { coachId: owner, studentId, programmeId: id, zone };
    await database.models.appointment.bulkCreate(
      programmeOf(values, needs).map((entry) => ({ ...entry, ...whose, id: v4() })),
      { transaction },
    );
  });
  return id;
}

/**
 * Changes what a programme is to be. Days that still fall where they were stay as they are; what is past stays in any case.
 */
export async function saveProgramme(
  database: Database,
  owner: string,
  id: string,
  values: ProgrammeValues,
  { needs, zone, at }: { needs: Need[]; zone: string; at: Date },
): Promise<void> {
  const old = await getProgramme(database, owner, id);
  const today = dayIn(at, zone);
  const slots = (entry: Entry) =>
    values.slots.some(
      ({ time, minutes, kind }) =>
        time === entry.time &&
        minutes === entry.minutes &&
        (entry.kind === 'test' || entry.kind === kind),
    );
  const kept = old.entries.filter(
    (entry) => entry.state !== 'planned' || entry.day < today || slots(entry),
  );
  const fresh = programmeOf(values, needs, kept);
  await database.atomically(async (transaction) => {
    await database.models.programme.update(
      { details: values, needs },
      { where: { id, coachId: owner }, transaction },
    );
    const stays = (entry: Entry) => fresh.includes(entry);
    const gone = old.entries.filter(
      (entry) => entry.state === 'planned' && entry.day >= today && !stays(entry),
    );
    await database.models.appointment.destroy({
      where: { id: gone.map((entry) => entry.id) },
      transaction,
    });
    const whose = { coachId: owner, studentId: old.studentId, programmeId: id, zone };
    await database.models.appointment.bulkCreate(
      fresh
        .filter((entry) => entry.day >= today && !('id' in entry))
        .map((entry) => ({ ...entry, ...whose, id: v4() })),
      { transaction },
    );
    await database.models.programmeChange.create(
      { id: v4(), programmeId: id, day: today, words: 'Its days or its aim were changed.', at },
      { transaction },
    );
  });
}

/** What of an entry can change. */
const changing = ({ minutes, kind, skills, retest, state }: Entry) => ({
  minutes,
  kind,
  skills,
  retest,
  state,
});

/** Writes what has changed of some dates; rows that stay the same are left alone. */
async function writeChanged(
  { models }: Database,
  old: Appointment[],
  entries: Appointment[],
  transaction: Transaction,
): Promise<void> {
  const known = new Map(old.map((row) => [row.id, JSON.stringify(changing(row))]));
  for (const entry of entries) {
    const values = changing(entry);
    if (known.get(entry.id) === JSON.stringify(values)) continue;
    await models.appointment.update(values, { where: { id: entry.id }, transaction });
  }
}

/**
 * Brings a programme up to date with what was putted and what is known now; what changes is kept with its reason.
 *
 * @param needs what is needed as it is known now
 * @param at now
 * @param zone where the days are counted
 */
export async function refreshProgramme(
  database: Database,
  owner: string,
  id: string,
  { needs, at, zone }: { needs: Need[]; at: Date; zone: string },
): Promise<Programme> {
  const programme = await getProgramme(database, owner, id);
  if (programme.endedAt) return programme;
  const today = dayIn(at, zone);
  const sessions = await database.models.session.findAll({
    where: { coachId: owner, studentId: programme.studentId },
  });
  const putted = sessions.map(({ startedAt }) => dayIn(startedAt, zone));
  const { entries, changes, reconsidered } = replan(programme, programme.entries, {
    today,
    putted,
    now: needs,
    then: programme.needs,
  });
  const moved = entries.some((entry, i) => entry !== programme.entries[i]);
  if (!moved && changes.length === 0) return programme;
  await database.atomically(async (transaction) => {
    await writeChanged(database, programme.entries, entries, transaction);
    await database.models.programmeChange.bulkCreate(
      changes.map((change) => ({ ...change, id: v4(), programmeId: id, at })),
      { transaction },
    );
    if (reconsidered) {
      await database.models.programme.update({ needs }, { where: { id }, transaction });
    }
  });
  return getProgramme(database, owner, id);
}

/** Ends a programme: what is to come of it is taken out of the diary. */
export async function endProgramme(
  database: Database,
  owner: string,
  id: string,
  endedAt: Date,
): Promise<void> {
  await database.atomically(async (transaction) => {
    const [changed] = await database.models.programme.update(
      { endedAt },
      { where: { id, coachId: owner, endedAt: null }, transaction },
    );
    if (changed === 0) throw notFound('programme');
    await database.models.appointment.destroy({
      where: { programmeId: id, state: 'planned' },
      transaction,
    });
  });
}
