/** A piece of work that goes on, and how many wait for it. */
interface Going<T> {
  waiting: number;
  giveUp: AbortController;
  answer: Promise<T>;
}

/**
 * Joins those who ask the same: the work is done once while they wait, and given up when none of them waits any more.
 *
 * @param grace how long it goes on for nobody, ms: who goes to another page often asks the same there
 * @returns asks for a piece of work: by its key, how it is done, and the signal of who waits, if they may go. Who went is told
 *   nothing any more
 */
export function joining<T>(grace: number) {
  const all = new Map<string, Going<T>>();
  return (
    key: string,
    work: (signal: AbortSignal) => Promise<T>,
    waits?: AbortSignal,
  ): Promise<T> =>
    new Promise((resolve, reject) => {
      if (waits?.aborted) return;
      let going = all.get(key);
      if (!going) {
        const giveUp = new AbortController();
        going = { waiting: 0, giveUp, answer: work(giveUp.signal) };
        all.set(key, going);
        const done = () => {
          if (all.get(key) === begun) all.delete(key);
        };
        const begun = going;
        going.answer.then(done, done);
      }
      const joined = going;
      joined.waiting += 1;
      const leave = () => {
        joined.waiting -= 1;
        setTimeout(() => {
          if (joined.waiting > 0) return;
          if (all.get(key) === joined) all.delete(key);
          joined.giveUp.abort();
        }, grace).unref();
      };
      waits?.addEventListener('abort', leave, { once: true });
      const told = () => waits?.removeEventListener('abort', leave);
      joined.answer.then(
        (value) => {
          told();
          resolve(value);
        },
        (error: unknown) => {
          told();
          // Given up, because who asked has gone: there is nobody to tell.
          if (!joined.giveUp.signal.aborted) reject(error);
        },
      );
    });
}
