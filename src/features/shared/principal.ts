import 'server-only';
import { cookies, headers } from 'next/headers';
import { cache } from 'react';
import {
  connection,
  knownDevice,
  openLink,
  type CoachPrincipal,
  type Opened,
  type StudentPrincipal,
} from '@/data';
import { coachBy } from './asking';
import { COOKIE } from './cookie';

/** The address that asks, as the server saw it. */
export const askingAddress = async (): Promise<string> =>
  (await headers()).get('x-dirigo-address') ?? 'here';

/** The coach who asks, by the cookie of a device that is signed in; null for a stranger. */
export const askingCoach = cache(async (): Promise<CoachPrincipal | null> => {
  const secret = (await cookies()).get(COOKIE.name)?.value;
  const host = (await headers()).get('host') ?? '';
  return coachBy(await connection(), secret, host);
});

/** Whether the cookie that was sent is of a device that is signed in no longer. */
export async function wasSignedOut(): Promise<boolean> {
  const secret = (await cookies()).get(COOKIE.name)?.value;
  return secret !== undefined && (await knownDevice(await connection(), secret)) !== null;
}

/** What a link opens, for a student's page or a calendar; null for none. */
export const openedBy = async (token: string): Promise<Opened | null> =>
  openLink(await connection(), token, new Date()).catch(() => null);

/** The student who asks, by the link to their own page; null for one that opens none. */
export async function askingStudent(token: string): Promise<StudentPrincipal | null> {
  const opened = await openedBy(token);
  return opened?.as === 'student' ? opened : null;
}
