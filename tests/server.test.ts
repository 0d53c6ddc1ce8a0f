import { X509Certificate, generateKeyPairSync } from 'node:crypto';
import { mkdtempSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { connect, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { certificates, fingerprintOf, namesOf } from '../server/certificates.mjs';
import {
  MOST_BODY,
  PATIENCE,
  limitConnections,
  refusal,
  trustedProxies,
} from '../server/limits.mjs';
import { localAddresses } from '../server/network.mjs';
import { welcomePage, welcomeServer } from '../server/welcome.mjs';

const from = (
  headers: Record<string, string>,
  remoteAddress = '127.0.0.1',
  { method = 'GET', url = '/' } = {},
) => ({ method, url, headers: { host: 'x', ...headers }, socket: { remoteAddress } });

const nobody = trustedProxies('');
const loopback = trustedProxies('127.0.0.1');

describe('what comes in', () => {
  it('is refused with headers that are not its to send', () => {
    for (const name of ['x-action-forwarded', 'x-dirigo-address', 'x-path', 'x-nonce']) {
      expect(refusal(from({ [name]: '1' }), loopback)?.[0]).toBe(400);
    }
  });

  it('is believed about whom it asks for only when a named proxy says so', () => {
    for (const name of ['x-forwarded-for', 'x-forwarded-host', 'forwarded', 'x-real-ip']) {
      for (const [address, isProxy] of [
        ['127.0.0.1', nobody],
        ['192.168.1.9', loopback],
      ] as const) {
        const request = from({ [name]: '10.0.0.1' }, address);
        expect(refusal(request, isProxy)).toBeNull();
        expect(request.headers).toEqual({ host: 'x', 'x-dirigo-address': address });
      }
    }
  });

  it('carries the address that asks: the last that the proxy wrote itself', () => {
    const request = from({
      'x-forwarded-for': '1.2.3.4, 192.168.1.7',
      'x-forwarded-proto': 'https',
    });
    expect(refusal(request, loopback)).toBeNull();
    expect(request.headers).toEqual({ host: 'x', 'x-dirigo-address': '192.168.1.7' });
    const bare = from({}, '192.168.1.8');
    refusal(bare, nobody);
    expect(bare.headers).toMatchObject({ 'x-dirigo-address': '192.168.1.8' });
  });

  it('says how long it is, and is not too long', () => {
    const length = (value: string) => refusal(from({ 'content-length': value }), nobody)?.[0];
    expect(length(String(MOST_BODY))).toBeUndefined();
    for (const value of [String(MOST_BODY + 1), '1e9', 'many', '-'])
      expect(length(value)).toBe(413);
    expect(refusal(from({ 'transfer-encoding': 'chunked' }), nobody)?.[0]).toBe(411);
  });

  it('has a method and a path that can be', () => {
    for (const method of ['OPTIONS', 'TRACE', 'PUT', 'CONNECT']) {
      expect(refusal(from({}, undefined, { method }), nobody)).toMatchObject([
        405,
        expect.any(String),
        { allow: 'GET, HEAD, POST' },
      ]);
    }
    for (const url of ['/%E0%A4%A', '/a/%', '//elsewhere', '*', 'http://elsewhere/']) {
      expect(refusal(from({}, undefined, { url }), nobody)?.[0]).toBe(400);
    }
    for (const url of ['/', '/students?x=%', '/drills/%C3%A9']) {
      expect(refusal(from({}, undefined, { url }), nobody)).toBeNull();
    }
  });
});

describe('trusted proxies', () => {
  it('are addresses and networks, of either family', () => {
    const isProxy = trustedProxies('127.0.0.1, 10.1.0.0/16, ::1');
    for (const address of ['127.0.0.1', '::ffff:127.0.0.1', '10.1.2.3', '::1']) {
      expect([address, isProxy(address)]).toEqual([address, true]);
    }
    for (const address of ['127.0.0.2', '10.2.0.1', 'fe80::1', '', undefined]) {
      expect([address, isProxy(address)]).toEqual([address, false]);
    }
  });

  it.each(['nginx', '10.0.0.0/33', '10.0.0.0/x', '300.1.1.1'])('are not “%s”', (entry) => {
    expect(() => trustedProxies(entry)).toThrow(`"${entry}" is not an address`);
  });
});

describe('connections', () => {
  /** A server that answers each request when it is told to. */
  async function limited(most: { all: number; address: number }) {
    const held: (() => void)[] = [];
    const server = createServer((request, response) => {
      const answer = () => response.end('done');
      if (request.url === '/held') held.push(answer);
      else answer();
    });
    limitConnections(server, undefined, most);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const { port } = server.address() as { port: number };
    const open = () =>
      new Promise<Socket>((resolve) => {
        const socket = connect(port, '127.0.0.1', () => resolve(socket));
        socket.on('error', () => undefined);
      });
    const asks = async (path: string) =>
      fetch(`http://127.0.0.1:${port}${path}`, { headers: { connection: 'close' } }).then((one) =>
        one.text(),
      );
    const close = () =>
      new Promise((resolve) => (server.close(resolve), server.closeAllConnections()));
    return { open, asks, held, close };
  }
  const closed = (socket: Socket) =>
    new Promise<void>((resolve) => (socket.destroyed ? resolve() : socket.once('close', resolve)));

  it('over the limit the one that is idle longest makes room', async () => {
    const { open, asks, close } = await limited({ all: 100, address: 3 });
    const idle = [await open(), await open(), await open()];
    expect(await asks('/')).toBe('done');
    await closed(idle[0]!);
    expect(idle[2]!.destroyed).toBe(false);
    await close();
  });

  it('one that is being answered is never closed for another', async () => {
    const { asks, held, close } = await limited({ all: 100, address: 2 });
    const answers = [asks('/held'), asks('/held')];
    while (held.length < 2) await new Promise(setImmediate);
    await expect(asks('/')).rejects.toThrow();
    held.forEach((answer) => answer());
    expect(await Promise.all(answers)).toEqual(['done', 'done']);
    expect(await asks('/')).toBe('done');
    await close();
  });
});

it('a connection that never ends its headers is cut off', async () => {
  // As the program's, but a hundred times as impatient.
  const hundredth = Object.fromEntries(
    Object.entries(PATIENCE).map(([name, value]) => [name, value / 100]),
  );
  const server = createServer(hundredth, (_request, response) => response.end('never'));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as { port: number };
  const said = await new Promise<string>((resolve) => {
    let text = '';
    const socket = connect(port, '127.0.0.1', () => socket.write('GET / HTTP/1.1\r\nhost: x\r\n'));
    socket.on('data', (part) => (text += String(part)));
    socket.on('close', () => resolve(text));
  });
  expect(said).toMatch(/^HTTP\/1.1 408/);
  await new Promise((resolve) => server.close(resolve));
});

describe('the certificates of this machine', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'dirigo-certificates-'))));
  afterEach(() => rmSync(folder, { recursive: true }));
  const NAMES = ['192.168.1.5', 'wharf.local', 'localhost'];

  it('are made once, for its names, by an authority of its own', async () => {
    const made = await certificates(folder, NAMES);
    const [authority, server] = [made.authority, made.server].map(
      ({ certificate }) => new X509Certificate(certificate),
    );
    expect(server!.verify(authority!.publicKey)).toBe(true);
    expect([authority!.ca, server!.ca]).toEqual([true, false]);
    expect(namesOf(made.server.certificate)).toEqual(NAMES);
    expect(server!.checkIP('192.168.1.5')).toBe('192.168.1.5');
    expect(server!.checkIP('192.168.1.6')).toBeUndefined();
    const days = (Date.parse(server!.validTo) - Date.parse(server!.validFrom)) / 864e5;
    // Phones take no longer one.
    expect(days).toBeLessThanOrEqual(398);
    expect(await certificates(folder, NAMES)).toEqual(made);
    for (const name of ['authority.key', 'server.key']) {
      expect(statSync(join(folder, name)).mode & 0o777).toBe(0o600);
    }
  });

  it.each([
    ['cut off', (file: string) => truncateSync(file, 60), 'is damaged'],
    [
      'of another',
      (file: string) =>
        writeFileSync(
          file,
          generateKeyPairSync('ec', { namedCurve: 'P-256' }).privateKey.export({
            type: 'pkcs8',
            format: 'pem',
          }),
        ),
      'is damaged',
    ],
    ['lost', (file: string) => rmSync(file), 'is missing'],
  ])(
    'with a key that is %s say so in a sentence, and are not replaced by themselves',
    async (_what, hurt, words) => {
      const first = await certificates(folder, NAMES);
      const key = join(folder, 'authority.key');
      hurt(key);
      await expect(certificates(folder, NAMES)).rejects.toThrow(words);
      await expect(certificates(folder, NAMES)).rejects.toThrow('--new-authority');
      const made = await certificates(folder, NAMES, { replaceLost: true });
      expect(made.authority).not.toEqual(first.authority);
      expect(await certificates(folder, NAMES)).toEqual(made);
    },
  );

  it('both files of the authority lost are missed as well: phones trust the old one', async () => {
    await certificates(folder, NAMES);
    for (const name of ['authority.key', 'authority.crt']) rmSync(join(folder, name));
    await expect(certificates(folder, NAMES)).rejects.toThrow('is missing');
  });

  it('of the server are made anew for other names and near their end; the authority stays', async () => {
    const first = await certificates(folder, NAMES);
    const moved = await certificates(folder, ['192.168.7.7', ...NAMES]);
    expect(moved.authority).toEqual(first.authority);
    expect(moved.server).not.toEqual(first.server);
    const later = Date.now() + 370 * 864e5;
    const renewed = await certificates(folder, NAMES, { now: later });
    expect(renewed.server).not.toEqual(moved.server);
    expect(fingerprintOf(renewed.authority.certificate)).toBe(
      fingerprintOf(first.authority.certificate),
    );
  });
});

