'use client';

import type { Translate } from '@/words/translate';
import { toast } from 'sonner';
import { showErrors } from '../shared/show-errors';
import { undo } from './actions';

/** Tells what was done, with a way to take it back. */
export function toastUndo(t: Translate, words: string, changeId: string): void {
  toast(words, {
    action: {
      label: t('academy.toastUndo.undo'),
      onClick: () =>
        void undo(changeId).then((result) => {
          if (showErrors(result)) toast(t('academy.toastUndo.changeUndone'));
        }),
    },
  });
}
