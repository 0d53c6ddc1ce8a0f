import { X509Certificate } from 'node:crypto';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { createServer } from 'node:http';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { certificates, fingerprintOf, namesOf } from '../server/certificates.mjs';
import { MOST_BODY, PATIENCE, refusal } from '../server/limits.mjs';
import { localAddresses } from '../server/network.mjs';
import { welcomePage } from '../server/welcome.mjs';

const from = (headers: Record<string, string>, remoteAddress = '127.0.0.1') => ({
  headers: { host: 'x', ...headers },
  socket: { remoteAddress },
});

describe('what comes in', () => {
  it('is refused with headers that are not its to send', () => {
    for (const name of ['x-action-forwarded', 'x-dirigo-address', 'x-path', 'x-nonce']) {
      expect(refusal(from({ [name]: '1' }), true)?.[0]).toBe(400);
    }
    for (const name of ['x-forwarded-for', 'x-forwarded-host', 'forwarded', 'x-real-ip']) {
      expect(refusal(from({ [name]: '10.0.0.1' }), false)?.[0]).toBe(400);
      // A server in front stands on this machine.
      expect(refusal(from({ [name]: '10.0.0.1' }, '192.168.1.9'), true)?.[0]).toBe(400);
      expect(refusal(from({ [name]: '10.0.0.1' }), true)).toBeNull();
    }
  });

  it('carries the address that asks: the last that the server in front wrote itself', () => {
    const request = from({
      'x-forwarded-for': '1.2.3.4, 192.168.1.7',
      'x-forwarded-proto': 'https',
    });
    expect(refusal(request, true)).toBeNull();
    expect(request.headers).toEqual({ host: 'x', 'x-dirigo-address': '192.168.1.7' });
    const bare = from({}, '192.168.1.8');
    refusal(bare, false);
    expect(bare.headers).toMatchObject({ 'x-dirigo-address': '192.168.1.8' });
  });

  it('says how long it is, and is not too long', () => {
    const length = (value: string) => refusal(from({ 'content-length': value }), false)?.[0];
    expect(length(String(MOST_BODY))).toBeUndefined();
    for (const value of [String(MOST_BODY + 1), '1e9', 'many', '-'])
      expect(length(value)).toBe(413);
    expect(refusal(from({ 'transfer-encoding': 'chunked' }), false)?.[0]).toBe(411);
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

it('the page that hands over the certificate holds what it is told as text', () => {
  const page = welcomePage({ address: 'https://a"><script>', fingerprint: 'AA:BB' });
  expect(page).not.toContain('<script>');
  expect(page).toContain('AA:BB');
});
