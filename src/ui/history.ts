/** A value with what it was before and what was taken back. */
export interface History<T> {
  past: T[];
  now: T;
  future: T[];
  /** What the last change was of: changes of the same thing in a row are one step back. */
  of: string | null;
  /** Grows with every undo and redo, so that fields can forget what was typed. */
  turn: number;
}

const MOST = 200;

export const begun = <T>(now: T): History<T> => ({ past: [], now, future: [], of: null, turn: 0 });

/** A history after a change of one thing; the same value is no change. */
export function changed<T>(old: History<T>, next: T, of: string | null): History<T> {
  if (next === old.now) return old;
  const merged = of !== null && of === old.of;
  return {
    ...old,
    past: merged ? old.past : [...old.past, old.now].slice(-MOST),
    now: next,
    future: [],
    of,
  };
}

/** Ends a run of merged changes: the next one is a step of its own. */
export const settled = <T>(old: History<T>): History<T> => ({ ...old, of: null });

export function undone<T>(old: History<T>): History<T> {
  if (old.past.length === 0) return old;
  return {
    past: old.past.slice(0, -1),
    now: old.past[old.past.length - 1]!,
    future: [old.now, ...old.future],
    of: null,
    turn: old.turn + 1,
  };
}

export function redone<T>(old: History<T>): History<T> {
  if (old.future.length === 0) return old;
  const [next, ...rest] = old.future;
  return { past: [...old.past, old.now], now: next!, future: rest, of: null, turn: old.turn + 1 };
}
