'use client';

import { useTranslations } from 'next-intl';
import { useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { undo } from './actions';

/** Takes one change back. */
export function UndoButton({ id, what }: { id: string; what: string }) {
  const t = useTranslations();
  const [busy, begin] = useTransition();
  return (
    <Button
      kind="quiet"
      disabled={busy}
      aria-label={t('academy.undoButton.undo', { what })}
      onClick={() =>
        begin(async () => {
          if (showErrors(await undo(id))) toast(t('academy.undoButton.changeUndone'));
        })
      }
    >
      {t('academy.undoButton.undo2')}
    </Button>
  );
}
