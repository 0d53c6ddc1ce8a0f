import { v4 } from 'uuid';
import {
  currentOf,
  rollsSchema,
  slopeSchema,
  type Current,
  type ReadingValues,
} from '@/core/green';
import type { Read } from '@/core/layout';
import { changeOwn } from './change-own';
import type { Database } from './database';
import { changeIdOf } from './events';
import { scoped, type CoachPrincipal, type Principal } from './principal';
import { Problem, notFound } from './problem';
import type { GreenRow, ReadingRow } from './models';

export interface Reading extends ReadingValues {
  id: string;
}

/** A green with its spots in order and its readings, newest first. */
export interface Green {
  id: string;
  name: string;
  notes: string;
  /** Whose green it is. */
  coachId: string;
  archivedAt: Date | null;
  /** Since when all coaches of the academy have it; null while it is its coach's alone. */
  sharedAt: Date | null;
  spots: { id: string; name: string }[];
  readings: Reading[];
}

/** What a coach says of a green; a spot without an id is new, one that is left out is removed with its readings. */
export interface GreenValues {
  name: string;
  notes: string;
  spots: { id?: string; name: string }[];
}

/** A green, or one spot of it. */
export interface GreenSpot {
  greenId: string;
  spotId: string | null;
}

const toReading = (row: ReadingRow): Reading => ({
  id: row.id,
  at: row.at,
  spotId: row.spotId,
  greenSpeed: row.greenSpeed,
  slope: slopeSchema.nullable().parse(row.slope),
  rolls: rollsSchema.nullable().parse(row.rolls),
  note: row.note,
});

async function withParts({ models }: Database, rows: GreenRow[]): Promise<Green[]> {
  const where = { greenId: rows.map(({ id }) => id) };
  const spots = await models.spot.findAll({ where, order: [['position', 'ASC']] });
  const readings = await models.reading.findAll({ where, order: [['at', 'DESC']] });
  return rows.map(({ id, name, notes, coachId, archivedAt, sharedAt }) => ({
    id,
    name,
    notes,
    coachId,
    archivedAt,
    sharedAt,
    spots: spots
      .filter(({ greenId }) => greenId === id)
      .map((row) => ({ id: row.id, name: row.name })),
    readings: readings.filter(({ greenId }) => greenId === id).map(toReading),
  }));
}

/** All greens that a principal reaches, archived ones too, by name. */
export async function listGreens(database: Database, principal: Principal): Promise<Green[]> {
  const rows = await database.models.green.findAll({
    where: scoped(principal, 'green'),
    order: [['name', 'ASC']],
  });
  return withParts(database, rows);
}

export async function getGreen(
  database: Database,
  principal: Principal,
  id: string,
): Promise<Green> {
  const row = await database.models.green.findOne({ where: scoped(principal, 'green', { id }) });
  const [green] = row ? await withParts(database, [row]) : [];
  if (!green) throw notFound('green');
  return green;
}

export async function addGreen(
  { models, change }: Database,
  principal: CoachPrincipal,
  { name, notes, spots }: GreenValues,
  id = v4(),
): Promise<string> {
  const { coachId } = principal;
  await change(principal, 'green added', async (transaction) => {
    await models.green.create({ id, coachId, name, notes }, { transaction });
    await models.spot.bulkCreate(
      spots.map((spot, position) => ({
        id: spot.id ?? v4(),
        greenId: id,
        name: spot.name,
        position,
      })),
      { transaction },
    );
  });
  return id;
}

export async function saveGreen(
  { models, change }: Database,
  principal: CoachPrincipal,
  id: string,
  { name, notes, spots }: GreenValues,
): Promise<void> {
  await change(principal, 'green changed', async (transaction) => {
    const green = await models.green.findOne({
      where: scoped(principal, 'green', { id }, 'change'),
      transaction,
    });
    if (!green) throw notFound('green');
    await green.update({ name, notes }, { transaction });
    const known = await models.spot.findAll({ where: { greenId: id }, transaction });
    for (const row of known) {
      if (!spots.some((spot) => spot.id === row.id)) await row.destroy({ transaction });
    }
    for (const [position, spot] of spots.entries()) {
      const row = known.find((one) => one.id === spot.id);
      if (row) await row.update({ name: spot.name, position }, { transaction });
      else {
        await models.spot.create(
          { id: v4(), greenId: id, name: spot.name, position },
          { transaction },
        );
      }
    }
  });
}

/** Puts a green away, or takes one back. */
export async function archiveGreen(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  archivedAt: Date | null,
): Promise<void> {
  const what = archivedAt ? 'green archived' : 'green restored';
  await changeOwn(database, principal, 'green', id, what, { archivedAt });
}

/** Shows a green to all coaches of the academy, or to its coach only. */
export async function shareGreen(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  sharedAt: Date | null,
): Promise<void> {
  const what = sharedAt ? 'green shared' : 'green sharing stopped';
  await changeOwn(database, principal, 'green', id, what, { sharedAt });
}

/**
 * Keeps a reading. Whoever has the green may read it: all who use it are served by it.
 *
 * @throws Problem when the spot is not on that green, or a slope has no spot to belong to
 */
export async function addReading(
  database: Database,
  principal: CoachPrincipal,
  greenId: string,
  values: ReadingValues,
  id = v4(),
): Promise<string> {
  const green = await getGreen(database, principal, greenId);
  const { spotId, slope } = values;
  if (spotId !== null && !green.spots.some((spot) => spot.id === spotId)) throw notFound('spot');
  if (slope && spotId === null) {
    throw new Problem('invalid', 'A slope belongs to a spot. Choose the spot where it was read.');
  }
  await database.change(
    principal,
    'green reading added',
    (transaction) => database.models.reading.create({ id, greenId, ...values }, { transaction }),
    values.at,
  );
  return id;
}

/**
 * Removes a reading.
 *
 * @returns the change, to be taken back by
 */
export async function removeReading(
  database: Database,
  principal: CoachPrincipal,
  greenId: string,
  id: string,
): Promise<string> {
  await getGreen(database, principal, greenId);
  return database.change(principal, 'green reading deleted', async (transaction) => {
    const row = await database.models.reading.findOne({ where: { id, greenId }, transaction });
    if (!row) throw notFound('reading');
    await row.destroy({ transaction });
    return changeIdOf(transaction);
  });
}

/**
 * What is known of a green today, with its words for a layout.
 *
 * @throws Problem when the green was never read
 */
export async function latestRead(
  database: Database,
  principal: Principal,
  { greenId, spotId }: GreenSpot,
): Promise<{ read: Read; current: Current }> {
  const green = await getGreen(database, principal, greenId);
  const found = readOf(green, spotId);
  if (!found)
    throw new Problem('invalid', `${green.name} has no reading yet. Take a reading first.`);
  return found;
}

/** What is known of one spot of a green, or of the green as a whole; null when it was never read. */
export function readOf(
  green: Green,
  spotId: string | null,
): { read: Read; current: Current } | null {
  const spot = green.spots.find(({ id }) => id === spotId);
  if (spotId !== null && !spot) throw notFound('spot');
  const current = currentOf(green.readings, spotId);
  if (!current) return null;
  return {
    current,
    read: {
      greenId: green.id,
      green: green.name,
      spotId,
      spot: spot?.name ?? '',
      at: current.speedAt.toISOString(),
    },
  };
}
