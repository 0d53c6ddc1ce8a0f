import 'server-only';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { Problem } from '@/data';

const MINUTE = 60;

/** Wrong tries that are let through before one has to wait: by address, and by account from any address. */
const TRIES = {
  address: { points: 10, duration: 15 * MINUTE },
  account: { points: 5, duration: 15 * MINUTE },
  /** Links that open nothing, and copies taken: more than a person comes to. */
  links: { points: 30, duration: 5 * MINUTE },
  copies: { points: 6, duration: MINUTE },
} as const;
export type Limit = keyof typeof TRIES;

/** Kept across reloads of the module. */
const kept = globalThis as typeof globalThis & {
  dirigoLimits?: Record<Limit, RateLimiterMemory>;
};

function limiterOf(limit: Limit): RateLimiterMemory {
  kept.dirigoLimits ??= Object.fromEntries(
    Object.entries(TRIES).map(([name, values]) => [
      name,
      new RateLimiterMemory({ keyPrefix: name, ...values }),
    ]),
  ) as Record<Limit, RateLimiterMemory>;
  return kept.dirigoLimits[limit];
}

/** How long one has to wait before the next try, s; 0 when there is nothing to wait for. */
export async function waitOf(limit: Limit, key: string): Promise<number> {
  const found = await limiterOf(limit).get(key);
  if (!found || found.consumedPoints < TRIES[limit].points) return 0;
  return Math.ceil(found.msBeforeNext / 1000);
}

/** Counts a try. */
export async function countTry(limit: Limit, key: string): Promise<void> {
  await limiterOf(limit)
    .consume(key)
    .catch((error: unknown) => {
      // Beyond the limit it refuses with what it counted; anything else is a failure.
      if (error instanceof Error) throw error;
    });
}

/** Forgets the tries of one who got in. */
export async function forgetTries(limit: Limit, key: string): Promise<void> {
  await limiterOf(limit).delete(key);
}

/**
 * Lets a try through, or says how long to wait.
 *
 * @throws Problem when there were too many
 */
export async function slowDown(keys: [Limit, string][]): Promise<void> {
  const waits = await Promise.all(keys.map(([limit, key]) => waitOf(limit, key)));
  const wait = Math.max(...waits);
  if (wait === 0) return;
  const minutes = Math.ceil(wait / MINUTE);
  throw new Problem(
    'refused',
    `There were too many tries. Wait ${minutes === 1 ? 'a minute' : `${minutes} minutes`}, or sign in by a link from the machine that Dirigo runs on.`,
  );
}

/** Counts a file of much that a coach takes; the answer to one too many in a minute, null to the others. */
export async function tooManyFiles(coachId: string): Promise<Response | null> {
  const wait = await waitOf('copies', coachId);
  if (wait > 0) {
    return new Response('Six files a minute are enough. Wait a little.', {
      status: 429,
      headers: { 'retry-after': String(wait) },
    });
  }
  await countTry('copies', coachId);
  return null;
}
