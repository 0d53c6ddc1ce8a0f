import { AsyncLocalStorage } from 'node:async_hooks';
import { readFileSync } from 'node:fs';
import { createServer as createHttp } from 'node:http';
import { createServer as createHttps } from 'node:https';
import { dirname, join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import QRCode from 'qrcode';
import { certificates, fingerprintOf, namesOf } from './certificates.mjs';
import { PATIENCE, limit, refusal, refuse } from './limits.mjs';
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
  },
});
const port = Number(values.port);
const behind = !!process.env.DIRIGO_ORIGIN;

/** How this server is reached: on this machine, by a server in front, or in the local network. */
async function ways() {
  if (behind) {
    const { origin, protocol } = new URL(process.env.DIRIGO_ORIGIN);
    if (protocol === 'https:') process.env.DIRIGO_SECURE = '1';
    return { address: origin, host: '127.0.0.1', tls: null };
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
      'This machine is in no network. Join one, or name an address: --address 192.168.1.20',
    );
  }
  const folder = join(dirname(DIRIGO_DB), 'certificates');
  const names = [...addresses, localName(), 'localhost', '127.0.0.1'];
  const { authority, server } = await certificates(folder, names);
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

const { address, host, tls, welcome } = await ways();
process.env.DIRIGO_BUILD ??= values.dev
  ? 'development'
  : readFileSync('.next/BUILD_ID', 'utf8').trim();
if (values.dev) await bundle();
process.env.DIRIGO_RECKONER ??= resolve(RECKONER);
// Read once the names are set: what the application is built of reads them too.
const { default: next } = await import('next');
/** What the application answers ahead of the framework: it says so itself, some time after the framework is ready. */
const registered = new Promise((resolve) => {
  globalThis.dirigoAnswers = resolve;
});
const app = next({ dev: values.dev, hostname: '127.0.0.1', port });
await app.prepare();
const handle = app.getRequestHandler();
// A request that came before would be answered by neither.
const answersAhead = await registered;

/** Whose request is being answered, and whether they still wait: what is reckoned for nobody is given up. */
const asking = new AsyncLocalStorage();
globalThis.dirigoAsking = asking;

function answer(request, response) {
  const refused = refusal(request, behind);
  if (refused) return refuse(response, refused);
  if (answersAhead(request, response)) return;
  const gone = new AbortController();
  response.once('close', () => gone.abort());
  asking.run(gone.signal, () => void handle(request, response));
}
const server = tls ? createHttps({ ...PATIENCE, ...tls }, answer) : createHttp(PATIENCE, answer);
limit(server);
await listening(server, port, host);

console.log(`\nDirigo is at ${address}  (stop with Ctrl C)`);
if (welcome) {
  const page = welcomeServer({ address, ...welcome });
  await listening(page, port + WELCOME, host);
  console.log(`\nA phone the first time, in the same network: ${welcome.at}`);
  console.log(`SHA-256 of the certificate that it takes: ${welcome.fingerprint}`);
  console.log(await QRCode.toString(welcome.at, { type: 'terminal', small: true }));
} else if (tls || behind) {
  console.log(await QRCode.toString(address, { type: 'terminal', small: true }));
}

/** Whatever is still on its way stops with the program: what was kept is on disk. Processes that read the file end first. */
async function stop() {
  const closed = new Promise((resolve) => server.close(resolve));
  server.closeAllConnections();
  await Promise.race([
    Promise.all([closed, globalThis.dirigoBeforeSwap?.()]),
    new Promise((resolve) => setTimeout(resolve, 2000)),
  ]);
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void stop());
