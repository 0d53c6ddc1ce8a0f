'use client';

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
      toast(`The link to ${what} no longer works.`);
    });
  return (
    <div className="grid justify-items-start gap-2.5">
      {made && (
        <div className="grid gap-3 border-[length:var(--stroke)] border-ink bg-paper p-4">
          <p className="max-w-prose">
            <strong>Copy it now.</strong> For security the link is shown only once and is not
            stored.
          </p>
          <QrCode text={made} label={`QR code for the link to ${what}`} />
          <p className="text-sm num break-all">{made}</p>
          <div className="flex flex-wrap gap-2.5">
            <Button
              kind="primary"
              onClick={() =>
                void navigator.clipboard
                  .writeText(made)
                  .then(() => toast(`Link to ${what} copied.`))
              }
            >
              Copy link
            </Button>
            <Button asChild>
              <a href={made} target="_blank" rel="noreferrer">
                Open link
              </a>
            </Button>
          </div>
        </div>
      )}
      {known && !made && (
        <p className="max-w-prose text-[0.96875rem]">
          Link created {dayOf(known.madeAt)},{' '}
          {known.openedAt ? `last opened ${dayOf(known.openedAt)}` : 'not opened yet'}
          {known.until && `, expires after ${dayOf(new Date(known.until.getTime() - 1))}`}. For
          security it is shown only once; if it is lost, create a new one.
        </p>
      )}
      {more}
      <div className="flex flex-wrap gap-2.5">
        <Button disabled={busy} onClick={makeOne}>
          {known || made ? 'Replace link' : `Create link to ${what}`}
        </Button>
        {(known || made) && (
          <Button kind="quiet" disabled={busy} onClick={endIt}>
            Revoke link
          </Button>
        )}
      </div>
    </div>
  );
}
