'use client';

import { useTranslations } from 'next-intl';
import { useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import type { ActionResult } from './result';
import { showErrors } from './show-errors';

/** Puts a thing away or takes it back; nothing is lost either way. */
export function ArchiveButton({
  id,
  name,
  archived,
  set,
}: {
  id: string;
  name: string;
  archived: boolean;
  /** The action that does it. */
  set: (to: { id: string; archived: boolean }) => Promise<ActionResult<null>>;
}) {
  const t = useTranslations();
  const [busy, begin] = useTransition();
  const change = (next: boolean) =>
    begin(async () => {
      if (!showErrors(await set({ id, archived: next }))) return;
      toast(
        next
          ? t('shared.archiveButton.archivedNothingIsDeleted', { name })
          : t('shared.archiveButton.restored', { name }),
        {
          action: { label: t('shared.archiveButton.undo'), onClick: () => change(!next) },
        },
      );
    });
  return (
    <Button disabled={busy} onClick={() => change(!archived)}>
      {archived ? t('shared.archiveButton.restore') : t('shared.archiveButton.archive')}
    </Button>
  );
}
