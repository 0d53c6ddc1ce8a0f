'use client';

import { useTranslations } from 'next-intl';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { showErrors } from '../shared/show-errors';
import { startEncrypting, stopEncrypting } from './backup-actions';

/** Whether backups are encrypted, and the passphrase that opens them. */
export function BackupEncryption({ encrypted }: { encrypted: boolean }) {
  const t = useTranslations();
  const router = useRouter();
  const [busy, begin] = useTransition();
  const [typed, setTyped] = useState({ passphrase: '', again: '' });
  const [fields, setFields] = useState<Record<string, string>>({});
  const set = (part: 'passphrase' | 'again') => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [part]: event.target.value });
  const start = () =>
    begin(async () => {
      const answer = await startEncrypting(typed);
      setFields(answer.ok ? {} : answer.fields);
      if (!answer.ok && Object.keys(answer.fields).length > 0) return;
      if (!showErrors(answer)) return;
      setTyped({ passphrase: '', again: '' });
      toast(t('records.backupEncryption.newBackupsAreEncrypted'));
      router.refresh();
    });
  const stop = () =>
    begin(async () => {
      if (showErrors(await stopEncrypting(null)))
        toast(t('records.backupEncryption.newBackupsAreNotEncrypted'));
      router.refresh();
    });
  if (encrypted) {
    return (
      <div className="grid justify-items-start gap-3">
        <p className="text-[1rem]">
          {t('records.backupEncryption.newBackupsAreEncryptedRestoring')}
        </p>
        <Button disabled={busy} onClick={stop}>
          {t('records.backupEncryption.stopEncrypting')}
        </Button>
      </div>
    );
  }
  return (
    <form
      className="grid gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        start();
      }}
    >
      <p className="text-[1rem]">{t('records.backupEncryption.backupsAreNotEncryptedEncrypt')}</p>
      <TextField
        label={t('records.backupEncryption.backupPassphrase')}
        type="password"
        autoComplete="new-password"
        hint={t('records.backupEncryption.atLeast12CharactersWrite')}
        value={typed.passphrase}
        error={fields.passphrase}
        onChange={set('passphrase')}
      />
      <TextField
        label={t('records.backupEncryption.repeatThePassphrase')}
        type="password"
        autoComplete="new-password"
        value={typed.again}
        error={fields.again}
        onChange={set('again')}
      />
      <div>
        <Button type="submit" disabled={busy}>
          {t('records.backupEncryption.encryptBackups')}
        </Button>
      </div>
    </form>
  );
}
