import 'server-only';
import { Problem, connection, endImports } from '@/data';
import { log } from '../shared/log';

/** Deletes what is left of imports that were running when the server ended. */
export async function endHalfImports(): Promise<void> {
  try {
    await endImports(await connection());
  } catch (error) {
    // A database that cannot be opened is shown on every page.
    if (!(error instanceof Problem)) log.error({ event: 'import clean-up failed', err: error });
  }
}
