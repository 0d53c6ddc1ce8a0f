import 'server-only';
import { asSentence } from '@/core/units';
import { Problem, describeDatabaseError } from '@/data';
import { log } from './log';

/** The status that a route answers a problem with. */
export const STATUS = {
  'not-found': 404,
  finished: 409,
  invalid: 422,
  refused: 401,
  database: 503,
} as const;

/** A sentence for a screen; details of anything unforeseen go to the server's log only. */
export function messageFor(error: unknown): string {
  if (error instanceof Problem) return error.message;
  log.error({ event: 'failed', err: error });
  if (/SQLITE_(FULL|READONLY|BUSY|IOERR|CORRUPT)|ENOSPC/.test(String(error))) {
    const said = describeDatabaseError(error, 'the database');
    return asSentence(said);
  }
  return 'This could not be done, and nothing was changed. Try again. If it keeps failing, restart Dirigo.';
}
