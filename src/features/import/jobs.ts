import 'server-only';
import type { CoachPrincipal } from '@/data';
import { log } from '../shared/log';

/** What is being taken in, or was. */
export type JobTold =
  | { state: 'going'; putts: number }
  | { state: 'done'; putts: number; sessions: number }
  | { state: 'stopped' }
  | { state: 'failed'; message: string };

/** Whose a work is: a coach's, by id; or any head coach's, where the work itself puts other coaches in. */
export type Owner = string | typeof HEADS;
export const HEADS = Symbol.for('dirigo.heads');

interface Job {
  owner: Owner;
  told: JobTold;
  stop: boolean;
}

/** Jobs whose end is remembered. */
const MOST = 50;
const KEY = Symbol.for('dirigo.imports');
const jobs = (): Map<string, Job> => {
  const there = globalThis as { [KEY]?: Map<string, Job> };
  return (there[KEY] ??= new Map());
};

/** That it is to stop: said to whoever does the work, and to nobody else. */
class Stopped extends Error {}

/**
 * Does some work in the background.
 *
 * @param work is given what to call with how far it is; that throws when it is to stop
 */
export function startJob(
  id: string,
  owner: Owner,
  work: (far: (putts: number) => void) => Promise<{ putts: number; sessions: number }>,
  messageFor: (error: unknown) => string,
): void {
  const job: Job = { owner, told: { state: 'going', putts: 0 }, stop: false };
  jobs().set(id, job);
  const [oldest] = jobs().keys();
  if (jobs().size > MOST && oldest !== undefined) jobs().delete(oldest);
  const far = (putts: number) => {
    if (job.stop) throw new Stopped();
    job.told = { state: 'going', putts };
  };
  log.info({ event: 'import started' });
  void work(far).then(
    ({ putts, sessions }) => {
      job.told = { state: 'done', putts, sessions };
      log.info({ event: 'import done', putts, sessions });
    },
    (error: unknown) => {
      const stopped = error instanceof Stopped;
      job.told = stopped ? { state: 'stopped' } : { state: 'failed', message: messageFor(error) };
      if (stopped) log.info({ event: 'import stopped' });
      else log.error({ event: 'import failed', err: error });
    },
  );
}

/** How many imports are running. */
export const importsRunning = (): number =>
  [...jobs().values()].filter(({ told }) => told.state === 'going').length;

/** A job of a coach; of the head coaches too, for who is one. */
function jobOf(id: string, { as, coachId }: CoachPrincipal): Job | null {
  const job = jobs().get(id);
  if (!job) return null;
  return job.owner === coachId || (job.owner === HEADS && as === 'head') ? job : null;
}

/** How far a job of a coach is; null for none. */
export const jobTold = (id: string, coach: CoachPrincipal): JobTold | null =>
  jobOf(id, coach)?.told ?? null;

/** Has a job of a coach stop; what it did so far is taken out again. False when there is none. */
export function stopJob(id: string, coach: CoachPrincipal): boolean {
  const job = jobOf(id, coach);
  if (!job) return false;
  job.stop = true;
  return true;
}
