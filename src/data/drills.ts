import { v4 } from 'uuid';
import { layoutSchema, type Layout } from '@/core/layout';
import type { Database } from './database';
import { notFound } from './problem';
import type { DrillRow, DrillVersionRow } from './models';

/** A drill with its newest version. */
export interface Drill {
  id: string;
  name: string;
  archivedAt: Date | null;
  versionId: string;
  version: number;
  layout: Layout;
}

const toDrill = (row: DrillRow, version: DrillVersionRow): Drill => ({
  id: row.id,
  name: row.name,
  archivedAt: row.archivedAt,
  versionId: version.id,
  version: version.number,
  layout: layoutSchema.parse(version.layout),
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

export async function getDrill({ models }: Database, owner: string, id: string): Promise<Drill> {
  const row = await models.drill.findOne({ where: { id, coachId: owner } });
  const version =
    row &&
    (await models.drillVersion.findOne({ where: { drillId: id }, order: [['number', 'DESC']] }));
  if (!row || !version) throw notFound('drill');
  return toDrill(row, version);
}

export async function addDrill(
  { models, atomically }: Database,
  owner: string,
  { name, layout }: { name: string; layout: Layout },
  id = v4(),
): Promise<string> {
  await atomically(async (transaction) => {
    await models.drill.create({ id, coachId: owner, name }, { transaction });
    await models.drillVersion.create({ id: v4(), drillId: id, number: 1, layout }, { transaction });
  });
  return id;
}

/** Saves a drill; a changed layout becomes a new version, so that runs keep the one they were played on. */
export async function saveDrill(
  { models, atomically }: Database,
  owner: string,
  id: string,
  { name, layout }: { name: string; layout: Layout },
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
    if (JSON.stringify(layoutSchema.parse(newest.layout)) === JSON.stringify(layout)) return;
    await models.drillVersion.create(
      { id: v4(), drillId: id, number: newest.number + 1, layout },
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
