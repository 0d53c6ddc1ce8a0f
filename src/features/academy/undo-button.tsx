'use client';

import { useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { undo } from './actions';

/** Takes one change back. */
export function UndoButton({ id, what }: { id: string; what: string }) {
  const [busy, begin] = useTransition();
  return (
    <Button
      kind="quiet"
      disabled={busy}
      aria-label={`Undo: ${what}`}
      onClick={() =>
        begin(async () => {
          if (showErrors(await undo(id))) toast('Change undone.');
        })
      }
    >
      Undo
    </Button>
  );
}
