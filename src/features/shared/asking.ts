import 'server-only';
import { headCoach, whoAsks, type CoachPrincipal, type Database } from '@/data';
import { isLoopback } from './border';

/**
 * Whether a request needs no sign-in: the demo on this machine itself, which holds made-up people only. Whatever is served to
 * others always asks.
 */
function isOpen(host: string): boolean {
  const { DIRIGO_OPEN, DIRIGO_ORIGIN, DIRIGO_HOME, DIRIGO_NETWORK } = process.env;
  if (DIRIGO_OPEN !== '1' || DIRIGO_ORIGIN || DIRIGO_HOME || DIRIGO_NETWORK) return false;
  return isLoopback(host);
}

/**
 * The coach who asks; null for a stranger. The one place that says so.
 *
 * @param secret the cookie of a device that is signed in; undefined for none
 * @param host the name that this server was asked under
 */
export async function coachBy(
  database: Database,
  secret: string | undefined,
  host: string,
): Promise<CoachPrincipal | null> {
  const known = secret ? await whoAsks(database, secret, new Date()) : null;
  return known ?? (isOpen(host) ? headCoach(database) : null);
}
