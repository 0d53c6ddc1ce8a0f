'use client';

import { useCallback, useState } from 'react';
import { begun, changed, redone, settled, undone } from './history';

/**
 * A value that can be taken back and done again.
 *
 * @param first what it is at the start
 */
export function useUndo<T>(first: T) {
  const [history, setHistory] = useState(() => begun(first));
  const change = useCallback(
    (to: (now: T) => T, of: string | null = null) =>
      setHistory((old) => changed(old, to(old.now), of)),
    [],
  );
  const undo = useCallback(() => setHistory(undone), []);
  const redo = useCallback(() => setHistory(redone), []);
  const settle = useCallback(() => setHistory(settled), []);
  return {
    value: history.now,
    turn: history.turn,
    change,
    settle,
    undo: history.past.length > 0 ? undo : null,
    redo: history.future.length > 0 ? redo : null,
  };
}
