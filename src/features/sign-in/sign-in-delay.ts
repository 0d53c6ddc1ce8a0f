/** Wrong passphrases before one has to wait. */
const FREE = 5;
/** The longest wait, s. */
const LONGEST = 60;
/** Wrong tries are forgotten after this, ms. */
const FORGOTTEN = 15 * 60_000;
/** Keys that are remembered; beyond it the one that was used longest ago is forgotten. */
const MOST_KEYS = 10_000;

interface Tries {
  count: number;
  last: number;
  /** Nothing is tried before, ms. */
  until: number;
}

/**
 * Slows down who guesses passphrases: after five wrong ones each further try has to wait twice as long as the one before, up to a
 * minute. It is asked and counted at once, so that tries made at the same time count all.
 */
export class SignInDelay {
  private tries = new Map<string, Tries>();

  /** @param now the clock, ms */
  constructor(private now: () => number = Date.now) {}

  /**
   * Counts a try.
   *
   * @param keys what is counted: an address, an account, a device
   * @returns how long to wait, s: the try must not be made then; 0 to go on
   */
  attempt(keys: readonly string[]): number {
    const now = this.now();
    const all = keys.map((key) => this.of(key, now));
    const wait = Math.max(...all.map(({ until }) => until - now));
    if (wait > 0) return Math.ceil(wait / 1000);
    for (const one of all) {
      one.count += 1;
      one.last = now;
      if (one.count >= FREE) {
        one.until = now + 1000 * Math.min(LONGEST, 2 ** (one.count - FREE));
      }
    }
    return 0;
  }

  /** Forgets the tries of somebody who got in. */
  succeeded(keys: readonly string[]): void {
    for (const key of keys) this.tries.delete(key);
  }

  private of(key: string, now: number): Tries {
    const known = this.tries.get(key);
    const tries = known && now - known.last < FORGOTTEN ? known : { count: 0, last: now, until: 0 };
    // Put back at the end: the first is the one that was used longest ago.
    this.tries.delete(key);
    this.tries.set(key, tries);
    const [oldest] = this.tries.keys();
    if (this.tries.size > MOST_KEYS && oldest !== undefined) this.tries.delete(oldest);
    return tries;
  }
}
