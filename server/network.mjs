import { hostname, networkInterfaces } from 'node:os';

const PRIVATE = /^(10\.|192\.168\.|172\.(1[6-9]|2\d|3[01])\.)/;

/** The numbers under which this machine is reached in the local network, the likeliest first. */
export function localAddresses(interfaces = networkInterfaces()) {
  return Object.values(interfaces)
    .flat()
    .filter((one) => one && one.family === 'IPv4' && !one.internal)
    .map(({ address }) => address)
    .toSorted((a, b) => Number(PRIVATE.test(b)) - Number(PRIVATE.test(a)));
}

/** The name under which many networks find this machine. */
export const localName = () => `${hostname().split('.')[0].toLowerCase()}.local`;
