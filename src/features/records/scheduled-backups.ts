import 'server-only';
import { Problem, backupWhenDue, connection, rehearseWhenDue } from '@/data';
import { log } from '../shared/log';

/** How often a backup may become due, ms. */
const EVERY = 5 * 60_000;
/** The first time, once the server has settled, ms. */
const FIRST = 20_000;

const running = globalThis as typeof globalThis & { dirigoBackups?: NodeJS.Timeout };

/** Makes backups for as long as the server runs, and rehearses a restore once a day. */
export function scheduleBackups(): void {
  clearTimeout(running.dirigoBackups);
  const next = (wait: number) => {
    running.dirigoBackups = setTimeout(() => {
      void backUpWhenDue().finally(() => next(EVERY));
    }, wait);
    running.dirigoBackups.unref();
  };
  next(FIRST);
}

async function backUpWhenDue(): Promise<void> {
  try {
    const { path } = await connection();
    const backup = await backupWhenDue(path, new Date());
    if (backup) log.info({ event: 'backup made', bytes: backup.bytes });
    await rehearseWhenDue(path, new Date());
  } catch (error) {
    // A reason is kept where Today and the health check find it.
    if (error instanceof Problem) log.error({ event: 'backup failed', reason: error.message });
    else log.error({ event: 'backup failed', err: error });
  }
}
