'use client';

import { useTranslations } from 'next-intl';
import { startRegistration } from '@simplewebauthn/browser';
import { format } from '@/ui/when';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { showErrors } from '../shared/show-errors';
import {
  askNewPasskey,
  dropPassphrase,
  keepPasskey,
  keepPassphrase,
  removePasskey,
} from './actions';

/** A coach's own ways to sign in anew: a passphrase, and passkeys. */
export function WaysIn({
  passphrase,
  passkeys,
  named,
}: {
  /** There is one. */
  passphrase: boolean;
  passkeys: { id: string; name: string; madeAt: Date; usedAt: Date | null }[];
  /** This server is reached by a name, as passkeys need. */
  named: boolean;
}) {
  const t = useTranslations();
  const [busy, begin] = useTransition();
  const [typed, setTyped] = useState({ passphrase: '', again: '' });
  const [fields, setFields] = useState<Record<string, string>>({});
  const set = (part: 'passphrase' | 'again') => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [part]: event.target.value });
  const keep = () =>
    begin(async () => {
      const result = await keepPassphrase(typed);
      setFields(result.ok ? {} : result.fields);
      if (!result.ok && Object.keys(result.fields).length > 0) return;
      if (!showErrors(result)) return;
      setTyped({ passphrase: '', again: '' });
      toast.success(t('signIn.waysIn.passphraseSavedOnlyItsHash'));
    });
  const make = () =>
    begin(async () => {
      const asked = await askNewPasskey(null);
      if (!showErrors(asked)) return;
      const options = asked.value;
      const response = await startRegistration({ optionsJSON: options }).catch(() => null);
      if (!response) {
        toast.error('No passkey was created.');
        return;
      }
      if (showErrors(await keepPasskey({ ...response }))) {
        toast.success(t('signIn.waysIn.passkeySaved'));
      }
    });
  return (
    <div className="grid gap-7">
      <form
        noValidate
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <h3 className="text-[1.0625rem] font-[640]">
          {passphrase ? t('signIn.waysIn.yourPassphrase') : t('signIn.waysIn.passphrase')}
        </h3>
        <TextField
          label={passphrase ? t('signIn.waysIn.newPassphrase') : t('signIn.waysIn.passphrase')}
          type="password"
          autoComplete="new-password"
          value={typed.passphrase}
          onChange={set('passphrase')}
          hint={t('signIn.waysIn.atLeast12Characters')}
          error={fields.passphrase}
        />
        <TextField
          label={t('signIn.waysIn.repeatPassphrase')}
          type="password"
          autoComplete="new-password"
          value={typed.again}
          onChange={set('again')}
          error={fields.again}
        />
        <div className="flex flex-wrap gap-2.5">
          <Button type="submit" disabled={busy}>
            {passphrase ? t('signIn.waysIn.changePassphrase') : t('signIn.waysIn.savePassphrase')}
          </Button>
          {passphrase && (
            <Button
              kind="quiet"
              disabled={busy}
              onClick={() =>
                begin(async () => {
                  if (showErrors(await dropPassphrase(null)))
                    toast(t('signIn.waysIn.passphraseRemoved'));
                })
              }
            >
              {t('signIn.waysIn.removePassphrase')}
            </Button>
          )}
        </div>
      </form>
      <section className="grid justify-items-start gap-2" aria-label={t('signIn.waysIn.passkeys')}>
        <h3 className="text-[1.0625rem] font-[640]">{t('signIn.waysIn.passkeys')}</h3>
        {passkeys.map(({ id, name, madeAt, usedAt }) => (
          <p key={id} className="flex flex-wrap items-center gap-2.5">
            <span>
              {name}
              <span className="text-ink2">
                {t('signIn.waysIn.addedLastUsed', {
                  added: format(madeAt, 'd MMMM'),
                  used: String(!!usedAt),
                  lastUsed: usedAt ? format(usedAt, 'd MMMM') : '',
                })}
              </span>
            </span>
            <Button
              kind="quiet"
              disabled={busy}
              onClick={() =>
                begin(async () => {
                  if (showErrors(await removePasskey(id))) toast(t('signIn.waysIn.passkeyRemoved'));
                })
              }
            >
              {t('signIn.waysIn.remove')}
            </Button>
          </p>
        ))}
        {named ? (
          <Button disabled={busy} onClick={make}>
            {t('signIn.waysIn.createPasskeyOnThisDevice')}
          </Button>
        ) : (
          <p className="max-w-prose text-[0.9375rem] text-ink2">
            {t.rich('signIn.waysIn.aPasskeyWorksOnlyAt', {
              span: (chunks) => <span className="num">{chunks}</span>,
            })}
          </p>
        )}
      </section>
    </div>
  );
}
