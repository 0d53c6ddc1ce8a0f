const lockOf = (runId: string) => `dirigo-open-${runId}`;

/** Runs that this page shows. */
const here = new Set<string>();

/**
 * Notes that a page shows a run, for other tabs and the service worker as well where the browser has locks.
 *
 * @returns a function that takes the note back
 */
export function holdOpen(runId: string): () => void {
  here.add(runId);
  const held = new AbortController();
  const released = new Promise<void>((resolve) => {
    held.signal.addEventListener('abort', () => resolve());
  });
  // HTTP without TLS has no locks.
  void navigator.locks?.request(lockOf(runId), { mode: 'shared' }, () => released);
  return () => {
    here.delete(runId);
    held.abort();
  };
}

/** Whether this page shows a run, and so sends its waiting events itself. */
export const isOpenHere = (runId: string): boolean => here.has(runId);

/** Whether a page of some tab shows a run, so that there is a coach to ask about it; false in a browser without locks. */
export async function isOpen(runId: string): Promise<boolean> {
  const { held = [] } = (await navigator.locks?.query()) ?? {};
  return held.some(({ name }) => name === lockOf(runId));
}
