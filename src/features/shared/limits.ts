import 'server-only';
import { RateLimiterMemory, type RateLimiterRes } from 'rate-limiter-flexible';

const MINUTE = 60;

/** How often something may be done in a time, s: more than a person comes to. */
const TRIES = {
  /** Links and secrets that open nothing, by address. */
  links: { points: 30, duration: 5 * MINUTE },
  /** Files of everything, by coach. */
  files: { points: 6, duration: MINUTE },
} as const;
type Limit = keyof typeof TRIES;

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

/**
 * Counts a try.
 *
 * @returns how long to wait before the next one counts as allowed, s; 0 while this one is
 */
export async function countTry(limit: Limit, key: string): Promise<number> {
  try {
    await limiterOf(limit).consume(key);
    return 0;
  } catch (refused) {
    // Beyond the limit it rejects with what it counted; anything else is a failure.
    if (refused instanceof Error) throw refused;
    return Math.max(1, Math.ceil((refused as RateLimiterRes).msBeforeNext / 1000));
  }
}

/** Counts a file of everything that a coach downloads; the answer to one too many in a minute, null to the others. */
export async function tooManyFiles(coachId: string): Promise<Response | null> {
  const wait = await countTry('files', coachId);
  if (wait === 0) return null;
  return new Response(`You can download six files a minute. Wait ${wait} seconds.`, {
    status: 429,
    headers: { 'retry-after': String(wait) },
  });
}
