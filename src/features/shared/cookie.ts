/** Whether browsers reach this server by HTTPS. */
const secure = process.env.DIRIGO_SECURE === '1';

/** How long a browser keeps its sign-in, s: a device that was not used for ninety days is signed out in any case. */
const KEPT = 365 * 24 * 3600;

/** The cookie of a device that is signed in. */
export const COOKIE = {
  name: secure ? '__Host-dirigo' : 'dirigo',
  options: { httpOnly: true, sameSite: 'lax', secure, path: '/', maxAge: KEPT },
} as const;

/**
 * Stays when a device is signed out: it opens nothing, and says only that this browser was signed in once, so that wrong passphrases
 * from elsewhere do not hold it up.
 */
export const KNOWN_COOKIE = {
  name: secure ? '__Host-dirigo-known' : 'dirigo-known',
  options: COOKIE.options,
} as const;
