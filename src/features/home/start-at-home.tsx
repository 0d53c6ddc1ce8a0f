'use client';

import { useTranslations } from 'next-intl';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { startAtHome } from './actions';

/** One touch, and a piece of homework is begun or gone on with. */
export function StartAtHome({
  token,
  id,
  name,
  open,
  carpet,
}: {
  token: string;
  id: string;
  name: string;
  /** Begun and not finished. */
  open: boolean;
  /** On the carpet at home, as it was measured. */
  carpet: boolean;
}) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, begin] = useTransition();
  return (
    <Button
      kind="primary"
      className="min-h-14 w-full text-[1.125rem]"
      aria-label={`${open ? t('home.startAtHome.resume') : t('home.startAtHome.start')} ${name}`}
      disabled={busy}
      onClick={() =>
        begin(async () => {
          const result = await startAtHome(token, { id, carpet });
          if (showErrors(result)) router.push(`/home/${token}/sessions/${result.value}`);
        })
      }
    >
      {open ? t('home.startAtHome.resume') : t('home.startAtHome.start')}
    </Button>
  );
}
