import 'server-only';
import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import {
  Problem,
  ROLES,
  connection,
  type CoachPrincipal,
  type Database,
  type Role,
  type StudentPrincipal,
} from '@/data';
import { messageFor } from './message';
import { askingCoach, askingStudent } from './principal';
import { fieldErrors, type ActionResult } from './result';

const SIGNED_OUT =
  'You are signed out on this device. Sign in again in another tab, then try again.';

type SchemaFor<Who, Schema extends z.ZodType> =
  Schema | ((database: Database, principal: Who) => Promise<Schema>);

type Work<Who, Schema extends z.ZodType, T> = (
  database: Database,
  principal: Who,
  values: z.output<Schema>,
) => Promise<T>;

/**
 * The border of every action: parses what came with Zod, runs the work, and turns problems into sentences. Anything
 * unforeseen is logged here and told without its details.
 */
async function answer<Who, Schema extends z.ZodType, T>(
  who: () => Promise<Who>,
  schema: SchemaFor<Who, Schema>,
  input: unknown,
  work: Work<Who, Schema, T>,
  reads: boolean,
): Promise<ActionResult<T>> {
  try {
    const database = await connection();
    const principal = await who();
    const parsed = (
      typeof schema === 'function' ? await schema(database, principal) : schema
    ).safeParse(input);
    if (!parsed.success) {
      return {
        ok: false,
        message: 'Some fields need correcting.',
        fields: fieldErrors(parsed.error),
      };
    }
    const value = await work(database, principal, parsed.data);
    if (!reads) revalidatePath('/', 'layout');
    return { ok: true, value };
  } catch (error) {
    return { ok: false, message: messageFor(error), fields: {} };
  }
}

/** Who may call an action, and whether it only reads. */
interface Terms {
  least?: Role;
  reads?: boolean;
}

/**
 * Makes a server action of a coach's: it runs for a device that is signed in, as a coach who may do so, and for nobody else.
 *
 * @param schema of the input, or how it is made for the coach who asks
 * @param work with the open database, as the coach who asks
 * @param terms the least role that may call it, a coach when left out; whether it only reads
 */
export function coachAction<Schema extends z.ZodType, T>(
  schema: SchemaFor<CoachPrincipal, Schema>,
  work: Work<CoachPrincipal, Schema, T>,
  { least = 'coach', reads = false }: Terms = {},
): (input: z.input<Schema>) => Promise<ActionResult<T>> {
  const who = async () => {
    const principal = await askingCoach();
    if (!principal) throw new Problem('refused', SIGNED_OUT);
    if (ROLES.indexOf(principal.as) > ROLES.indexOf(least)) {
      throw new Problem(
        'refused',
        `Only ${least === 'head' ? 'a head coach' : 'a coach'} can do this.`,
      );
    }
    return principal;
  };
  return async (input) => answer(who, schema, input, work, reads);
}

/**
 * Makes a server action of a student's: it runs for whoever has the student's link, and reaches that student only.
 *
 * @param schema of the input; the link goes with it
 * @param work with the open database, as the student whose link it is
 */
export function studentAction<Schema extends z.ZodType, T>(
  schema: Schema,
  work: Work<StudentPrincipal, Schema, T>,
): (token: string, input: z.input<Schema>) => Promise<ActionResult<T>> {
  return async (token, input) => {
    const who = async () => {
      const link = z.string().max(80).safeParse(token);
      const principal = link.success ? await askingStudent(link.data) : null;
      if (!principal) throw new Problem('not-found', 'Page not found.');
      return principal;
    };
    return answer(who, schema, input, work, false);
  };
}

/**
 * Makes a server action for whoever asks: to sign in, and nothing else.
 *
 * @param schema of the input
 * @param work with the open database
 */
export function strangerAction<Schema extends z.ZodType, T>(
  schema: Schema,
  work: (database: Database, values: z.output<Schema>) => Promise<T>,
): (input: z.input<Schema>) => Promise<ActionResult<T>> {
  return async (input) =>
    answer(
      async () => null,
      schema,
      input,
      (database, _nobody, values) => work(database, values),
      true,
    );
}

/** The schema of keeping a thing: what was typed of it, and its id when there is one already. */
export const keeping = <Schema extends z.ZodType>(values: Schema) =>
  z.object({ id: z.uuid().nullable(), values });

/** The schema of putting a thing away or taking it back. */
export const archivingSchema = z.object({ id: z.uuid(), archived: z.boolean() });

/** The schema of showing a thing to all of the academy, or to its coach only. */
export const sharingSchema = z.object({ id: z.uuid(), shared: z.boolean() });
