import 'server-only';

/** What is being taken in, or was. */
export type JobTold =
  | { state: 'going'; putts: number }
  | { state: 'done'; putts: number; sessions: number }
  | { state: 'stopped' }
  | { state: 'failed'; message: string };

interface Job {
  coachId: string;
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
  coachId: string,
  work: (far: (putts: number) => void) => Promise<{ putts: number; sessions: number }>,
  messageFor: (error: unknown) => string,
): void {
  const job: Job = { coachId, told: { state: 'going', putts: 0 }, stop: false };
  jobs().set(id, job);
  const [oldest] = jobs().keys();
  if (jobs().size > MOST && oldest !== undefined) jobs().delete(oldest);
  const far = (putts: number) => {
    if (job.stop) throw new Stopped();
    job.told = { state: 'going', putts };
  };
  void work(far).then(
    ({ putts, sessions }) => (job.told = { state: 'done', putts, sessions }),
    (error: unknown) =>
      (job.told =
        error instanceof Stopped
          ? { state: 'stopped' }
          : { state: 'failed', message: messageFor(error) }),
  );
}

/** How far a job of a coach is; null for none. */
export function jobTold(id: string, coachId: string): JobTold | null {
  const job = jobs().get(id);
  return job?.coachId === coachId ? job.told : null;
}

/** Has a job of a coach stop; what it did so far is taken out again. False when there is none. */
export function stopJob(id: string, coachId: string): boolean {
  const job = jobs().get(id);
  if (job?.coachId !== coachId) return false;
  job.stop = true;
  return true;
}
