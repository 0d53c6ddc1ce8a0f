'use client';

import { useTranslations } from 'next-intl';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { showErrors } from '../shared/show-errors';
import { backUpNow, keepFolder } from './backup-actions';

/** Where backups are put, and a backup made now. */
export function BackupFolder({ folder, usual }: { folder: string; usual: string }) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, begin] = useTransition();
  const [typed, setTyped] = useState(folder);
  const [wrong, setWrong] = useState<string>();
  const keep = () =>
    begin(async () => {
      const answer = await keepFolder({ folder: typed });
      setWrong(answer.ok ? undefined : (answer.fields.folder ?? answer.message));
      if (answer.ok) toast(t('records.backupFolder.folderSavedNewBackupsGo'));
      router.refresh();
    });
  const make = () =>
    begin(async () => {
      if (showErrors(await backUpNow(null))) toast(t('records.backupFolder.backupMadeAndChecked'));
      router.refresh();
    });
  return (
    <div className="grid gap-3">
      <TextField
        label={t('records.backupFolder.backupFolder')}
        placeholder={usual}
        value={typed}
        hint={t('records.backupFolder.anAbsolutePathOnAnother')}
        error={wrong}
        onChange={({ target }) => setTyped(target.value)}
      />
      <div className="flex flex-wrap gap-2.5">
        <Button disabled={busy} onClick={keep}>
          {t('records.backupFolder.saveFolder')}
        </Button>
        <Button kind="primary" disabled={busy} onClick={make}>
          {t('records.backupFolder.backUpNow')}
        </Button>
        <Button asChild>
          <a href="/records/backup" download>
            {t('records.backupFolder.downloadABackup')}
          </a>
        </Button>
      </div>
    </div>
  );
}
