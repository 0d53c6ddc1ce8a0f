import {
  Decrypter,
  Encrypter,
  armor,
  generateX25519Identity,
  identityToRecipient,
} from 'age-encryption';
import { createReadStream, createWriteStream } from 'node:fs';
import { readFile, readdir, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import { backupFolder, backupState, saveBackupState, type BackupKey } from './backup-state';
import { Problem } from './problem';
import { OWN_ONLY } from './raw-file';

/** The encrypted private key, beside the backups that it opens: `age -d` asks for the passphrase. */
const KEY_FILE = 'backup-key.age';

/** Work factor of the passphrase, as a power of two: the format's own default. */
const WORK_FACTOR = 18;

/**
 * Returns a new key pair for backups, its private key encrypted with a passphrase. Blocks for about a second on purpose, so that
 * passphrases are slow to guess: not for the process that answers requests.
 *
 * @param passphrase of the coach
 * @param work log2 of the rounds that a guess takes
 */
export async function newBackupKey(
  passphrase: string,
  work: number = WORK_FACTOR,
): Promise<BackupKey> {
  const identity = await generateX25519Identity();
  const encrypter = new Encrypter();
  encrypter.setScryptWorkFactor(work);
  encrypter.setPassphrase(passphrase);
  return {
    identity,
    recipient: await identityToRecipient(identity),
    wrapped: armor.encode(await encrypter.encrypt(identity)),
  };
}

/**
 * Has backups encrypted from now on, or no longer. The passphrase itself is not kept: it opens the private key that lies beside
 * the backups. Earlier backups stay as they are.
 *
 * @param key null to stop encrypting
 */
export async function encryptBackups(path: string, key: BackupKey | null): Promise<void> {
  await saveBackupState(path, { key });
}

/** Puts the wrapped key beside the backups. Each key has a file of its own: an earlier one still opens earlier backups. */
export async function writeKeyFile(
  folder: string,
  { recipient, wrapped }: BackupKey,
): Promise<void> {
  const file = join(folder, `${recipient.slice(-12)}-${KEY_FILE}`);
  await writeFile(file, wrapped, { mode: OWN_ONLY });
}

/** Encrypts a file for the owner of a key. */
export async function encryptFile(
  from: string,
  to: string,
  { recipient }: BackupKey,
): Promise<void> {
  const encrypter = new Encrypter();
  encrypter.addRecipient(recipient);
  const plain = Readable.toWeb(createReadStream(from)) as globalThis.ReadableStream<Uint8Array>;
  const sealed = await encrypter.encrypt(plain);
  await pipeline(
    Readable.fromWeb(sealed as ReadableStream),
    createWriteStream(to, { mode: OWN_ONLY, flush: true }),
  );
}

async function decryptFile(from: string, to: string, identities: readonly string[]): Promise<void> {
  const decrypter = new Decrypter();
  for (const identity of identities) decrypter.addIdentity(identity);
  const sealed = Readable.toWeb(createReadStream(from)) as globalThis.ReadableStream<Uint8Array>;
  const plain = await decrypter.decrypt(sealed);
  await pipeline(
    Readable.fromWeb(plain as ReadableStream),
    createWriteStream(to, { mode: OWN_ONLY, flush: true }),
  );
}

/** The private keys that a passphrase opens, of those that lie beside a backup or beside the database. */
async function identitiesFor(path: string, file: string, passphrase: string): Promise<string[]> {
  const wrapped: string[] = [];
  for (const folder of new Set([dirname(file), await backupFolder(path)])) {
    const names = await readdir(folder).catch(() => []);
    for (const name of names.filter((one) => one.endsWith(KEY_FILE))) {
      wrapped.push(await readFile(join(folder, name), 'utf8'));
    }
  }
  const { key } = await backupState(path);
  if (key && !wrapped.includes(key.wrapped)) wrapped.push(key.wrapped);
  if (wrapped.length === 0) {
    throw new Problem(
      'invalid',
      `The key of this backup is missing: the file that ends in ${KEY_FILE} belongs beside it.`,
    );
  }
  const opened: string[] = [];
  for (const text of wrapped) {
    const decrypter = new Decrypter();
    decrypter.addPassphrase(passphrase);
    const identity = await decrypter.decrypt(armor.decode(text), 'text').catch(() => null);
    if (identity !== null) opened.push(identity);
  }
  return opened;
}

/**
 * Decrypts a backup with a passphrase; without one, with the key that this machine keeps for its rehearsals.
 *
 * @param path the database whose backup it is
 * @param to where the database is put
 * @throws Problem when the passphrase does not open it
 */
export async function openEncrypted(
  path: string,
  file: string,
  to: string,
  passphrase: string | null,
): Promise<void> {
  const { key } = await backupState(path);
  const identities =
    passphrase === null ? (key ? [key.identity] : []) : await identitiesFor(path, file, passphrase);
  if (identities.length === 0) {
    throw new Problem(
      'invalid',
      passphrase === null
        ? 'This backup is encrypted. Enter its passphrase.'
        : 'The passphrase does not open this backup. Check it and try again.',
    );
  }
  await decryptFile(file, to, identities).catch((error: unknown) => {
    throw /no identity matched/.test(String(error))
      ? new Problem('invalid', 'The passphrase does not open this backup. Check it and try again.')
      : new Problem('invalid', 'This backup is damaged. Choose another one.');
  });
}
