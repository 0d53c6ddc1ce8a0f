'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { showErrors } from '../shared/show-errors';
import { startEncrypting, stopEncrypting } from './backup-actions';

/** Whether backups are encrypted, and the passphrase that opens them. */
export function BackupEncryption({ encrypted }: { encrypted: boolean }) {
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
      toast('New backups are encrypted.');
      router.refresh();
    });
  const stop = () =>
    begin(async () => {
      if (showErrors(await stopEncrypting(null))) toast('New backups are not encrypted.');
      router.refresh();
    });
  if (encrypted) {
    return (
      <div className="grid justify-items-start gap-3">
        <p className="text-[1rem]">
          New backups are encrypted. Restoring one asks for its passphrase. Dirigo does not keep the
          passphrase: without it the backups cannot be opened anywhere else.
        </p>
        <Button disabled={busy} onClick={stop}>
          Stop encrypting
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
      <p className="text-[1rem]">
        Backups are not encrypted. Encrypt them when they are stored on a disk that others can read.
      </p>
      <TextField
        label="Backup passphrase"
        type="password"
        autoComplete="new-password"
        hint="At least 12 characters. Write it down: nobody can recover it."
        value={typed.passphrase}
        error={fields.passphrase}
        onChange={set('passphrase')}
      />
      <TextField
        label="Repeat the passphrase"
        type="password"
        autoComplete="new-password"
        value={typed.again}
        error={fields.again}
        onChange={set('again')}
      />
      <div>
        <Button type="submit" disabled={busy}>
          Encrypt backups
        </Button>
      </div>
    </form>
  );
}
