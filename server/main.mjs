import { AsyncLocalStorage } from 'node:async_hooks';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createServer as createHttp } from 'node:http';
import { createServer as createHttps } from 'node:https';
import { dirname, join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import QRCode from 'qrcode';
import { certificates, fingerprintOf, namesOf } from './certificates.mjs';
import { PATIENCE, limitConnections, refusal, refuse, trustedProxies } from './limits.mjs';
import { localAddresses, localName } from './network.mjs';
import { RECKONER, bundle } from './reckoner.mjs';
import { welcomeServer } from './welcome.mjs';

/** The page with the certificate stands so many ports further on. */
const WELCOME = 80;

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: process.env.PORT ?? '3000' },
    network: { type: 'boolean', default: false },
    address: { type: 'string' },
    dev: { type: 'boolean', default: false },
    'new-authority': { type: 'boolean', default: false },
  },
});
const port = Number(values.port);
const behind = !!process.env.DIRIGO_ORIGIN;

/** How this server is reached: on this machine, by a server in front, or in the local network. */
async function ways() {
  if (behind) {
    const { origin, protocol } = new URL(process.env.DIRIGO_ORIGIN);
    if (protocol === 'https:') process.env.DIRIGO_SECURE = '1';
    // In a container the proxy stands outside of it.
    return { address: origin, host: process.env.DIRIGO_BIND ?? '127.0.0.1', tls: null };
  }
  if (!values.network) return { address: `http://127.0.0.1:${port}`, host: '127.0.0.1', tls: null };
  process.env.DIRIGO_SECURE = '1';
  const { DIRIGO_CERT, DIRIGO_KEY, DIRIGO_DB = 'data/dirigo.db' } = process.env;
  if (DIRIGO_CERT && DIRIGO_KEY) {
    const tls = { cert: readFileSync(DIRIGO_CERT), key: readFileSync(DIRIGO_KEY) };
    const names = namesOf(tls.cert);
    return { ...underNames(names), tls };
  }
  const addresses = values.address ? [values.address] : localAddresses();
  if (addresses.length === 0) {
    throw new Error(
      'This machine is not on a network. Connect to one, or give an address: --address 192.168.1.20',
    );
  }
  const folder = join(dirname(DIRIGO_DB), 'certificates');
  const names = [...addresses, localName(), 'localhost', '127.0.0.1'];
  const { authority, server } = await certificates(folder, names, {
    replaceLost: values['new-authority'],
  });
  return {
    ...underNames(names),
    tls: { cert: server.certificate, key: server.key },
    welcome: {
      at: `http://${addresses[0]}:${port + WELCOME}`,
      fingerprint: fingerprintOf(authority.certificate),
      certificateFile: join(folder, 'authority.crt'),
    },
  };
}

function underNames(names) {
  const hosts = names.flatMap((name) => (port === 443 ? [name] : [`${name}:${port}`]));
  process.env.DIRIGO_NETWORK = hosts.join(',');
  return { address: `https://${hosts[0]}`, host: '0.0.0.0' };
}

const listening = (server, onPort, host) =>
  new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(onPort, host, resolve);
  });

/** How long requests that are being answered are waited for when the server stops, ms. */
const FINISH = 3000;
/** How long everything that happens at a stop may take, ms. */
const STOPPED = 4500;

/** A start that cannot go on says why in a sentence. */
function giveUp(error) {
  console.error(`\n✗ ${error.message}\n`);
  process.exit(1);
}

const { address, host, tls, welcome } = await ways().catch(giveUp);
const isProxy = (() => {
  try {
    return trustedProxies(process.env.DIRIGO_TRUST_PROXY);
  } catch (error) {
    return giveUp(error);
  }
})();
process.env.DIRIGO_BUILD ??= values.dev
  ? 'development'
  : readFileSync('.next/BUILD_ID', 'utf8').trim();
process.env.DIRIGO_VERSION ??= JSON.parse(readFileSync('package.json', 'utf8')).version;
if (values.dev) await bundle();
process.env.DIRIGO_RECKONER ??= resolve(RECKONER);
/** The request that is being answered: its id for the log, and whether whoever asked is still there. */
const requests = new AsyncLocalStorage();
globalThis.dirigoRequest = requests;
// Read once the names are set: what the application is built of reads them too.
const { default: next } = await import('next');
/** What the application does beside the framework's pages: it says so itself, some time after the framework is ready. */
const registered = new Promise((resolve) => {
  globalThis.dirigoServer = resolve;
});
const app = next({ dev: values.dev, hostname: '127.0.0.1', port });
await app.prepare();
const handle = app.getRequestHandler();
// A request that came before would be answered by neither.
const { answersAhead, log, endStreams, shutDown } = await registered;

let stopping = false;

function answer(request, response) {
  const refused = refusal(request, isProxy);
  if (refused) {
    log.warn({ event: 'refused', status: refused[0], method: request.method });
    return refuse(response, refused);
  }
  const gone = new AbortController();
  response.once('close', () => {
    gone.abort();
    if (stopping) server.closeIdleConnections();
  });
  requests.run({ id: randomUUID(), signal: gone.signal }, () => {
    void Promise.resolve(answersAhead(request, response))
      .then((answered) => answered || handle(request, response))
      .catch((error) => {
        log.error({ event: 'unanswered', err: error });
        if (response.headersSent) response.destroy();
        else refuse(response, [500, 'Something went wrong. Try again.']);
      });
  });
}
const server = tls ? createHttps({ ...PATIENCE, ...tls }, answer) : createHttp(PATIENCE, answer);
limitConnections(server, isProxy);
await listening(server, port, host).catch(giveUp);
log.info({ event: 'started', build: process.env.DIRIGO_BUILD, node: process.versions.node });

console.log(`\nDirigo is at ${address}  (stop with Ctrl C)`);
if ((behind || process.env.DIRIGO_HOME) && !process.env.DIRIGO_TRUST_PROXY) {
  console.log(
    'All clients behind the proxy count as one address. Name the proxy in DIRIGO_TRUST_PROXY, for example 127.0.0.1.',
  );
}
if (welcome) {
  const page = welcomeServer({ address, ...welcome });
  await listening(page, port + WELCOME, host);
  console.log(`\nFirst time on a phone, on the same network: ${welcome.at}`);
  console.log(`SHA-256 of the certificate that the phone installs: ${welcome.fingerprint}`);
  console.log(await QRCode.toString(welcome.at, { type: 'terminal', small: true }));
} else if (tls || behind) {
  console.log(await QRCode.toString(address, { type: 'terminal', small: true }));
}

const after = (wait) => new Promise((resolve) => setTimeout(resolve, wait).unref());

/** Takes no more requests, finishes those that are being answered, and closes the database in one file. */
async function stop(signal) {
  if (stopping) return;
  stopping = true;
  log.info({ event: 'stopping', signal });
  const late = after(STOPPED);
  const closed = new Promise((resolve) => server.close(resolve));
  endStreams();
  server.closeIdleConnections();
  await Promise.race([closed, after(FINISH)]);
  server.closeAllConnections();
  await Promise.race([shutDown(), late]);
  log.info({ event: 'stopped' });
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(signal));
