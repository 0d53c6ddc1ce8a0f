'use client';

import { useTranslations } from 'next-intl';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { reopen } from './actions';

/** Opens a finished session again and goes back to logging it. */
export function ReopenButton({ id }: { id: string }) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, run] = useTransition();
  return (
    <Button
      disabled={busy}
      onClick={() =>
        run(async () => {
          if (showErrors(await reopen(id))) router.push(`/sessions/${id}`);
        })
      }
    >
      {t('session.reopenButton.reopen')}
    </Button>
  );
}
