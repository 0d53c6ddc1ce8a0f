'use client';

import { useTranslations } from 'next-intl';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { closeProgramme } from './date-actions';

/** Ends a programme, once asked again: what was to come leaves the diary. */
export function CloseProgramme({ id }: { id: string }) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, begin] = useTransition();
  const end = () =>
    begin(async () => {
      if (showErrors(await closeProgramme(id))) router.push('/programme');
    });
  return (
    <Button
      disabled={busy}
      onClick={() =>
        toast(t('programme.closeProgramme.daysStillToComeAre'), {
          action: { label: t('programme.closeProgramme.endProgramme'), onClick: end },
        })
      }
    >
      {t('programme.closeProgramme.endProgramme')}
    </Button>
  );
}
