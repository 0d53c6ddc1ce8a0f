/**
 * What is refused before anything of a request is believed or read: bodies that are too large, headers that only a server in
 * front may send, connections that dawdle.
 */

/** The largest body, octets. What a screen sends of a run, and a drill's file, are far below. */
export const MOST_BODY = 1024 * 1024;
/** A table that is to be taken in may be larger: it is written to a file as it comes. */
const MOST_FILE = 64 * 1024 * 1024;
const FILES = '/records/files/upload';

const SECOND = 1000;

/** Headers by which a server in front says for whom it asks. */
const FORWARDED = /^(forwarded|x-forwarded-.*|x-real-ip)$/;
/** Headers that are the framework's or this server's own, and nobody else's to send. */
const OWN = ['x-action-forwarded', 'x-dirigo-address', 'x-path', 'x-nonce'];

/** How long headers, whole requests and idle connections may take, as a server is made with. */
export const PATIENCE = {
  headersTimeout: 15 * SECOND,
  requestTimeout: 60 * SECOND,
  keepAliveTimeout: 15 * SECOND,
  connectionsCheckingInterval: 5 * SECOND,
};

/** Sets how many connections and headers are taken. */
export function limit(server) {
  server.maxConnections = 500;
  server.maxHeadersCount = 100;
}

const isLoopback = (address) => /^(127\.|::1$|::ffff:127\.)/.test(address ?? '');

/**
 * Why a request is refused, as a status and words; null when it may go on. Then it carries the address that asks, and no
 * header that it had no right to.
 *
 * @param request as it came in
 * @param behind whether a server of ours stands in front, on this machine
 */
export function refusal(request, behind) {
  const { headers, socket } = request;
  const own = OWN.find((name) => name in headers);
  if (own) return [400, `The header ${own} is not yours to send.`];
  const forwarded = Object.keys(headers).filter((name) => FORWARDED.test(name));
  const trusted = behind && isLoopback(socket.remoteAddress);
  if (forwarded.length > 0 && !trusted) {
    return [400, 'No server stands in front of this one: nothing is forwarded here.'];
  }
  const length = headers['content-length'];
  if (headers['transfer-encoding'] !== undefined) {
    return [411, 'Say how long the body is.'];
  }
  const most = request.method === 'POST' && request.url === FILES ? MOST_FILE : MOST_BODY;
  if (length !== undefined && !(Number(length) <= most)) {
    return [413, `A body has at most ${most / 1024 / 1024} MB.`];
  }
  // The last one that the server in front wrote itself; what stands before it, whoever asks may have written.
  const told = trusted
    ? String(headers['x-forwarded-for'] ?? '')
        .split(',')
        .at(-1)
        .trim()
    : '';
  for (const name of forwarded) delete headers[name];
  headers['x-dirigo-address'] = told || socket.remoteAddress || 'unknown';
  return null;
}

/** Answers what is refused; its body is not read. */
export function refuse(response, [status, message]) {
  response.writeHead(status, {
    'content-type': 'application/json',
    connection: 'close',
    'cache-control': 'no-store',
  });
  response.end(JSON.stringify({ ok: false, code: 'refused', message }), () =>
    response.req.socket.destroySoon(),
  );
}
