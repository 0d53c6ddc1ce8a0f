'use client';

import { useTranslations } from 'next-intl';
import { useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import type { ActionResult } from './result';
import { showErrors } from './show-errors';

/** Shows a drill or a green to all coaches of the academy, or takes it back from them. */
export function ShareButton({
  id,
  name,
  shared,
  set,
}: {
  id: string;
  name: string;
  shared: boolean;
  set: (to: { id: string; shared: boolean }) => Promise<ActionResult<null>>;
}) {
  const t = useTranslations();
  const [busy, begin] = useTransition();
  return (
    <Button
      disabled={busy}
      onClick={() =>
        begin(async () => {
          if (!showErrors(await set({ id, shared: !shared }))) return;
          toast(
            shared
              ? t('shared.shareButton.onlyYouHaveNow', { name })
              : t('shared.shareButton.isSharedWithAllCoaches', { name }),
          );
        })
      }
    >
      {shared ? t('shared.shareButton.stopSharing') : t('shared.shareButton.share')}
    </Button>
  );
}
