import 'server-only';
import { headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { connection as untilRequested } from 'next/server';
import { askingCoach, wasSignedOut } from './principal';
import {
  Problem,
  ROLES,
  connection,
  bookZone,
  getCoach,
  type CoachPrincipal,
  type Database,
  type Role,
} from '@/data';

/**
 * The open database, who asks, and their settings, for a page; a stranger is led to sign in.
 *
 * @param least the least role that may see the page; all coaches when left out
 */
export async function coachContext(least: Role = 'assistant') {
  await untilRequested();
  const database = await connection().catch((error: unknown) => {
    if (error instanceof Problem) redirect('/trouble');
    throw error;
  });
  const principal = await askingCoach();
  if (!principal) {
    const path = (await headers()).get('x-path') ?? '/';
    redirect(`/sign-in?to=${encodeURIComponent(path)}`);
  }
  if (ROLES.indexOf(principal.as) > ROLES.indexOf(least)) notFound();
  const coach = await getCoach(database, principal);
  return { database, principal, coach, units: coach.settings.units };
}

/** The title of a page that is about something of a coach's; plain where it cannot be told whose it is. */
export async function titled(
  plain: string,
  nameOf: (asking: { database: Database; principal: CoachPrincipal }) => Promise<string>,
): Promise<{ title: string }> {
  try {
    await untilRequested();
    const [database, principal] = [await connection(), await askingCoach()];
    return { title: principal ? await nameOf({ database, principal }) : plain };
  } catch (error) {
    if (error instanceof Problem) return { title: plain };
    throw error;
  }
}

/** The zone of the book, for the page; undefined while there is none, or it cannot be opened. */
export async function zoneOfBook(): Promise<string | undefined> {
  await untilRequested();
  const database = await connection().catch(() => null);
  return (database && (await bookZone(database).catch(() => null))) ?? undefined;
}

/** Turns an unknown id in an address into the page that says so. */
export async function orNotFound<T>(found: Promise<T>): Promise<T> {
  try {
    return await found;
  } catch (error) {
    if (error instanceof Problem && error.code === 'not-found') notFound();
    throw error;
  }
}

/** The answer of a route to a coach's device, of at least some role; a stranger is refused. */
export function coachRoute<Context>(
  least: Role,
  answer: (
    asking: { database: Database; principal: CoachPrincipal },
    request: Request,
    context: Context,
  ) => Promise<Response>,
): (request: Request, context: Context) => Promise<Response> {
  return async (request, context) => {
    const principal = await askingCoach();
    if (!principal) return refused(await wasSignedOut());
    if (ROLES.indexOf(principal.as) > ROLES.indexOf(least)) return refused();
    return answer({ database: await connection(), principal }, request, context);
  };
}

/**
 * Returns what a stranger is told by a route.
 *
 * @param revoked this device was signed in, and was signed out: it empties itself on that word and on no other
 */
export const refused = (revoked = false): Response =>
  Response.json(
    {
      ok: false,
      code: revoked ? 'revoked' : 'refused',
      message: 'You are signed out on this device. Sign in again.',
    },
    { status: 401 },
  );
