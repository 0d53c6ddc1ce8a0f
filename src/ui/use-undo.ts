'use client';

import { useCallback, useState } from 'react';

interface History<T> {
  past: T[];
  now: T;
  future: T[];
  /** What the last change was of: changes of the same thing in a row are one step back. */
  of: string | null;
  /** Grows with every undo and redo, so that fields can forget what was typed. */
  turn: number;
}

const MOST = 200;

/**
 * A value that can be taken back and done again.
 *
 * @param first what it is at the start
 */
export function useUndo<T>(first: T) {
  const [history, setHistory] = useState<History<T>>({
    past: [],
    now: first,
    future: [],
    of: null,
    turn: 0,
  });
  const change = useCallback((to: (now: T) => T, of: string | null = null) => {
    setHistory((old) => {
      const next = to(old.now);
      if (next === old.now) return old;
      const merged = of !== null && of === old.of;
      return {
        ...old,
        past: merged ? old.past : [...old.past, old.now].slice(-MOST),
        now: next,
        future: [],
        of,
      };
    });
  }, []);
  const undo = useCallback(() => {
    setHistory((old) => {
      const before = old.past.at(-1);
      if (before === undefined) return old;
      return {
        past: old.past.slice(0, -1),
        now: before,
        future: [old.now, ...old.future],
        of: null,
        turn: old.turn + 1,
      };
    });
  }, []);
  const redo = useCallback(() => {
    setHistory((old) => {
      const [next, ...rest] = old.future;
      if (next === undefined) return old;
      return {
        past: [...old.past, old.now],
        now: next,
        future: rest,
        of: null,
        turn: old.turn + 1,
      };
    });
  }, []);
  /** Ends a run of merged changes: the next one is a step of its own. */
  const settle = useCallback(() => setHistory((old) => ({ ...old, of: null })), []);
  return {
    value: history.now,
    turn: history.turn,
    change,
    settle,
    undo: history.past.length > 0 ? undo : null,
    redo: history.future.length > 0 ? redo : null,
  };
}
