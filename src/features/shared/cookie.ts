/** Whether browsers reach this server by HTTPS. */
const secure = process.env.DIRIGO_SECURE === '1';

/** How long a browser keeps its sign-in, s: a device that was not used for ninety days is signed out in any case. */
const KEPT = 365 * 24 * 3600;

/** The cookie of a device that is signed in. */
export const COOKIE = {
  name: secure ? '__Host-dirigo' : 'dirigo',
  options: { httpOnly: true, sameSite: 'lax', secure, path: '/', maxAge: KEPT },
} as const;
