import { hash, verify } from '@node-rs/argon2';
import type { Database } from './database';
import type { CoachPrincipal } from './principal';
import { notFound } from './problem';

/** Argon2id as its authors and the usual guidance ask: 19 MiB, two passes, one lane. The package's own algorithm is Argon2id. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Compared with where there is no such coach, so that the answer takes as long. */
let nobodys: Promise<string> | undefined;

/** Whether a coach has a passphrase. */
export async function hasPassphrase(
  { models }: Database,
  { coachId }: CoachPrincipal,
): Promise<boolean> {
  const row = await models.coach.findByPk(coachId);
  return row?.passphrase != null;
}

/** Sets the asking coach's passphrase, or takes it away; only its Argon2id hash is kept. */
export async function setPassphrase(
  { models, change }: Database,
  principal: CoachPrincipal,
  passphrase: string | null,
): Promise<void> {
  const kept = passphrase === null ? null : await hash(passphrase, COST);
  await change(principal, 'passphrase changed', async (transaction) => {
    const row = await models.coach.findByPk(principal.coachId, { transaction });
    if (!row) throw notFound('coach');
    await row.update({ passphrase: kept }, { transaction });
  });
}

/**
 * The coach of a name, when the passphrase is theirs.
 *
 * @returns the coach's id, or null: which of the two was wrong is not told
 */
export async function coachByPassphrase(
  { models }: Database,
  name: string,
  passphrase: string,
): Promise<string | null> {
  const rows = await models.coach.findAll({ where: { archivedAt: null } });
  const row = rows.find((one) => one.name.toLowerCase() === name.trim().toLowerCase());
  nobodys ??= hash('nobody’s', COST);
  const right = await verify(row?.passphrase ?? (await nobodys), passphrase);
  return right && row?.passphrase ? row.id : null;
}
