import { type Model, type ModelStatic } from 'sequelize';
import type { Database } from './database';
import { scoped, type CoachPrincipal } from './principal';
import { notFound } from './problem';

/** Puts a thing away, takes it back, or shows it to others: what only the one it belongs to, or a head coach, may do. */
export async function changeOwn(
  { models, change }: Database,
  principal: CoachPrincipal,
  table: 'drill' | 'green' | 'plan',
  id: string,
  what: string,
  values: { archivedAt: Date | null } | { sharedAt: Date | null },
): Promise<void> {
  await change(principal, what, async (transaction) => {
    const model = models[table] as unknown as ModelStatic<Model>;
    const row = await model.findOne({
      where: scoped(principal, table, { id }, 'own'),
      transaction,
    });
    if (!row) throw notFound(table);
    await row.update(values, { transaction });
  });
}
