import 'server-only';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { resolve } from 'node:path';
import { checkHealth, connection, databaseFile } from '@/data';
import { importsRunning } from '../import/jobs';
import { computationsQueued } from '../reckoning/pool';
import { tellJson } from '../shared/answer-ahead';
import { BUILD } from '../shared/build';

/** As server/main.mjs read it when it started. */
const VERSION = process.env.DIRIGO_VERSION ?? null;

/**
 * Answers whether the server is well, for a monitor: 200 when it is, 503 when the database or its backups are not. Under any host
 * name, without signing in: it holds nothing of anybody's, and no path of this machine.
 *
 * @returns true: it is always answered
 */
export async function answerHealth(
  request: IncomingMessage,
  response: ServerResponse,
): Promise<boolean> {
  if (request.method === 'POST') {
    tellJson(response, 405, { ok: false }, { allow: 'GET, HEAD' });
    return true;
  }
  const database = await connection().catch(() => null);
  const { ok, backup, ...health } = await checkHealth(
    database,
    resolve(databaseFile()),
    new Date(),
  );
  // The reason names a folder: Today and the log tell it to whoever may know.
  const { problem, ...told } = backup;
  tellJson(response, ok ? 200 : 503, {
    ok,
    version: VERSION,
    build: BUILD,
    ...health,
    backup: { ...told, failed: problem !== null },
    jobs: { computations: computationsQueued(), imports: importsRunning() },
  });
  return true;
}
