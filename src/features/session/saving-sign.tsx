'use client';

import { useTranslations } from 'next-intl';
import type { Translate } from '@/words/translate';
import clsx from 'clsx';
import { Link } from '@/ui/link';
import { Button } from '@/ui/button';
import type { RunView } from './run-store';

function savingWords(t: Translate, { saving, unsaved, entering, kept }: RunView): string {
  switch (saving.state) {
    case 'opening':
      return t('session.savingSign.opening');
    case 'saved':
      return t('session.savingSign.allSaved');
    case 'refused':
      return t('session.savingSign.notSaved', { unsaved });
    case 'waiting':
      if (saving.since === 'now' || entering > 0) return t('session.savingSign.saving');
      if (!kept) return t('session.savingSign.onThisPageOnly', { unsaved });
      return saving.since === 'server'
        ? t('session.savingSign.keptHereServerCannotSave', { unsaved })
        : t('session.savingSign.keptHereNoConnection', { unsaved });
  }
}

/** Whether what was logged is on the server, in a word or two; and, in red, when this device keeps nothing. */
export function SavingSign({ view, others }: { view: RunView; others: string }) {
  const t = useTranslations();
  const { saving, kept } = view;
  /** Said aloud only where something is wrong: after each putt it would talk over what was logged. */
  const quiet =
    kept &&
    (saving.state === 'saved' ||
      saving.state === 'opening' ||
      (saving.state === 'waiting' && saving.since === 'now'));
  return (
    <p
      role={quiet ? undefined : 'status'}
      className={clsx(
        'shrink-0 text-right text-sm',
        saving.state === 'saved' && kept ? 'text-ink2' : 'font-[600] text-warn',
      )}
    >
      {savingWords(t, view)}
      {others !== '' && <span className="block font-[600] text-warn">{others}</span>}
      {!kept && (
        <span className="block bg-line px-1.5 text-sheet">
          {t('session.savingSign.notStoredOnThisDevice')}
        </span>
      )}
    </p>
  );
}

/** What the server would not take, and what can be done. */
export function Refusal({
  view: { saving, unsaved, finished, kept },
  sessionId,
  onReopen,
  onSetAside,
}: {
  view: RunView;
  sessionId: string;
  onReopen: () => void;
  onSetAside: () => void;
}) {
  const t = useTranslations();
  if (saving.state === 'waiting' && saving.message) {
    return (
      <p role="alert" className="border-2 border-warn bg-sheet px-3 py-2 text-[0.9375rem]">
        {t('session.savingSign.whatYouLoggedIsKept', {
          message: saving.message,
          kept: String(kept),
        })}
      </p>
    );
  }
  if (saving.state === 'refused') {
    return (
      <div
        role="alert"
        className="grid gap-2 border-2 border-warn bg-sheet px-3 py-2 text-[0.9375rem]"
      >
        <p>{saving.message}</p>
        {unsaved > 0 && (
          <div className="flex flex-wrap gap-2">
            {saving.code === 'finished' && (
              <Button onClick={onReopen}>
                {t('session.savingSign.reopenAndSave', { unsaved })}
              </Button>
            )}
            <Button kind="quiet" onClick={onSetAside}>
              {t('session.savingSign.setItAside', { unsaved })}
            </Button>
          </div>
        )}
      </div>
    );
  }
  if (!finished) return null;
  return (
    <p role="alert" className="border-2 border-warn bg-sheet px-3 py-2 text-[0.9375rem]">
      {t.rich('session.savingSign.thisSessionWasFinishedOn', {
        link: (chunks) => (
          <Link href={`/sessions/${sessionId}/review`} className="underline">
            {chunks}
          </Link>
        ),
      })}
    </p>
  );
}
