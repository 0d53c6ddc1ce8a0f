'use client';

import { toast } from 'sonner';
import { showErrors } from '../shared/show-errors';
import { undo } from './actions';

/** Tells what was done, with a way to take it back. */
export function toastUndo(words: string, changeId: string): void {
  toast(words, {
    action: {
      label: 'Undo',
      onClick: () =>
        void undo(changeId).then((result) => {
          if (showErrors(result)) toast('Change undone.');
        }),
    },
  });
}
