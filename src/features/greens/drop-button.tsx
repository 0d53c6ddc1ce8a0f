'use client';

import { useTranslations } from 'next-intl';
import { Trash2 } from 'lucide-react';
import { useTransition } from 'react';
import { toastUndo } from '../academy/toast-undo';
import { showErrors } from '../shared/show-errors';
import { dropReading } from './actions';

/** Removes a reading that was mistaken; runs played on it keep their own copy. */
export function DropButton({ greenId, id, name }: { greenId: string; id: string; name: string }) {
  const t = useTranslations();
  const [busy, begin] = useTransition();
  return (
    <button
      type="button"
      aria-label={t('greens.dropButton.deleteTheReadingOf', { name })}
      disabled={busy}
      className="inline-flex size-11 items-center justify-center text-ink2"
      onClick={() =>
        begin(async () => {
          const result = await dropReading({ greenId, id });
          if (showErrors(result)) toastUndo(t, t('greens.dropButton.readingDeleted'), result.value);
        })
      }
    >
      <Trash2 size={17} aria-hidden />
    </button>
  );
}
