/**
 * Marks the page of a device on which something waits to be sent, before anything of it is drawn: a line that came later would push
 * everything down under a finger. Its text goes into the page by itself: it knows nothing but what it is given.
 *
 * @param flag the name under which the queue keeps that
 */
export function markWaiting(flag: string): void {
  try {
    if (localStorage.getItem(flag)) document.documentElement.dataset.waiting = '';
  } catch {
    // A browser that keeps nothing has nothing that waits.
  }
}
