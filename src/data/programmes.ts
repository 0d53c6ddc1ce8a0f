import { v4 } from 'uuid';
import { Op, type Transaction } from 'sequelize';
import { z } from 'zod';
import { dayIn, type Day, type DaysOff } from '@/core/calendar';
import { skillSchema } from '@/core/drill';
import { coachSettings } from '@/core/people';
import {
  programmeOf,
  programmeSchema,
  replan,
  trainedSchema,
  type AppointmentValues,
  type Entry,
  type Need,
  type ProgrammeChange,
  type ProgrammeValues,
} from '@/core/planning';
import type { Database } from './database';
import type { AppointmentRow, ProgrammeRow } from './planning-models';
import { changeIdOf } from './events';
import { scoped, type CoachPrincipal, type Principal } from './principal';
import { notFound } from './problem';
import { SHOWN } from './sessions';
import { getStudent } from './students';

const estimate = z.object({ low: z.number(), middle: z.number(), high: z.number() });
const needsSchema = z.array(
  z.object({
    skill: trainedSchema,
    ratio: z.number(),
    window: estimate,
    known: z.boolean(),
  }),
);

const entrySchema = z.object({
  kind: z.enum(['lesson', 'practice', 'test']),
  skills: z.array(skillSchema),
  retest: skillSchema.nullable(),
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
  coachId: string;
  studentId: string;
  madeAt: Date;
  endedAt: Date | null;
  /** What was needed when it was last made. */
  needs: Need[];
  entries: Appointment[];
  /** Newest first. */
  changes: (ProgrammeChange & { at: Date })[];
}

/** Which dates are asked for. */
interface DatesAsked {
  from: Day;
  until: Day;
  /** Of one student. */
  studentId?: string;
  /** Of the coach's own diary: dates that another coach has with a student who is shared are in theirs only. */
  own?: boolean;
}

/** Dates that a principal reaches from one day to another, both included. */
export async function listAppointments(
  { models }: Database,
  principal: Principal,
  { from, until, studentId, own }: DatesAsked,
): Promise<Appointment[]> {
  // An assistant has no diary of their own: they help with the dates of others.
  const coachId = own && principal.as !== 'assistant' ? principal.coachId : undefined;
  const rows = await models.appointment.findAll({
    where: scoped(principal, 'appointment', {
      day: { [Op.between]: [from, until] },
      ...(studentId && { studentId }),
      ...(coachId && { coachId }),
    }),
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
  principal: CoachPrincipal,
  values: AppointmentValues,
  zone: string,
  id = v4(),
): Promise<string> {
  await getStudent(database, principal, values.studentId);
  const row = { ...values, id, coachId: principal.coachId, zone };
  await database.change(principal, 'appointment added', (transaction) =>
    database.models.appointment.create(row, { transaction }),
  );
  return id;
}

/** Several dates at once that no programme made: all of them, or none; one change, to be taken back as one. */
export async function addAppointments(
  database: Database,
  principal: CoachPrincipal,
  all: readonly AppointmentValues[],
  zone: string,
): Promise<void> {
  for (const studentId of new Set(all.map((one) => one.studentId))) {
    await getStudent(database, principal, studentId);
  }
  await database.change(principal, 'appointments added', async (transaction) => {
    for (const values of all) {
      await database.models.appointment.create(
        { ...values, id: v4(), coachId: principal.coachId, zone },
        { transaction },
      );
    }
  });
}

/** Changes a date; one of a programme keeps what it works on. */
export async function saveAppointment(
  { models, change }: Database,
  principal: CoachPrincipal,
  id: string,
  values: Omit<AppointmentValues, 'studentId'>,
): Promise<void> {
  await change(principal, 'appointment changed', async (transaction) => {
    const row = await models.appointment.findOne({
      where: scoped(principal, 'appointment', { id }, 'change'),
      transaction,
    });
    if (!row) throw notFound('date');
    await row.update(values, { transaction });
  });
}

export async function getAppointment(
  { models }: Database,
  principal: Principal,
  id: string,
): Promise<Appointment> {
  const row = await models.appointment.findOne({ where: scoped(principal, 'appointment', { id }) });
  if (!row) throw notFound('date');
  return toAppointment(row);
}

/**
 * Takes a date out of the diary.
 *
 * @returns the change, to be taken back by
 */
export async function dropAppointment(
  { models, change }: Database,
  principal: CoachPrincipal,
  id: string,
): Promise<string> {
  return change(principal, 'appointment deleted', async (transaction) => {
    const row = await models.appointment.findOne({
      where: scoped(principal, 'appointment', { id }, 'change'),
      transaction,
    });
    if (!row) throw notFound('date');
    await row.destroy({ transaction });
    return changeIdOf(transaction);
  });
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
    coachId: row.coachId,
    studentId: row.studentId,
    madeAt: row.madeAt,
    endedAt: row.endedAt,
    needs: needsSchema.parse(row.needs),
    entries: entries.map(toAppointment),
    changes: changes.map(({ day, words, at }) => ({ day, words, at })),
  };
}

/** Programmes that a principal reaches, the newest first; those that were ended too. */
export async function listProgrammes(
  database: Database,
  principal: Principal,
): Promise<Programme[]> {
  const rows = await database.models.programme.findAll({
    where: scoped(principal, 'programme'),
    order: [['madeAt', 'DESC']],
  });
  return Promise.all(rows.map((row) => toProgramme(database, row)));
}

export async function getProgramme(
  database: Database,
  principal: Principal,
  id: string,
): Promise<Programme> {
  const row = await database.models.programme.findOne({
    where: scoped(principal, 'programme', { id }),
  });
  if (!row) throw notFound('programme');
  return toProgramme(database, row);
}

/** When a coach is off. */
async function daysOffOf({ models }: Database, coachId: string): Promise<DaysOff[]> {
  const row = await models.coach.findByPk(coachId, { rejectOnEmpty: true });
  return coachSettings.parse(row.settings).daysOff;
}

/** Makes a programme, with all its days. */
export async function addProgramme(
  database: Database,
  principal: CoachPrincipal,
  studentId: string,
  values: ProgrammeValues,
  { needs, zone, at, id = v4() }: { needs: Need[]; zone: string; at: Date; id?: string },
): Promise<string> {
  await getStudent(database, principal, studentId);
  const { coachId } = principal;
  const closed = await daysOffOf(database, coachId);
  await database.change(principal, 'programme created', async (transaction) => {
    await database.models.programme.create(
      { id, coachId, studentId, details: values, needs, madeAt: at },
      { transaction },
    );
    const whose = { coachId, studentId, programmeId: id, zone };
    await database.models.appointment.bulkCreate(
      programmeOf(values, needs, [], closed).map((entry) => ({ ...entry, ...whose, id: v4() })),
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
  principal: CoachPrincipal,
  id: string,
  values: ProgrammeValues,
  { needs, zone, at }: { needs: Need[]; zone: string; at: Date },
): Promise<void> {
  const old = await getProgramme(database, principal, id);
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
  const fresh = programmeOf(values, needs, kept, await daysOffOf(database, old.coachId));
  await database.change(principal, 'programme changed', async (transaction) => {
    const row = await database.models.programme.findOne({
      where: scoped(principal, 'programme', { id }, 'change'),
      transaction,
    });
    if (!row) throw notFound('programme');
    await row.update({ details: values, needs }, { transaction });
    const stays = (entry: Entry) => fresh.includes(entry);
    const gone = old.entries.filter(
      (entry) => entry.state === 'planned' && entry.day >= today && !stays(entry),
    );
    await database.models.appointment.destroy({
      where: { id: gone.map((entry) => entry.id) },
      transaction,
    });
    const { coachId } = principal;
    const whose = { coachId, studentId: old.studentId, programmeId: id, zone };
    await database.models.appointment.bulkCreate(
      fresh
        .filter((entry) => entry.day >= today && !('id' in entry))
        .map((entry) => ({ ...entry, ...whose, id: v4() })),
      { transaction },
    );
    await database.models.programmeChange.create(
      { id: v4(), programmeId: id, day: today, words: 'The programme’s days or goal changed.', at },
      { transaction },
    );
  });
}

/** What of an entry can change. */
const changeable = ({ minutes, kind, skills, retest, state }: Entry) => ({
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
  const known = new Map(old.map((row) => [row.id, JSON.stringify(changeable(row))]));
  for (const entry of entries) {
    const values = changeable(entry);
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
  principal: CoachPrincipal,
  id: string,
  { needs, at, zone }: { needs: Need[]; at: Date; zone: string },
): Promise<Programme> {
  const programme = await getProgramme(database, principal, id);
  if (programme.endedAt) return programme;
  const today = dayIn(at, zone);
  const sessions = await database.models.session.findAll({
    where: scoped(principal, 'session', { ...SHOWN, studentId: programme.studentId }),
  });
  const putted = sessions.map(({ startedAt }) => dayIn(startedAt, zone));
  const { entries, gone, changes, reconsidered } = replan(programme, programme.entries, {
    today,
    putted,
    now: needs,
    then: programme.needs,
    closed: await daysOffOf(database, programme.coachId),
  });
  const moved = entries.some((entry) => !programme.entries.includes(entry));
  if (!moved && changes.length === 0) return programme;
  await database.change(principal, 'programme updated', async (transaction) => {
    await writeChanged(database, programme.entries, entries, transaction);
    await database.models.appointment.destroy({
      where: { id: gone.map((entry) => entry.id) },
      transaction,
    });
    await database.models.programmeChange.bulkCreate(
      changes.map((change) => ({ ...change, id: v4(), programmeId: id, at })),
      { transaction },
    );
    if (reconsidered) {
      await database.models.programme.update({ needs }, { where: { id }, transaction });
    }
  });
  return getProgramme(database, principal, id);
}

/** Ends a programme: what is to come of it is taken out of the diary. */
export async function endProgramme(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  endedAt: Date,
): Promise<void> {
  await database.change(principal, 'programme ended', async (transaction) => {
    const row = await database.models.programme.findOne({
      where: scoped(principal, 'programme', { id, endedAt: null }, 'change'),
      transaction,
    });
    if (!row) throw notFound('programme');
    await row.update({ endedAt }, { transaction });
    await database.models.appointment.destroy({
      where: { programmeId: id, state: 'planned' },
      transaction,
    });
  });
}
