'use client';

import { useTranslations } from 'next-intl';
import { startAuthentication } from '@simplewebauthn/browser';
import { useEffect, useState, useTransition } from 'react';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { forgetPages } from './forget-pages';
import { askPasskey, signInByPassphrase, signInByPasskey } from './actions';

/** Signing in where one is not: by passphrase or by a passkey. A link or a code signs in by itself. */
export function SignInForm({ to }: { to: string }) {
  const t = useTranslations();
  const [name, setName] = useState('');
  const [passphrase, setPassphrase] = useState('');
  const [fields, setFields] = useState<Record<string, string>>({});
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, begin] = useTransition();
  useEffect(() => void forgetPages(), []);
  // A whole new page: whatever this one holds was made for a stranger.
  const enter = () => window.location.assign(to);
  const byPassphrase = () =>
    begin(async () => {
      const result = await signInByPassphrase({ name, passphrase });
      if (result.ok) return enter();
      setFields(result.fields);
      setWrong(result.message);
    });
  const byPasskey = () =>
    begin(async () => {
      const asked = await askPasskey(null);
      if (!asked.ok) return setWrong(asked.message);
      const options = asked.value;
      const response = await startAuthentication({ optionsJSON: options }).catch(() => null);
      if (!response) return setWrong(t('signIn.signInForm.noPasskeyWasUsed'));
      const result = await signInByPasskey({ ...response });
      if (result.ok) return enter();
      setWrong(result.message);
    });
  return (
    <form
      className="grid gap-5"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        byPassphrase();
      }}
    >
      {wrong && (
        <p role="alert" className="border-l-4 border-line pl-3 font-[560]">
          <span aria-hidden>▲ </span>
          {wrong}
        </p>
      )}
      <TextField
        label={t('signIn.signInForm.yourName')}
        autoComplete="username"
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={fields.name}
      />
      <TextField
        label={t('signIn.signInForm.passphrase')}
        type="password"
        autoComplete="current-password"
        value={passphrase}
        onChange={(event) => setPassphrase(event.target.value)}
        error={fields.passphrase}
      />
      <div className="flex flex-wrap gap-3">
        <Button kind="primary" type="submit" disabled={busy}>
          {t('signIn.signInForm.signIn')}
        </Button>
        <Button disabled={busy} onClick={byPasskey}>
          {t('signIn.signInForm.signInWithAPasskey')}
        </Button>
      </div>
    </form>
  );
}
