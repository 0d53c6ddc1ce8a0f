import 'server-only';
import { EventEmitter } from 'node:events';

const KEY = Symbol.for('dirigo.live');

/** The same for every part that the program is built of. */
const emitter = (): EventEmitter => {
  const there = globalThis as { [KEY]?: EventEmitter };
  return (there[KEY] ??= new EventEmitter().setMaxListeners(0));
};

/** Says that a run of a coach has something new. */
export const tellRun = (runId: string, coachId: string): void =>
  void emitter().emit('run', runId, coachId);

/** Which open streams end: all of them, or those whose device is no longer signed in. */
export type EndedStreams = 'all' | 'signed out';

/** Ends open streams: when the server stops, or after somebody was signed out. */
export const endStreams = (which: EndedStreams): void => void emitter().emit('end', which);

/**
 * Listens for runs that have something new, and for the end of streams.
 *
 * @returns a function that stops listening
 */
export function listen(
  onRun: (runId: string, coachId: string) => void,
  onEnd: (which: EndedStreams) => void,
): () => void {
  emitter().on('run', onRun).on('end', onEnd);
  return () => void emitter().off('run', onRun).off('end', onEnd);
}
