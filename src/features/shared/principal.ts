import 'server-only';
import { cookies, headers } from 'next/headers';
import { cache } from 'react';
import {
  connection,
  headCoach,
  openLink,
  whoAsks,
  type CoachPrincipal,
  type Opened,
  type StudentPrincipal,
} from '@/data';
import { COOKIE } from './cookie';
import { askingAddress, countTry, waitOf } from './limits';

/** Names under which this machine reaches itself. */
const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/** Whether a host is this machine itself. */
export const isLoopback = (host: string): boolean => LOOPBACK.test(host);

/**
 * Whether this request needs no sign-in: the demo on this machine itself, which holds made-up people only. Whatever is served
 * to others always asks.
 */
async function isOpen(): Promise<boolean> {
  const { DIRIGO_OPEN, DIRIGO_ORIGIN, DIRIGO_HOME, DIRIGO_NETWORK } = process.env;
  if (DIRIGO_OPEN !== '1' || DIRIGO_ORIGIN || DIRIGO_HOME || DIRIGO_NETWORK) return false;
  return isLoopback((await headers()).get('host') ?? '');
}

/** The coach who asks, by the cookie of a device that is signed in; null for a stranger. The one place that says so. */
export const askingCoach = cache(async (): Promise<CoachPrincipal | null> => {
  const database = await connection();
  const secret = (await cookies()).get(COOKIE.name)?.value;
  const known = secret ? await whoAsks(database, secret, new Date()) : null;
  return known ?? ((await isOpen()) ? headCoach(database) : null);
});

/** What a link opens, for a student's page or a calendar; null for none. Who tries many that open nothing is asked to wait. */
export async function openedBy(token: string): Promise<Opened | null> {
  const address = await askingAddress();
  if ((await waitOf('links', address)) > 0) return null;
  const opened = await openLink(await connection(), token, new Date()).catch(() => null);
  if (!opened) await countTry('links', address);
  return opened;
}

/** The student who asks, by the link to their own page; null for one that opens none. */
export async function askingStudent(token: string): Promise<StudentPrincipal | null> {
  const opened = await openedBy(token);
  return opened?.as === 'student' ? opened : null;
}
