import { addDays } from 'date-fns';
import { Op, literal } from 'sequelize';
import { v4 } from 'uuid';
import type { Database } from './database';
import type { DeviceRow } from './academy-models';
import { storedTime } from './columns';
import type { CoachPrincipal, Role } from './principal';
import { Problem, notFound } from './problem';
import { hashOf, newSecret } from './secret';

/** How a device is signed in. */
export type DeviceWay = 'link' | 'phone' | 'passphrase' | 'passkey';

/** A coach's devices beyond this number: the one longest unused is signed out. */
const MOST_DEVICES = 20;

/** A browser that is signed in, as its coach sees it. */
export interface Device {
  id: string;
  name: string;
  way: string;
  madeAt: Date;
  seenAt: Date;
}

/** A device that was not used so long is signed out, days. */
export const FORGOTTEN = 90;
/** How far apart two uses are that are both written down, ms. */
const SEEN = 60_000;

const current = (at: Date) => ({
  endedAt: null,
  seenAt: { [Op.gt]: addDays(at, -FORGOTTEN) },
});

/**
 * Makes a secret that signs a device in, once. Only its hash is kept.
 *
 * @param path the page that it leads to
 * @param until after this it signs nobody in
 */
export async function makeTicket(
  { models, atomically }: Database,
  coachId: string,
  { way, path, until }: { way: DeviceWay; path: string; until: Date },
): Promise<string> {
  const secret = newSecret();
  await atomically(async (transaction) => {
    await models.ticket.destroy({
      where: { until: { [Op.lt]: addDays(new Date(), -1) } },
      transaction,
    });
    await models.ticket.create(
      { id: v4(), hash: hashOf(secret), coachId, way, path, until },
      { transaction },
    );
  });
  return secret;
}

/** Whom a secret would sign a device in as now; null for nobody. */
export async function ticketFor(
  { models }: Database,
  secret: string,
  at: Date,
): Promise<{ name: string } | null> {
  const where = { hash: hashOf(secret), usedAt: null, until: { [Op.gt]: at } };
  const ticket = await models.ticket.findOne({ where });
  const coach =
    ticket && (await models.coach.findOne({ where: { id: ticket.coachId, archivedAt: null } }));
  return coach && { name: coach.name };
}

/** A device that has just been signed in: the secret of its cookie, which is kept nowhere else, and the page to go to. */
export interface SignedIn {
  secret: string;
  path: string;
}

/**
 * Signs a device in by the secret of a ticket; the same secret does it no second time.
 *
 * @throws Problem when the secret is unknown, used or too old
 */
export async function signInByTicket(
  database: Database,
  secret: string,
  name: string,
  at: Date,
): Promise<SignedIn> {
  const { models } = database;
  const used = await database.atomically(async (transaction) => {
    const ticket = await models.ticket.findOne({
      where: { hash: hashOf(secret), usedAt: null, until: { [Op.gt]: at } },
      transaction,
    });
    await ticket?.update({ usedAt: at }, { transaction });
    return ticket;
  });
  if (!used) {
    throw new Problem(
      'refused',
      'This link no longer works. It has already been used or has expired. Ask for a new one.',
    );
  }
  const { coachId, way, path } = used;
  return { secret: await signIn(database, coachId, way as DeviceWay, name, at), path };
}

/**
 * Signs a device in as a coach who has shown who they are.
 *
 * @returns the secret of its cookie
 */
export async function signIn(
  { models, change }: Database,
  coachId: string,
  way: DeviceWay,
  name: string,
  at: Date,
): Promise<string> {
  const coach = await models.coach.findOne({ where: { id: coachId, archivedAt: null } });
  if (!coach) throw notFound('coach');
  const [id, secret] = [v4(), newSecret()];
  const principal: CoachPrincipal = { as: coach.role, coachId, deviceId: id };
  await change(
    principal,
    'device signed in',
    async (transaction) => {
      const standing = await models.device.findAll({
        where: { coachId, endedAt: null },
        order: [['seenAt', 'DESC']],
        transaction,
      });
      for (const row of standing.slice(MOST_DEVICES - 1)) {
        await row.update({ endedAt: at }, { transaction });
      }
      await models.device.create(
        { id, coachId, hash: hashOf(secret), name, way, madeAt: at, seenAt: at },
        { transaction },
      );
    },
    at,
  );
  return secret;
}

/** Who asks by the secret of a cookie; null when it is nobody's, or was signed out. */
export async function whoAsks(
  { models, read, atomically }: Database,
  secret: string,
  at: Date,
): Promise<CoachPrincipal | null> {
  const [row] = await read.all<{ deviceId: string; coachId: string; role: Role; seenAt: string }>(
    `SELECT device.id AS deviceId, device.seenAt, coach.id AS coachId, coach.role
       FROM device JOIN coach ON coach.id = device.coachId
      WHERE device.hash = $hash AND device.endedAt IS NULL AND device.seenAt > $since
        AND coach.archivedAt IS NULL`,
    { $hash: hashOf(secret), $since: storedTime(addDays(at, -FORGOTTEN)) },
  );
  if (!row) return null;
  const { deviceId, coachId, role } = row;
  if (at.getTime() - new Date(row.seenAt).getTime() > SEEN) {
    await atomically((transaction) =>
      models.device.update({ seenAt: at }, { where: { id: deviceId }, hooks: false, transaction }),
    );
  }
  return { as: role, coachId, deviceId };
}

/**
 * Finds the device whose secret this was, signed in or not: it tells that a browser was signed in once, and opens nothing.
 *
 * @returns its id and its coach's name; null when the secret is no device's
 */
export async function knownDevice(
  { read }: Database,
  secret: string,
): Promise<{ id: string; coachName: string } | null> {
  const [row] = await read.all<{ id: string; coachName: string }>(
    `SELECT device.id, coach.name AS coachName FROM device JOIN coach ON coach.id = device.coachId
      WHERE device.hash = $hash`,
    { $hash: hashOf(secret) },
  );
  return row ?? null;
}

const toDevice = ({ id, name, way, madeAt, seenAt }: DeviceRow): Device => ({
  id,
  name,
  way,
  madeAt,
  seenAt,
});

/** The devices of the asking coach that are signed in, the one last used first. */
export async function listDevices(
  { models }: Database,
  { coachId }: CoachPrincipal,
  at: Date,
): Promise<Device[]> {
  const rows = await models.device.findAll({
    where: { coachId, ...current(at) },
    order: [
      ['seenAt', 'DESC'],
      [literal('rowid') as never, 'DESC'],
    ],
  });
  return rows.map(toDevice);
}

/** Signs out a device of the asking coach, at once. */
export async function endDevice(
  { models, change }: Database,
  principal: CoachPrincipal,
  id: string,
  at: Date,
): Promise<void> {
  await change(principal, 'device signed out', async (transaction) => {
    const row = await models.device.findOne({
      where: { id, coachId: principal.coachId, endedAt: null },
      transaction,
    });
    if (!row) throw notFound('device');
    await row.update({ endedAt: at }, { transaction });
  });
}
