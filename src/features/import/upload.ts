import 'server-only';
import { createWriteStream } from 'node:fs';
import { mkdir, readdir, rm, stat } from 'node:fs/promises';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { dirname, join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { v4 } from 'uuid';
import { databaseFile, type CoachPrincipal } from '@/data';
import { coachAsking, pathOf, tellJson } from '../shared/answer-ahead';
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

async function upload(request: IncomingMessage, response: ServerResponse): Promise<void> {
  const principal = await coachAsking(request);
  if (!principal || principal.as === 'assistant') {
    return tellJson(response, 401, {
      ok: false,
      message: 'You are signed out on this device. Sign in again.',
    });
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
    tellJson(response, 200, { ok: true, id });
  } catch (error) {
    await rm(path, { force: true });
    if (octets <= MOST.octets) throw error;
    tellJson(response, 413, {
      ok: false,
      message: `The file is too large: use at most ${MOST.octets / 1024 / 1024} MB.`,
    });
  }
}

/**
 * Takes a file, ahead of the framework, which would hold all of it in memory.
 *
 * @returns whether it was such a request; any other is left alone
 */
export function answerUpload(request: IncomingMessage, response: ServerResponse): boolean {
  const path = pathOf(request);
  if (request.method !== 'POST' || path !== PATH) return false;
  void upload(request, response).catch((error: unknown) => {
    if (response.headersSent) response.destroy();
    else tellJson(response, 500, { ok: false, message: messageFor(error) });
  });
  return true;
}
