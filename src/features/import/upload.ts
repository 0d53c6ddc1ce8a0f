import 'server-only';
import { createWriteStream } from 'node:fs';
import { mkdir, readdir, rm, stat } from 'node:fs/promises';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { dirname, join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { parseCookie } from 'cookie';
import { v4 } from 'uuid';
import { connection, databaseFile, type CoachPrincipal } from '@/data';
import { coachBy } from '../shared/asking';
import { FOREIGN, guarding, refusedAs } from '../shared/border';
import { COOKIE } from '../shared/cookie';
import { messageFor } from '../shared/message';
import { MOST } from './table-file';

/** Where a file is sent that is to be taken in. */
const PATH = '/records/files/upload';
/** A file that nothing came of is forgotten after this, ms. */
const FORGOTTEN = 24 * 3_600_000;

const folder = (): string => join(dirname(databaseFile()), 'files');

/** Where a file lies that a coach has sent: under the coach's own name, so that nobody else's is read. */
export const fileOf = ({ coachId }: CoachPrincipal, id: string): string =>
  join(folder(), `${coachId}-${id}`);

/** Forgets files that nothing came of. */
async function forgetOld(): Promise<void> {
  for (const name of await readdir(folder())) {
    const path = join(folder(), name);
    const { mtimeMs } = await stat(path).catch(() => ({ mtimeMs: Date.now() }));
    if (Date.now() - mtimeMs > FORGOTTEN) await rm(path, { force: true });
  }
}

function tell(response: ServerResponse, status: number, body: object): void {
  const text = JSON.stringify(body);
  response.writeHead(status, {
    ...guarding(),
    'content-type': 'application/json',
    'content-length': Buffer.byteLength(text),
    'cache-control': 'no-store',
  });
  response.end(text);
}

async function upload(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const { headers } = request;
  const secret = parseCookie(headers.cookie ?? '')[COOKIE.name];
  const principal = await coachBy(await connection(), secret, headers.host ?? '');
  if (!principal || principal.as === 'assistant') {
    return tell(response, 401, { ok: false, message: 'You are signed out here. Sign in again.' });
  }
  await mkdir(folder(), { recursive: true, mode: 0o700 });
  await forgetOld();
  const id = v4();
  const path = fileOf(principal, id);
  let octets = 0;
  const within = new Transform({
    transform: (piece: Buffer, _encoding, done) => {
      octets += piece.length;
      done(octets > MOST.octets ? new Error('too large') : null, piece);
    },
  });
  try {
    await pipeline(request, within, createWriteStream(path, { mode: 0o600 }));
    tell(response, 200, { ok: true, id });
  } catch (error) {
    await rm(path, { force: true });
    if (octets <= MOST.octets) throw error;
    tell(response, 413, {
      ok: false,
      message: `The file is too large; at most ${MOST.octets / 1024 / 1024} MB.`,
    });
  }
}

/**
 * Takes a file, ahead of the framework, which would hold all of it in memory.
 *
 * @returns whether it was such a request; any other is left alone
 */
export function answerUpload(request: IncomingMessage, response: ServerResponse): boolean {
  const path = (request.url ?? '').split('?')[0]!;
  if (request.method !== 'POST' || path !== PATH) return false;
  const { headers } = request;
  const one = (name: string): string | null => {
    const value = headers[name];
    return typeof value === 'string' ? value : null;
  };
  const asked = {
    method: 'POST',
    path,
    host: one('host') ?? '',
    origin: one('origin'),
    site: one('sec-fetch-site'),
  };
  if (refusedAs(asked, process.env)) {
    tell(response, 403, FOREIGN);
    return true;
  }
  void upload(request, response).catch((error: unknown) => {
    if (response.headersSent) response.destroy();
    else tell(response, 500, { ok: false, message: messageFor(error) });
  });
  return true;
}
