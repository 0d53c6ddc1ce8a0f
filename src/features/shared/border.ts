/** What of a request says where it comes from. */
export interface Asked {
  method: string;
  path: string;
  host: string;
  origin: string | null;
  /** What the browser says of the page that asks: the header Sec-Fetch-Site. */
  site: string | null;
}

/** Under which names this server is reached. */
export interface Names extends Record<string, string | undefined> {
  /** The one address of a server that others reach: "https://putting.wharf.example". */
  DIRIGO_ORIGIN?: string;
  /** Host names in the local network, with their port, by commas. */
  DIRIGO_NETWORK?: string;
  /** The name of the students' own pages alone, where they are served under another. */
  DIRIGO_HOME?: string;
}

/** Names under which this machine reaches itself. */
const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/** Whether a host is this machine itself. */
export const isLoopback = (host: string): boolean => LOOPBACK.test(host);

/** What is there under the name that students reach their own pages by: those pages, and what they are made of. */
const HOME_PATHS = /^\/(home\/|_next\/|sw\.js$|icon\.svg$|icons\/|manifest\.webmanifest$|build$)/;

/** What holds much at once, and so is not to be fetched by another site's page, even as a plain link. */
const EXPORTS =
  /^\/(records\/(backup|export\/file)|kept|programme\/(calendar|hours\/[^/]+\/sheet(\/pdf)?)|drills\/[^/]+\/(file|sheet\/(pdf|svg))|students\/[^/]+\/(report(\/pdf)?|everything))$/;

const SAFE_METHODS = new Set(['GET', 'HEAD', 'OPTIONS']);
const OWN_SITES = new Set(['same-origin', 'none']);

/** The origins under which a host is this server; empty for a host that is not. */
function originsOf(host: string, path: string, names: Names): string[] {
  const { DIRIGO_ORIGIN, DIRIGO_NETWORK, DIRIGO_HOME } = names;
  const home = !!DIRIGO_HOME && host === DIRIGO_HOME && HOME_PATHS.test(path);
  // Whoever serves the students' pages may speak another protocol outside than in here.
  if (home) return [`https://${host}`, `http://${host}`];
  if (DIRIGO_ORIGIN) {
    const { origin, host: own } = new URL(DIRIGO_ORIGIN);
    return host === own ? [origin] : [];
  }
  if (DIRIGO_NETWORK) {
    return DIRIGO_NETWORK.split(',').includes(host) ? [`https://${host}`] : [];
  }
  return isLoopback(host) ? [`http://${host}`] : [];
}

/**
 * Why a request is refused before anything else is looked at; null for one that may go on.
 *
 * It is refused under a name that is not this server's, so that no page elsewhere can point its own name here; when it would
 * change something and does not say that it comes from this server's own pages; and when another site's page fetches what
 * holds much at once.
 */
export function refusedAs(asked: Asked, names: Names): 'host' | 'origin' | 'site' | null {
  const { method, path, host, origin, site } = asked;
  const own = originsOf(host, path, names);
  if (own.length === 0) return 'host';
  if (SAFE_METHODS.has(method)) {
    return site && EXPORTS.test(path) && !OWN_SITES.has(site) ? 'site' : null;
  }
  if (origin === null || !own.includes(origin)) return 'origin';
  return site && site !== 'same-origin' ? 'origin' : null;
}

/** What is answered to what is refused so. */
export const FOREIGN = {
  ok: false,
  code: 'foreign',
  message: 'This request came from another site and was refused.',
} as const;

/** The headers that every answer carries. */
export const guarding = (): Record<string, string> => ({
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'permissions-policy':
    'camera=(), microphone=(), geolocation=(), publickey-credentials-get=(self), publickey-credentials-create=(self)',
  ...(process.env.DIRIGO_SECURE === '1' && { 'strict-transport-security': 'max-age=31536000' }),
});
