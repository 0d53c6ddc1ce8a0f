'use client';

import { useTranslations } from 'next-intl';
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
  const t = useTranslations();
  return (
    <div role="alert" className="grid gap-2 border-2 border-warn bg-sheet px-3 py-2 text-[1rem]">
      <p>
        {t.rich('session.undoQuestion.theLastPuttWasNot', {
          words,
          strong: (chunks) => <strong>{chunks}</strong>,
        })}
      </p>
      <div className="flex flex-wrap gap-2.5">
        <Button onClick={onUndo}>{t('session.undoQuestion.undoIt')}</Button>
        <Button kind="quiet" onClick={onKeep}>
          {t('session.undoQuestion.keepIt')}
        </Button>
      </div>
    </div>
  );
}
