'use client';

import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { closeProgramme } from './date-actions';

/** Ends a programme, once asked again: what was to come leaves the diary. */
export function CloseProgramme({ id }: { id: string }) {
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
        toast('Days still to come are removed from the diary. What was done stays.', {
          action: { label: 'End programme', onClick: end },
        })
      }
    >
      End programme
    </Button>
  );
}
