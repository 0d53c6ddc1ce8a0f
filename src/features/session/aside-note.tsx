'use client';

import { useTranslations } from 'next-intl';
import { useState } from 'react';
import { Button } from '@/ui/button';
import { saveText } from '@/ui/save-text';
import type { SetAside } from './queue';

/** What the server would not take: told with its reason, saved as a file, and forgotten only when asked twice. */
export function AsideNote({ aside, onForget }: { aside: SetAside[]; onForget: () => void }) {
  const t = useTranslations();
  const [asked, setAsked] = useState(false);
  if (aside.length === 0) return null;
  const reasons = [...new Set(aside.map(({ message }) => message))];
  const it = aside.length === 1 ? 'it' : 'them';
  const save = () =>
    saveText(
      `set-aside-${aside[0]!.at.slice(0, 10)}.json`,
      JSON.stringify({ setAside: aside }, null, 2),
      'application/json',
    );
  return (
    <div
      role="alert"
      aria-label={t('session.asideNote.setAside')}
      className="grid gap-2 border-2 border-warn bg-sheet px-3 py-2 text-[0.9375rem]"
    >
      <p>
        {t.rich('session.asideNote.oneEntryWasSetAside', {
          aside: aside.length,
          reason: reasons.slice(0, 3).join(' '),
          strong: (chunks) => <strong>{chunks}</strong>,
        })}
      </p>
      <div className="flex flex-wrap gap-2">
        <Button onClick={save}>{t('session.asideNote.saveAsAFile', { it })}</Button>
        {asked ? (
          <>
            <Button onClick={onForget}>{t('session.asideNote.discardPermanently', { it })}</Button>
            <Button kind="quiet" onClick={() => setAsked(false)}>
              {t('session.asideNote.keep', { it })}
            </Button>
          </>
        ) : (
          <Button kind="quiet" onClick={() => setAsked(true)}>
            {t('session.asideNote.discard', { it })}
          </Button>
        )}
      </div>
    </div>
  );
}
