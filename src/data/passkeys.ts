import type { Database } from './database';
import type { CoachPrincipal } from './principal';
import { z } from 'zod';
import { notFound } from './problem';

/** A passkey as its coach sees it. */
export interface Passkey {
  id: string;
  name: string;
  madeAt: Date;
  usedAt: Date | null;
}

/** What is asked of a passkey when it signs in. */
export interface KeptKey {
  id: string;
  coachId: string;
  publicKey: Uint8Array<ArrayBuffer>;
  counter: number;
  transports: string[];
}

const transportsSchema = z.array(z.string().max(20)).max(10);

export async function listPasskeys(
  { models }: Database,
  { coachId }: CoachPrincipal,
): Promise<Passkey[]> {
  const rows = await models.passkey.findAll({ where: { coachId }, order: [['madeAt', 'ASC']] });
  return rows.map(({ id, name, madeAt, usedAt }) => ({ id, name, madeAt, usedAt }));
}

/** Keeps a passkey of the asking coach. */
export async function addPasskey(
  { models, change }: Database,
  principal: CoachPrincipal,
  { id, publicKey, counter, transports }: Omit<KeptKey, 'coachId'>,
  name: string,
  at: Date,
): Promise<void> {
  await change(principal, 'passkey added', (transaction) =>
    models.passkey.create(
      {
        id,
        coachId: principal.coachId,
        publicKey: Buffer.from(publicKey),
        counter,
        transports: transportsSchema.parse(transports),
        name,
        madeAt: at,
      },
      { transaction },
    ),
  );
}

/** Removes a passkey of the asking coach. */
export async function dropPasskey(
  { models, change }: Database,
  principal: CoachPrincipal,
  id: string,
): Promise<void> {
  await change(principal, 'passkey removed', async (transaction) => {
    const where = { id, coachId: principal.coachId };
    const row = await models.passkey.findOne({ where, transaction });
    if (!row) throw notFound('passkey');
    await row.destroy({ transaction });
  });
}

/** The passkey of an id, whoever's it is; null when there is none. */
export async function findPasskey({ models }: Database, id: string): Promise<KeptKey | null> {
  const row = await models.passkey.findByPk(id);
  if (!row) return null;
  return {
    id: row.id,
    coachId: row.coachId,
    publicKey: new Uint8Array(row.publicKey),
    counter: row.counter,
    transports: transportsSchema.parse(row.transports),
  };
}

/** Writes down that a passkey was used. */
export async function passkeyUsed(
  { models }: Database,
  id: string,
  counter: number,
  at: Date,
): Promise<void> {
  await models.passkey.update({ counter, usedAt: at }, { where: { id }, hooks: false });
}
