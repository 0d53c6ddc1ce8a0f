/**
 * What is refused before anything of a request is believed or read: bodies that are too large, paths and methods that cannot be,
 * headers that only a proxy may send, connections that are too many or too slow.
 */
import { BlockList, isIP } from 'node:net';

/** The largest body, bytes. What a screen sends of a run, and a drill's file, are far below. */
export const MOST_BODY = 1024 * 1024;
/** A table to import may be larger: it is written to a file as it comes. */
const MOST_FILE = 64 * 1024 * 1024;
const FILES = '/records/files/upload';

const SECOND = 1000;

/** Headers by which a proxy says for whom it asks. */
const FORWARDED = /^(forwarded|x-forwarded-.*|x-real-ip)$/;
/** Headers that are the framework's or this server's own, and nobody else's to send. */
const OWN = ['x-action-forwarded', 'x-dirigo-address', 'x-path', 'x-nonce'];

const METHODS = ['GET', 'HEAD', 'POST'];

/** How long headers, whole requests and idle connections may take, as a server is made with. */
export const PATIENCE = {
  headersTimeout: 15 * SECOND,
  requestTimeout: 60 * SECOND,
  keepAliveTimeout: 15 * SECOND,
  connectionsCheckingInterval: 5 * SECOND,
};

/** Connections that are open at once, of all and of one address. */
export const CONNECTIONS = { all: 500, address: 100 };

/**
 * The proxies whose word for whom they ask is believed.
 *
 * @param list addresses and networks, by commas: "127.0.0.1, 10.0.0.0/8"; empty for none
 * @returns says of an address whether it is one of them
 * @throws Error naming the entry that is neither
 */
export function trustedProxies(list = '') {
  const trusted = new BlockList();
  for (const entry of list.split(',').map((one) => one.trim())) {
    if (entry === '') continue;
    const [address, bits] = entry.split('/');
    const family = { 4: 'ipv4', 6: 'ipv6' }[isIP(address)];
    const prefix = bits === undefined ? null : Number(bits);
    const most = family === 'ipv4' ? 32 : 128;
    if (
      !family ||
      (prefix !== null && !(Number.isInteger(prefix) && prefix >= 0 && prefix <= most))
    ) {
      throw new Error(
        `DIRIGO_TRUST_PROXY: "${entry}" is not an address. Use addresses or networks, such as 127.0.0.1 or 10.0.0.0/8.`,
      );
    }
    if (prefix === null) trusted.addAddress(address, family);
    else trusted.addSubnet(address, prefix, family);
  }
  return (address) => {
    const plain = (address ?? '').replace(/^::ffff:/, '');
    const family = { 4: 'ipv4', 6: 'ipv6' }[isIP(plain)];
    return family !== undefined && trusted.check(plain, family);
  };
}

/**
 * Limits how many connections are open, of all and of one address. Over the limit the connection that has been idle longest makes
 * room; where none is idle, the new one is closed.
 *
 * @param server HTTP or HTTPS
 * @param isProxy whether an address is a trusted proxy's: all of its users share it, so it has no limit of its own
 */
export function limitConnections(server, isProxy = () => false, most = CONNECTIONS) {
  server.maxHeadersCount = 100;
  /** By address and port, in the order in which they became idle: what is busy has moved to the end. */
  const open = new Map();
  const keyOf = ({ remoteAddress, remotePort }) => `${remoteAddress} ${remotePort}`;
  const makeRoom = (among, limit) => {
    if (among.length < limit) return true;
    const idle = among.find(({ busy }) => busy === 0);
    idle?.socket.destroy();
    if (idle) open.delete(idle.key);
    return idle !== undefined;
  };
  server.on('connection', (socket) => {
    const { remoteAddress: address } = socket;
    const all = [...open.values()];
    const own = all.filter((one) => one.address === address);
    const room =
      (isProxy(address) || makeRoom(own, most.address)) && makeRoom([...open.values()], most.all);
    if (!room) {
      socket.destroy();
      return;
    }
    const key = keyOf(socket);
    open.set(key, { key, socket, address, busy: 0 });
    socket.once('close', () => {
      if (open.get(key)?.socket === socket) open.delete(key);
    });
  });
  server.on('request', (request, response) => {
    const connection = open.get(keyOf(request.socket));
    if (!connection) return;
    connection.busy += 1;
    response.once('close', () => {
      connection.busy -= 1;
      // Idle since just now: behind those that were idle before.
      if (open.delete(connection.key)) open.set(connection.key, connection);
    });
  });
}

/** Whether a path can be read at all: what cannot be decoded would end in the framework with a stack trace. */
function isReadable(url = '') {
  if (!url.startsWith('/') || url.startsWith('//')) return false;
  try {
    decodeURIComponent(url.split('?')[0]);
    return true;
  } catch {
    return false;
  }
}

/**
 * Returns why a request is refused, as a status, a sentence and headers; null when it may go on. Then it carries the address that
 * asks, and no header that it had no right to.
 *
 * @param request as it came in
 * @param isProxy whether an address is a trusted proxy's
 */
export function refusal(request, isProxy) {
  const { headers, socket, method } = request;
  if (!METHODS.includes(method)) {
    return [405, `The method ${method} is not allowed here.`, { allow: METHODS.join(', ') }];
  }
  if (!isReadable(request.url)) return [400, 'This address is not valid.'];
  const own = OWN.find((name) => name in headers);
  if (own) return [400, `You cannot send the header ${own} to this server.`];
  const length = headers['content-length'];
  if (headers['transfer-encoding'] !== undefined) {
    return [411, 'Send the length of the body in a Content-Length header.'];
  }
  const most = method === 'POST' && request.url === FILES ? MOST_FILE : MOST_BODY;
  if (length !== undefined && !(Number(length) <= most)) {
    return [413, `The body is too large: send at most ${most / 1024 / 1024} MB.`];
  }
  // The last one that the proxy wrote itself; whatever stands before it, the sender may have written.
  const told = isProxy(socket.remoteAddress)
    ? String(headers['x-forwarded-for'] ?? '')
        .split(',')
        .at(-1)
        .trim()
    : '';
  // From anybody else these headers mean nothing, and nothing behind here shall believe them.
  for (const name of Object.keys(headers)) if (FORWARDED.test(name)) delete headers[name];
  headers['x-dirigo-address'] = told || socket.remoteAddress || 'unknown';
  return null;
}

/** Answers what is refused; its body is not read. */
export function refuse(response, [status, message, headers = {}]) {
  response.writeHead(status, {
    'content-type': 'application/json',
    connection: 'close',
    'cache-control': 'no-store',
    ...headers,
  });
  response.end(JSON.stringify({ ok: false, code: 'refused', message }), () =>
    response.req.socket.destroySoon(),
  );
}
