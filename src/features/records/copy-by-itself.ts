import 'server-only';
import { Problem, connection, copyWhenDue } from '@/data';

/** How often it is asked whether a copy is due, ms. */
const EVERY = 5 * 60_000;
/** The first time, once the server has settled, ms. */
const FIRST = 20_000;

const running = globalThis as typeof globalThis & { dirigoCopies?: NodeJS.Timeout };

/** Has copies made by themselves as long as the server runs. Why one could not be made is kept, and told under Today. */
export function copyByItself(): void {
  clearTimeout(running.dirigoCopies);
  const next = (wait: number) => {
    running.dirigoCopies = setTimeout(() => {
      void copyNow().finally(() => next(EVERY));
    }, wait);
    running.dirigoCopies.unref();
  };
  next(FIRST);
}

async function copyNow(): Promise<void> {
  try {
    const { path } = await connection();
    await copyWhenDue(path, new Date());
  } catch (error) {
    if (!(error instanceof Problem)) console.error(error);
  }
}
