'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { showErrors } from '../shared/show-errors';
import { backUpNow, keepFolder } from './backup-actions';

/** Where backups are put, and a backup made now. */
export function BackupFolder({ folder, usual }: { folder: string; usual: string }) {
  const router = useRouter();
  const [busy, begin] = useTransition();
  const [typed, setTyped] = useState(folder);
  const [wrong, setWrong] = useState<string>();
  const keep = () =>
    begin(async () => {
      const answer = await keepFolder({ folder: typed });
      setWrong(answer.ok ? undefined : (answer.fields.folder ?? answer.message));
      if (answer.ok) toast('Folder saved. New backups go there.');
      router.refresh();
    });
  const make = () =>
    begin(async () => {
      if (showErrors(await backUpNow(null))) toast('Backup made and checked.');
      router.refresh();
    });
  return (
    <div className="grid gap-3">
      <TextField
        label="Backup folder"
        placeholder={usual}
        value={typed}
        hint="An absolute path, on another disk if you have one. Leave empty for a folder beside the database."
        error={wrong}
        onChange={({ target }) => setTyped(target.value)}
      />
      <div className="flex flex-wrap gap-2.5">
        <Button disabled={busy} onClick={keep}>
          Save folder
        </Button>
        <Button kind="primary" disabled={busy} onClick={make}>
          Back up now
        </Button>
        <Button asChild>
          <a href="/records/backup" download>
            Download a backup
          </a>
        </Button>
      </div>
    </div>
  );
}
