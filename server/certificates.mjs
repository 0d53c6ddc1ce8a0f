import { X509Certificate as Read, createPrivateKey } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import 'reflect-metadata';
import * as x509 from '@peculiar/x509';

const DAY = 24 * 3600 * 1000;
/** Phones believe no certificate of a server for longer than 398 days. */
const SERVER_DAYS = 397;
const AUTHORITY_DAYS = 10 * 365;
/** So long before its end a server's certificate is made anew. */
const RENEWED = 30 * DAY;

const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };

x509.cryptoProvider.set(globalThis.crypto);

const newKeys = () => crypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']);

async function keyPem({ privateKey }) {
  const bytes = await crypto.subtle.exportKey('pkcs8', privateKey);
  return x509.PemConverter.encode(bytes, 'PRIVATE KEY');
}

async function keyFrom(pem) {
  const der = createPrivateKey(pem).export({ type: 'pkcs8', format: 'der' });
  return crypto.subtle.importKey('pkcs8', der, ALGORITHM, true, ['sign']);
}

const serial = () => Buffer.from(crypto.getRandomValues(new Uint8Array(16))).toString('hex');

/** A name that two authorities of two machines do not share. */
const authorityName = () => `CN=Dirigo on this machine ${serial().slice(0, 6)}`;

async function makeAuthority(now) {
  const keys = await newKeys();
  const certificate = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: authorityName(),
    notBefore: new Date(now - DAY),
    notAfter: new Date(now + AUTHORITY_DAYS * DAY),
    keys,
    signingAlgorithm: ALGORITHM,
    extensions: [
      // It may sign servers, and no further authorities.
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(
        x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign,
        true,
      ),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  return { certificate: certificate.toString('pem'), key: await keyPem(keys) };
}

async function makeServer(authority, names, now) {
  const keys = await newKeys();
  const issuer = new x509.X509Certificate(authority.certificate);
  const certificate = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: `CN=${names[0]}`,
    issuer: issuer.subject,
    notBefore: new Date(now - DAY),
    notAfter: new Date(now + SERVER_DAYS * DAY),
    publicKey: keys.publicKey,
    signingKey: await keyFrom(authority.key),
    signingAlgorithm: ALGORITHM,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isIP(value) ? 'ip' : 'dns', value })),
      ),
      await x509.AuthorityKeyIdentifierExtension.create(issuer),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  return { certificate: certificate.toString('pem'), key: await keyPem(keys) };
}

/** Reads a certificate with its key; null where neither is there. */
function kept(folder, name) {
  const [certificate, key] = [join(folder, `${name}.crt`), join(folder, `${name}.key`)];
  if (!existsSync(certificate) || !existsSync(key)) return null;
  return { certificate: readFileSync(certificate, 'utf8'), key: readFileSync(key, 'utf8') };
}

/** Phones trust the authority: it is never replaced without being told to, since all of them would have to trust a new one. */
const LOST = (what, file) =>
  new Error(
    `${what}: ${file}. Restore it from a backup, or start once with --new-authority. After that, every phone has to install the new certificate.`,
  );

/** Checks that the authority's files are whole and belong together. */
function checkAuthority({ certificate, key }, folder) {
  const file = join(folder, 'authority.key');
  try {
    if (!new Read(certificate).checkPrivateKey(createPrivateKey(key))) throw new Error('another');
  } catch {
    throw LOST('The key of this machine’s certificate authority is damaged', file);
  }
}

/** The authority as it was made; null where there never was one. */
function keptAuthority(folder) {
  const known = kept(folder, 'authority');
  if (known) {
    checkAuthority(known, folder);
    return known;
  }
  const rest = ['authority.crt', 'authority.key', 'server.crt'].some((name) =>
    existsSync(join(folder, name)),
  );
  if (!rest) return null;
  const gone = ['authority.key', 'authority.crt'].find((name) => !existsSync(join(folder, name)));
  throw LOST('A file of this machine’s certificate authority is missing', join(folder, gone));
}

function keep(folder, name, made) {
  const { certificate, key } = made;
  writeFileSync(join(folder, `${name}.crt`), certificate);
  writeFileSync(join(folder, `${name}.key`), key, { mode: 0o600 });
  chmodSync(join(folder, `${name}.key`), 0o600);
  return made;
}

/** The names that a certificate is for. */
export const namesOf = (certificate) =>
  (new Read(certificate).subjectAltName ?? '')
    .split(', ')
    .map((one) => one.replace(/^(DNS|IP Address):/, ''))
    .filter(Boolean);

/** Whether a server's certificate is whole, of this authority, for these names, and not near its end. */
function isStillGood({ certificate, key }, authority, names, now) {
  try {
    const read = new Read(certificate);
    return (
      read.checkPrivateKey(createPrivateKey(key)) &&
      read.checkIssued(new Read(authority.certificate)) &&
      Date.parse(read.validTo) - now > RENEWED &&
      names.every((name) => namesOf(certificate).includes(name))
    );
  } catch {
    return false;
  }
}

/**
 * The certificate of this machine's own authority, made once, and one of the server for its names, made anew when it is too
 * old or its names are others.
 *
 * @param folder where they are kept; private keys are for this user alone
 * @param names host names and addresses of this machine
 * @param options.replaceLost makes a new authority whatever is there
 * @throws Error with a sentence when a file of the authority is missing or damaged
 */
export async function certificates(folder, names, { now = Date.now(), replaceLost = false } = {}) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const authority =
    (replaceLost ? null : keptAuthority(folder)) ??
    keep(folder, 'authority', await makeAuthority(now));
  const known = kept(folder, 'server');
  const server =
    known && isStillGood(known, authority, names, now)
      ? known
      : keep(folder, 'server', await makeServer(authority, names, now));
  return { authority, server };
}

/** What one compares by eye: SHA-256 of a certificate, in pairs. */
export const fingerprintOf = (certificate) => new Read(certificate).fingerprint256;
