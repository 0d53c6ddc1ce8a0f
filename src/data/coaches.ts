import { literal, type Transaction } from 'sequelize';
import { v4 } from 'uuid';
import { coachSettings, type CoachSettings } from '@/core/people';
import { bookZone } from './clock';
import type { Database } from './database';
import type { CoachRow } from './models';
import { Problem, notFound } from './problem';
import type { CoachPrincipal, Principal, Role } from './principal';

export interface Coach {
  id: string;
  name: string;
  settings: CoachSettings;
  role: Role;
  archivedAt: Date | null;
}

const toCoach = ({ id, name, settings, role, archivedAt }: CoachRow): Coach => ({
  id,
  name,
  settings: coachSettings.parse(settings),
  role,
  archivedAt,
});

/** A coach as a principal, without a device: the machine itself asks. */
const onMachine = ({ id, role }: Pick<CoachRow, 'id' | 'role'>): CoachPrincipal => ({
  as: role,
  coachId: id,
  deviceId: null,
});

/** The head coach, as the machine itself asks for them; made on first use. */
export async function headCoach({ models, change }: Database): Promise<CoachPrincipal> {
  const known = await models.coach.findOne({
    where: { role: 'head', archivedAt: null },
    order: literal('rowid'),
  });
  if (known) return onMachine(known);
  const id = v4();
  const principal: CoachPrincipal = { as: 'head', coachId: id, deviceId: null };
  await change(principal, 'records created', (transaction) =>
    models.coach.create({ id, name: '', settings: coachSettings.parse({}) }, { transaction }),
  );
  return principal;
}

/** A coach by id, as the machine itself asks for them. */
export async function coachPrincipal({ models }: Database, id: string): Promise<CoachPrincipal> {
  const row = await models.coach.findOne({ where: { id, archivedAt: null } });
  if (!row) throw notFound('coach');
  return onMachine(row);
}

/** The coach who asks, or whose student asks. */
export async function getCoach(database: Database, principal: Principal): Promise<Coach> {
  const row = await database.models.coach.findByPk(principal.coachId);
  if (!row) throw notFound('coach');
  const coach = toCoach(row);
  const zone = await bookZone(database);
  return zone === null ? coach : { ...coach, settings: { ...coach.settings, zone } };
}

/** Saves the asking coach's own name and settings. */
export async function saveCoach(
  database: Database,
  principal: CoachPrincipal,
  values: { name: string; settings: CoachSettings },
): Promise<void> {
  const { models, change } = database;
  await change(principal, 'settings changed', async (transaction) => {
    const row = await models.coach.findByPk(principal.coachId, { transaction });
    if (!row) throw notFound('coach');
    if (values.name !== row.name) await refuseTaken(models, values.name, transaction);
    await row.update(values, { transaction });
  });
  await bookZone(database, true);
}

/** A name that a coach of the academy has already: one signs in by it. */
async function refuseTaken(
  { coach }: Database['models'],
  name: string,
  transaction: Transaction,
): Promise<void> {
  const others = await coach.findAll({ where: { archivedAt: null }, transaction });
  if (name && others.some((other) => other.name.toLowerCase() === name.toLowerCase())) {
    throw new Problem('invalid', `There is already a coach called ${name}.`);
  }
}

/** All coaches of the academy, by name; those who have left too. */
export async function listCoaches({ models }: Database): Promise<Coach[]> {
  const rows = await models.coach.findAll({ order: [['name', 'ASC']] });
  return rows.map(toCoach);
}

const headOnly = (principal: CoachPrincipal): void => {
  if (principal.as !== 'head') {
    throw new Problem('refused', 'Only a head coach can change who is in the academy.');
  }
};

/** Adds a coach to the academy; they sign in by a link that is made for them. */
export async function addCoach(
  database: Database,
  principal: CoachPrincipal,
  { name, role }: { name: string; role: Role },
  id = v4(),
): Promise<string> {
  headOnly(principal);
  const { settings } = await getCoach(database, principal);
  await database.change(principal, 'coach added', async (transaction) => {
    await refuseTaken(database.models, name, transaction);
    await database.models.coach.create({ id, name, role, settings }, { transaction });
  });
  return id;
}

/**
 * Changes what a coach may do, or lets them leave: then their devices are signed out at once.
 *
 * @throws Problem when no head coach would be left
 */
export async function changeCoach(
  { models, change }: Database,
  principal: CoachPrincipal,
  id: string,
  values: { role: Role } | { archivedAt: Date | null },
): Promise<void> {
  headOnly(principal);
  await change(principal, 'coach changed', async (transaction) => {
    const row = await models.coach.findByPk(id, { transaction });
    if (!row) throw notFound('coach');
    await row.update(values, { transaction });
    const heads = await models.coach.count({
      where: { role: 'head', archivedAt: null },
      transaction,
    });
    if (heads === 0)
      throw new Problem(
        'invalid',
        'An academy needs a head coach. Make another coach head coach first.',
      );
    if (row.archivedAt) {
      await models.device.update(
        { endedAt: row.archivedAt },
        { where: { coachId: id, endedAt: null }, transaction },
      );
    }
  });
}
