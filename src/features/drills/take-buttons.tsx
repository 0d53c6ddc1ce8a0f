'use client';

import { useTranslations } from 'next-intl';
import { useRouter } from 'next/navigation';
import { useTransition } from 'react';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { copyDrill, takeDrill } from './actions';

/** From a built-in drill to a session, or to a copy that can be changed. */
export function TakeButtons({ id }: { id: string }) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, begin] = useTransition();
  const take = (fresh: boolean, to: (own: string) => string) =>
    begin(async () => {
      const result = await takeDrill({ key: id, fresh });
      if (showErrors(result)) router.push(to(result.value));
    });
  return (
    <>
      <Button disabled={busy} onClick={() => take(true, (own) => `/drills/${own}`)}>
        {t('drills.takeButtons.editACopy')}
      </Button>
      <Button
        kind="primary"
        disabled={busy}
        onClick={() => take(false, (own) => `/start?drill=${own}`)}
      >
        {t('drills.takeButtons.startSession')}
      </Button>
    </>
  );
}

/** A copy of one of the coach's own. */
export function CopyButton({ id }: { id: string }) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, begin] = useTransition();
  return (
    <Button
      kind="quiet"
      disabled={busy}
      onClick={() =>
        begin(async () => {
          const result = await copyDrill(id);
          if (showErrors(result)) router.push(`/drills/${result.value}`);
        })
      }
    >
      {t('drills.takeButtons.copyDrill')}
    </Button>
  );
}
