import 'server-only';

/** Where a browser that asked for a host reaches this server: "https://putting.wharf.example". */
export function originOf(host: string | null): string {
  const { DIRIGO_ORIGIN, DIRIGO_SECURE } = process.env;
  if (DIRIGO_ORIGIN) return new URL(DIRIGO_ORIGIN).origin;
  return `${DIRIGO_SECURE === '1' ? 'https' : 'http'}://${host ?? '127.0.0.1'}`;
}

/** Where a phone in the coach's hand reaches this server; null while only this machine does. */
export function phonesOrigin(): string | null {
  const { DIRIGO_ORIGIN, DIRIGO_NETWORK } = process.env;
  return DIRIGO_ORIGIN || DIRIGO_NETWORK ? originOf(DIRIGO_NETWORK?.split(',')[0] ?? null) : null;
}

/** Where students reach their own pages; null while only this machine does. */
export function studentsOrigin(): string | null {
  const { DIRIGO_HOME } = process.env;
  return DIRIGO_HOME ? `https://${DIRIGO_HOME}` : phonesOrigin();
}
