/** Nobody may begin any more: the thread is about to be ended. */
const CLOSED = -1;

/** How many reads of a file a thread has begun and not ended: it must not be ended in the middle of one. */
export const newGate = (): Int32Array => new Int32Array(new SharedArrayBuffer(4));

/**
 * Begins a read in the thread that reckons. Where the thread is about to be ended it waits for that, and never returns.
 *
 * @param gate of the work that is done
 * @returns what ends the read
 */
export function enter(gate: Int32Array): () => void {
  for (;;) {
    const open = Atomics.load(gate, 0);
    if (open === CLOSED) Atomics.wait(gate, 0, CLOSED);
    else if (Atomics.compareExchange(gate, 0, open, open + 1) === open) break;
  }
  return () => void Atomics.sub(gate, 0, 1);
}

/**
 * Closes a gate in the thread that answers, if nothing is being read: then the other thread may be ended.
 *
 * @returns whether it is closed
 */
export const close = (gate: Int32Array): boolean => {
  const was = Atomics.compareExchange(gate, 0, 0, CLOSED);
  return was === 0 || was === CLOSED;
};
