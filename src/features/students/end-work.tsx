'use client';

import { useTranslations } from 'next-intl';
import { useTransition } from 'react';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { endWork } from './homework-actions';

/** Ends a piece of homework before its time. */
export function EndWork({ id, name }: { id: string; name: string }) {
  const t = useTranslations();
  const [busy, begin] = useTransition();
  return (
    <Button
      disabled={busy}
      aria-label={t('students.endWork.endHomework', { name })}
      onClick={() => begin(async () => void showErrors(await endWork(id)))}
    >
      {t('students.endWork.endHomework2')}
    </Button>
  );
}
