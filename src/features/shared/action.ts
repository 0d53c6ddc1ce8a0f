import 'server-only';
import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { Problem, connection, type Database } from '@/data';
import { fieldErrors, type ActionResult } from './result';

/**
 * The border of every server action: parses what came with Zod, runs the work with the open database and its
 * owner, and turns problems into sentences. Anything unforeseen is logged here and told without its details.
 */
export async function act<Schema extends z.ZodType, T>(
  schema: Schema | ((database: Database, owner: string) => Promise<Schema>),
  input: unknown,
  work: (database: Database, owner: string, values: z.output<Schema>) => Promise<T>,
): Promise<ActionResult<T>> {
  try {
    const { database, owner } = await connection();
    const parsed = (
      typeof schema === 'function' ? await schema(database, owner) : schema
    ).safeParse(input);
    if (!parsed.success) {
      return {
        ok: false,
        message: 'Some of this cannot be right.',
        fields: fieldErrors(parsed.error),
      };
    }
    return { ok: true, value: await work(database, owner, parsed.data) };
  } catch (error) {
    return { ok: false, message: messageFor(error), fields: {} };
  }
}

/** The border of putting a thing away or taking it back. */
export async function archiving(
  id: string,
  archived: boolean,
  archive: (database: Database, owner: string, id: string, at: Date | null) => Promise<void>,
): Promise<ActionResult<null>> {
  const result = await act(
    z.object({ id: z.uuid(), archived: z.boolean() }),
    { id, archived },
    async (database, owner, values) => {
      await archive(database, owner, values.id, values.archived ? new Date() : null);
      return null;
    },
  );
  if (result.ok) revalidatePath('/', 'layout');
  return result;
}

/** A sentence for a screen; details of anything unforeseen go to the server's log only. */
export function messageFor(error: unknown): string {
  if (error instanceof Problem) return error.message;
  console.error(error);
  return 'This could not be done, and nothing was changed. Try again; if it stays so, restart Dirigo.';
}
