'use client';

import { useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { setArchived } from './actions';

/** Puts a student away or takes them back; nothing is lost either way. */
export function ArchiveButton({
  id,
  name,
  archived,
}: {
  id: string;
  name: string;
  archived: boolean;
}) {
  const [busy, begin] = useTransition();
  const set = (next: boolean) =>
    begin(async () => {
      if (!showErrors(await setArchived(id, next))) return;
      toast(next ? `${name} is put away; nothing is lost.` : `${name} is back.`, {
        action: { label: 'Undo', onClick: () => set(!next) },
      });
    });
  return (
    <Button disabled={busy} onClick={() => set(!archived)}>
      {archived ? 'Take back' : 'Archive'}
    </Button>
  );
}
