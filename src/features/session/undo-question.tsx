'use client';

import { Button } from '@/ui/button';

/** Asks before a putt is undone that was logged on another device. */
export function UndoQuestion({
  words,
  onUndo,
  onKeep,
}: {
  /** Whose putt, and what happened. */
  words: string;
  onUndo: () => void;
  onKeep: () => void;
}) {
  return (
    <div role="alert" className="grid gap-2 border-2 border-warn bg-sheet px-3 py-2 text-[1rem]">
      <p>
        The last putt was not logged on this screen: <strong>{words}</strong>. Undo it?
      </p>
      <div className="flex flex-wrap gap-2.5">
        <Button onClick={onUndo}>Undo it</Button>
        <Button kind="quiet" onClick={onKeep}>
          Keep it
        </Button>
      </div>
    </div>
  );
}