it('addresses of the local network come first, and none of this machine alone', () => {
  const one = (address: string, internal = false, family = 'IPv4') =>
    ({ address, internal, family }) as never;
  expect(
    localAddresses({
      lo: [one('127.0.0.1', true)],
      tun: [one('100.64.0.1')],
      wlan: [one('fe80::1', false, 'IPv6'), one('192.168.1.20')],
    }),
  ).toEqual(['192.168.1.20', '100.64.0.1']);
});

it('two hundred idle connections do not shut the page that hands over the certificate', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'dirigo-welcome-'));
  const certificateFile = join(folder, 'authority.crt');
  writeFileSync(certificateFile, 'a certificate');
  const page = welcomeServer({ address: 'https://wharf', fingerprint: 'AA:BB', certificateFile });
  await new Promise<void>((resolve) => page.listen(0, '127.0.0.1', resolve));
  const { port } = page.address() as { port: number };
  for (let idle = 0; idle < 200; idle++) {
    await new Promise<void>((resolve) => {
      connect(port, '127.0.0.1', resolve).on('error', () => undefined);
    });
  }
  const answer = await fetch(`http://127.0.0.1:${port}/`);
  expect([answer.status, await answer.text()]).toEqual([200, expect.stringContaining('AA:BB')]);
  page.closeAllConnections();
  await new Promise((resolve) => page.close(resolve));
  rmSync(folder, { recursive: true });
});

it('the page that hands over the certificate holds what it is told as text', () => {
  const page = welcomePage({ address: 'https://a"><script>', fingerprint: 'AA:BB' });
  expect(page).not.toContain('<script>');
  expect(page).toContain('AA:BB');
});
