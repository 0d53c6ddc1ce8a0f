import pLimit from 'p-limit';

/** One that does what it is given, one thing after another. */
export interface Member {
  readonly alive: boolean;
  does<Answer>(order: object): Promise<Answer>;
  stand(still: boolean): void;
  end(): Promise<void>;
}

/** So many that reckon at once, at most; each is called when it is needed first, and stays. */
export class Crew<Of extends Member> {
  private all = new Set<Of>();
  private free: Of[] = [];
  private closed = false;
  private limit;

  /**
   * @param most how many, 1 or more
   * @param call calls another
   */
  constructor(
    most: number,
    private call: () => Of,
  ) {
    this.limit = pLimit(most);
  }

  /** One that has nothing to do. */
  private next(): Of {
    for (let one = this.free.pop(); one; one = this.free.pop()) {
      if (one.alive) return one;
      this.all.delete(one);
    }
    const called = this.call();
    this.all.add(called);
    return called;
  }

  /**
   * Has an order done, in its turn.
   *
   * @param signal ends it, with the one who does it
   * @throws Error when it is given up, or who does it ends before
   */
  does<Answer>(order: object, signal: AbortSignal): Promise<Answer> {
    return this.limit(async () => {
      signal.throwIfAborted();
      if (this.closed) throw new Error('No more calculations can be run.');
      const one = this.next();
      const giveUp = () => void one.end();
      signal.addEventListener('abort', giveUp, { once: true });
      try {
        return await one.does<Answer>(order);
      } finally {
        signal.removeEventListener('abort', giveUp);
        if (one.alive) this.free.push(one);
        else this.all.delete(one);
      }
    });
  }

  /** How many orders are being done, or wait for their turn. */
  get queueLength(): number {
    return this.limit.activeCount + this.limit.pendingCount;
  }

  /**
   * Keeps those still that do something.
   *
   * @returns whether there are any
   */
  still(): boolean {
    const busy = [...this.all].filter((one) => !this.free.includes(one));
    for (const one of busy) one.stand(true);
    return busy.length > 0;
  }

  /** Lets all go on. */
  on(): void {
    for (const one of this.all) one.stand(false);
  }

  /** Ends all of them: nothing is done any more. */
  async end(): Promise<void> {
    this.closed = true;
    await Promise.all([...this.all].map((one) => one.end()));
  }
}
