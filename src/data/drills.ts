import { v4 } from 'uuid';
import { drillDetails, type DrillDetails } from '@/core/drill';
import { layoutSchema, type Layout } from '@/core/layout';
import type { Database } from './database';
import { notFound } from './problem';
import type { DrillRow, DrillVersionRow } from './models';

/** A drill as it is kept, in one version. */
export interface Drill {
  id: string;
  name: string;
  archivedAt: Date | null;
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
  archivedAt: row.archivedAt,
  origin: row.origin ?? null,
  versionId: version.id,
  version: version.number,
  layout: layoutSchema.parse(version.layout),
  details: drillDetails.parse(version.details),
});

/** All drills of a coach with their newest versions, archived ones too, by name. */
export async function listDrills({ models }: Database, owner: string): Promise<Drill[]> {
  const rows = await models.drill.findAll({ where: { coachId: owner }, order: [['name', 'ASC']] });
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
  owner: string,
  id: string,
  number?: number,
): Promise<Drill> {
  const row = await models.drill.findOne({ where: { id, coachId: owner } });
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
  owner: string,
  id: string,
): Promise<{ number: number; at: Date | null }[]> {
  const row = await models.drill.findOne({ where: { id, coachId: owner } });
  if (!row) throw notFound('drill');
  const versions = await models.drillVersion.findAll({
    where: { drillId: id },
    order: [['number', 'DESC']],
  });
  return versions.map(({ number, at }) => ({ number, at: at ?? null }));
}

export async function addDrill(
  { models, atomically }: Database,
  owner: string,
  { name, layout, details, origin = null }: DrillKept & { origin?: string | null },
  at: Date,
  id = v4(),
): Promise<string> {
  await atomically(async (transaction) => {
    await models.drill.create({ id, coachId: owner, name, origin }, { transaction });
    await models.drillVersion.create(
      { id: v4(), drillId: id, number: 1, layout, details, at },
      { transaction },
    );
  });
  return id;
}

/** Saves a drill; one that changed in more than its name becomes a new version, so that runs keep the one they were played on. */
export async function saveDrill(
  { models, atomically }: Database,
  owner: string,
  id: string,
  { name, layout, details }: DrillKept,
  at: Date,
): Promise<void> {
  await atomically(async (transaction) => {
    const [changed] = await models.drill.update(
      { name },
      { where: { id, coachId: owner }, transaction },
    );
    if (changed === 0) throw notFound('drill');
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

export async function archiveDrill(
  { models }: Database,
  owner: string,
  id: string,
  archivedAt: Date | null,
): Promise<void> {
  const [changed] = await models.drill.update({ archivedAt }, { where: { id, coachId: owner } });
  if (changed === 0) throw notFound('drill');
}
