'use client';

import { useTranslations } from 'next-intl';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { Button } from '@/ui/button';
import { nextInPlan } from '../programme/actions';
import { showErrors } from '../shared/show-errors';
import { reopen } from './actions';

/** Opens a session again that stopped before its plan was done, and goes on with the next drill of it. */
export function GoOnButton({ id, next }: { id: string; next: string }) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, run] = useTransition();
  return (
    <Button
      kind="primary"
      className="min-h-12"
      disabled={busy}
      onClick={() =>
        run(async () => {
          if (showErrors(await reopen(id)) && showErrors(await nextInPlan(id)))
            router.push(`/sessions/${id}`);
        })
      }
    >
      {t('session.goOnButton.resumeWith', { next })}
    </Button>
  );
}
