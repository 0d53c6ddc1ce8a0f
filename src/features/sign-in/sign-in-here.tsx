'use client';

import { useTranslations } from 'next-intl';
import { useState, useTransition } from 'react';
import { Button } from '@/ui/button';
import { signInByLink } from './actions';

/** One touch signs this device in: opening the link alone does not, as what looks ahead at links would use it up. */
export function SignInHere({ secret }: { secret: string }) {
  const t = useTranslations();
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, begin] = useTransition();
  return (
    <div className="grid justify-items-start gap-4">
      {wrong && (
        <p role="alert" className="border-l-4 border-line pl-3 font-[560]">
          {wrong}
        </p>
      )}
      <Button
        kind="primary"
        className="min-h-14 w-full text-[1.125rem]"
        disabled={busy || wrong !== null}
        onClick={() =>
          begin(async () => {
            const result = await signInByLink(secret);
            if (result.ok) window.location.replace(result.value);
            else setWrong(result.message);
          })
        }
      >
        {t('signIn.signInHere.signInOnThisDevice')}
      </Button>
    </div>
  );
}
