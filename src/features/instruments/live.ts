import 'server-only';
import { EventEmitter } from 'node:events';

const KEY = Symbol.for('dirigo.live');

/** Tells that something of a run has come in; the same for every part that the program is built of. */
const emitter = (): EventEmitter => {
  const there = globalThis as { [KEY]?: EventEmitter };
  return (there[KEY] ??= new EventEmitter().setMaxListeners(0));
};

/** Says that a run of a coach's has something new. */
export const tellRun = (runId: string, coachId: string): void =>
  void emitter().emit('run', runId, coachId);

/**
 * Hears of runs that have something new.
 *
 * @returns what ends it
 */
export function onRun(hear: (runId: string, coachId: string) => void): () => void {
  emitter().on('run', hear);
  return () => void emitter().off('run', hear);
}
