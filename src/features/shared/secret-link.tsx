'use client';

import { useTranslations } from 'next-intl';
import { format } from '@/ui/when';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { QrCode } from '@/ui/qr-code';
import type { ActionResult } from './result';
import { showErrors } from './show-errors';

/** What is known of a link that stands: never the link itself. */
export interface LinkKnown {
  madeAt: Date;
  until: Date | null;
  openedAt: Date | null;
}

const dayOf = (at: Date) => format(at, 'd MMMM');

/** A link that opens something without signing in: made, shown this once, and ended. */
export function SecretLink({
  what,
  known,
  address,
  make,
  end,
  more,
}: {
  /** "the calendar", "Oona’s page". */
  what: string;
  known: LinkKnown | null;
  /** The whole address of a link, by its secret. */
  address: (secret: string) => string;
  make: () => Promise<ActionResult<string>>;
  end: () => Promise<ActionResult<null>>;
  /** What else is asked before it is made. */
  more?: React.ReactNode;
}) {
  const t = useTranslations();
  const [secret, setSecret] = useState<string | null>(null);
  const [busy, begin] = useTransition();
  const made = secret === null ? null : address(secret);
  const makeOne = () =>
    begin(async () => {
      const result = await make();
      if (showErrors(result)) setSecret(result.value);
    });
  const endIt = () =>
    begin(async () => {
      if (!showErrors(await end())) return;
      setSecret(null);
      toast(t('shared.secretLink.theLinkToNoLonger', { what }));
    });
  return (
    <div className="grid justify-items-start gap-2.5">
      {made && (
        <div className="grid gap-3 border-[length:var(--stroke)] border-ink bg-paper p-4">
          <p className="max-w-prose">
            {t.rich('shared.secretLink.copyItNowForSecurity', {
              strong: (chunks) => <strong>{chunks}</strong>,
            })}
          </p>
          <QrCode text={made} label={t('shared.secretLink.qRCodeForTheLink', { what })} />
          <p className="text-sm num break-all">{made}</p>
          <div className="flex flex-wrap gap-2.5">
            <Button
              kind="primary"
              onClick={() =>
                void navigator.clipboard
                  .writeText(made)
                  .then(() => toast(t('shared.secretLink.linkToCopied', { what })))
              }
            >
              {t('shared.secretLink.copyLink')}
            </Button>
            <Button asChild>
              <a href={made} target="_blank" rel="noreferrer">
                {t('shared.secretLink.openLink')}
              </a>
            </Button>
          </div>
        </div>
      )}
      {known && !made && (
        <p className="max-w-prose text-[0.96875rem]">
          {t('shared.secretLink.linkCreated', {
            madeAt: dayOf(known.madeAt),
            openedAt: known.openedAt ? dayOf(known.openedAt) : '',
            opened: String(!!known.openedAt),
            expires: String(!!known.until),
            lastDay: known.until ? dayOf(new Date(known.until.getTime() - 1)) : '',
          })}
        </p>
      )}
      {more}
      <div className="flex flex-wrap gap-2.5">
        <Button disabled={busy} onClick={makeOne}>
          {known || made
            ? t('shared.secretLink.replaceLink')
            : t('shared.secretLink.createLinkTo', { what })}
        </Button>
        {(known || made) && (
          <Button kind="quiet" disabled={busy} onClick={endIt}>
            {t('shared.secretLink.revokeLink')}
          </Button>
        )}
      </div>
    </div>
  );
}
