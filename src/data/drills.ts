import { v4 } from 'uuid';
import { drillDetails, type DrillDetails } from '@/core/drill';
import { layoutSchema, type Layout } from '@/core/layout';
import { changeOwn } from './change-own';
import type { Database } from './database';
import { scoped, type CoachPrincipal, type Principal } from './principal';
import { notFound } from './problem';
import type { DrillRow, DrillVersionRow } from './models';

/** A drill as it is kept, in one version. */
export interface Drill {
  id: string;
  name: string;
  /** Whose drill it is. */
  coachId: string;
  archivedAt: Date | null;
  /** Since when all coaches of the academy have it; null while it is its coach's alone. */
  sharedAt: Date | null;
  /** Key of the built-in drill it was taken from. */
  origin: string | null;
  versionId: string;
  version: number;
  layout: Layout;
  details: DrillDetails;
}

/** What is kept of a drill. */
export interface DrillKept {
  name: string;
  layout: Layout;
  details: DrillDetails;
}

const toDrill = (row: DrillRow, version: DrillVersionRow): Drill => ({
  id: row.id,
  name: row.name,
  coachId: row.coachId,
  archivedAt: row.archivedAt,
  sharedAt: row.sharedAt,
  origin: row.origin ?? null,
  versionId: version.id,
  version: version.number,
  layout: layoutSchema.parse(version.layout),
  details: drillDetails.parse(version.details),
});

/** All drills that a principal reaches with their newest versions, archived ones too, by name. */
export async function listDrills({ models }: Database, principal: Principal): Promise<Drill[]> {
  const rows = await models.drill.findAll({
    where: scoped(principal, 'drill'),
    order: [['name', 'ASC']],
  });
  const versions = await models.drillVersion.findAll({
    where: { drillId: rows.map(({ id }) => id) },
    order: [['number', 'ASC']],
  });
  const newest = new Map(versions.map((version) => [version.drillId, version]));
  return rows.flatMap((row) => {
    const version = newest.get(row.id);
    return version ? [toDrill(row, version)] : [];
  });
}

/**
 * One drill.
 *
 * @param number an older version; the newest when left out
 */
export async function getDrill(
  { models }: Database,
  principal: Principal,
  id: string,
  number?: number,
): Promise<Drill> {
  const row = await models.drill.findOne({ where: scoped(principal, 'drill', { id }) });
  const version =
    row &&
    (await models.drillVersion.findOne({
      where: { drillId: id, ...(number !== undefined && { number }) },
      order: [['number', 'DESC']],
    }));
  if (!row || !version) throw notFound('drill');
  return toDrill(row, version);
}

/** The versions of a drill, newest first, and when each was saved. */
export async function listVersions(
  { models }: Database,
  principal: Principal,
  id: string,
): Promise<{ number: number; at: Date | null }[]> {
  const row = await models.drill.findOne({ where: scoped(principal, 'drill', { id }) });
  if (!row) throw notFound('drill');
  const versions = await models.drillVersion.findAll({
    where: { drillId: id },
    order: [['number', 'DESC']],
  });
  return versions.map(({ number, at }) => ({ number, at: at ?? null }));
}

export async function addDrill(
  { models, change }: Database,
  principal: CoachPrincipal,
  { name, layout, details, origin = null }: DrillKept & { origin?: string | null },
  at: Date,
  id = v4(),
): Promise<string> {
  const { coachId } = principal;
  await change(
    principal,
    'drill created',
    async (transaction) => {
      await models.drill.create({ id, coachId, name, origin }, { transaction });
      await models.drillVersion.create(
        { id: v4(), drillId: id, number: 1, layout, details, at },
        { transaction },
      );
    },
    at,
  );
  return id;
}

/** Saves a drill; one that changed in more than its name becomes a new version, so that runs keep the one they were played on. */
export async function saveDrill(
  { models, change }: Database,
  principal: CoachPrincipal,
  id: string,
  { name, layout, details }: DrillKept,
  at: Date,
): Promise<void> {
  await change(principal, 'drill changed', async (transaction) => {
    const row = await models.drill.findOne({
      where: scoped(principal, 'drill', { id }, 'change'),
      transaction,
    });
    if (!row) throw notFound('drill');
    await row.update({ name }, { transaction });
    const newest = await models.drillVersion.findOne({
      where: { drillId: id },
      order: [['number', 'DESC']],
      transaction,
    });
    if (!newest) throw notFound('drill');
    const kept = [layoutSchema.parse(newest.layout), drillDetails.parse(newest.details)];
    if (JSON.stringify(kept) === JSON.stringify([layout, details])) return;
    await models.drillVersion.create(
      { id: v4(), drillId: id, number: newest.number + 1, layout, details, at },
      { transaction },
    );
  });
}

/** Puts a drill away, or takes one back. */
export async function archiveDrill(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  archivedAt: Date | null,
): Promise<void> {
  const what = archivedAt ? 'drill archived' : 'drill restored';
  await changeOwn(database, principal, 'drill', id, what, { archivedAt });
}

/** Shows a drill to all coaches of the academy, or to its coach only. */
export async function shareDrill(
  database: Database,
  principal: CoachPrincipal,
  id: string,
  sharedAt: Date | null,
): Promise<void> {
  const what = sharedAt ? 'drill shared' : 'drill sharing stopped';
  await changeOwn(database, principal, 'drill', id, what, { sharedAt });
}
