'use client';

import { useTranslations } from 'next-intl';
import { format } from '@/ui/when';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import type { ImportTold } from '@/data';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { takeBack } from './actions';

/** What came in from files, each to be taken back as one. */
export function PastImports({ imports }: { imports: ImportTold[] }) {
  const t = useTranslations();
  const [sure, setSure] = useState<string | null>(null);
  const [busy, work] = useTransition();
  return (
    <ul>
      {imports.map(({ id, name, at, putts, sessions, undoneAt }) => (
        <li
          key={id}
          className="flex flex-wrap items-center justify-between gap-2 border-b border-hair py-2"
        >
          <div className="min-w-0">
            <p className="truncate text-[1rem] font-[620]">{name}</p>
            <p className="text-[0.9375rem] text-ink2">
              {t('import.pastImports.puttInSession', {
                date: format(at, 'd MMM yyyy, HH:mm'),
                putts: putts.toLocaleString('en'),
                putts2: putts,
                sessions,
              })}
              {undoneAt && t('import.pastImports.undone')}
            </p>
          </div>
          {!undoneAt && (
            <Button
              disabled={busy}
              onClick={() => {
                if (sure !== id) {
                  setSure(id);
                  return;
                }
                work(async () => {
                  if (showErrors(await takeBack(id)))
                    toast(t('import.pastImports.everythingImportedFromHasBeen', { name }));
                  setSure(null);
                });
              }}
            >
              {sure === id
                ? t('import.pastImports.yesRemovePutts', { putts: putts.toLocaleString('en') })
                : t('import.pastImports.undoImport')}
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}
