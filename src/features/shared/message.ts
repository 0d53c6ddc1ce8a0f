import 'server-only';
import { Problem, describeDatabaseError } from '@/data';

/** A sentence for a screen; details of anything unforeseen go to the server's log only. */
export function messageFor(error: unknown): string {
  if (error instanceof Problem) return error.message;
  console.error(error);
  if (/SQLITE_(FULL|READONLY|BUSY|IOERR|CORRUPT)|ENOSPC/.test(String(error))) {
    const said = describeDatabaseError(error, 'the database');
    return said.charAt(0).toUpperCase() + said.slice(1);
  }
  return 'This could not be done, and nothing was changed. Try again; if it stays so, restart Dirigo.';
}
