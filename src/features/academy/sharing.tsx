'use client';

import { useTranslations } from 'next-intl';
import { format } from '@/ui/when';
import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { TextField } from '@/ui/field';
import { Pick } from '@/ui/pick';
import { SheetDialog } from '@/ui/sheet-dialog';
import { showErrors } from '../shared/show-errors';
import { hand, share, unshare } from './actions';

interface Shared {
  id: string;
  name: string;
  consent: string;
  madeAt: Date;
}

/** With whom a student is shared, and to whom they can be handed over; who agreed is noted. */
export function Sharing({
  student,
  given,
  shares,
  others,
}: {
  student: string;
  given: string;
  shares: Shared[];
  /** Coaches that a student can be shared with. */
  others: { value: string; label: string; detail: string }[];
}) {
  const t = useTranslations();
  const [open, setOpen] = useState(false);
  const [coachId, setCoachId] = useState('');
  const [consent, setConsent] = useState('');
  const [fields, setFields] = useState<Record<string, string>>({});
  const [busy, begin] = useTransition();
  const give = (how: typeof share, done: (name: string) => string) =>
    begin(async () => {
      const result = await how({ studentId: student, coachId, consent });
      setFields(result.ok ? {} : result.fields);
      if (!result.ok && Object.keys(result.fields).length > 0) return;
      if (!showErrors(result)) return;
      const name = others.find(({ value }) => value === coachId)?.label ?? '';
      setOpen(false);
      setCoachId('');
      setConsent('');
      toast(done(name));
    });
  return (
    <SheetDialog
      title={t('academy.sharing.shareOrHandOver', { given })}
      open={open}
      onOpen={setOpen}
      trigger={
        <Button>
          {shares.length > 0
            ? t('academy.sharing.sharedWithCoach', { shares: shares.length })
            : t('academy.sharing.share')}
        </Button>
      }
    >
      <div className="mt-3 grid gap-5">
        {shares.length > 0 && (
          <ul>
            {shares.map(({ id, name, consent: agreed, madeAt }) => (
              <li
                key={id}
                className="flex items-center justify-between gap-3 border-b border-rule py-2"
              >
                <p>
                  {t.rich('academy.sharing.since', {
                    name,
                    date: format(madeAt, 'd MMMM'),
                    agreed,
                    strong: (chunks) => <strong className="font-[640]">{chunks}</strong>,
                    span: (chunks) => (
                      <span className="block text-[0.9375rem] text-ink2">{chunks}</span>
                    ),
                  })}
                </p>
                <Button
                  disabled={busy}
                  aria-label={t('academy.sharing.stopSharingWith', { name })}
                  onClick={() =>
                    begin(async () => {
                      if (showErrors(await unshare(id)))
                        toast(t('academy.sharing.canNoLongerSee', { name, given }));
                    })
                  }
                >
                  {t('academy.sharing.stopSharing')}
                </Button>
              </li>
            ))}
          </ul>
        )}
        <Pick
          label={t('academy.sharing.coach')}
          placeholder={t('academy.sharing.chooseACoach')}
          options={others}
          value={coachId}
          onChange={setCoachId}
          error={fields.coachId}
        />
        <TextField
          label={t('academy.sharing.consentGivenBy')}
          value={consent}
          onChange={(event) => setConsent(event.target.value)}
          hint={t('academy.sharing.forExampleAtTheLesson', { given })}
          error={fields.consent}
        />
        <div className="flex flex-wrap gap-2.5">
          <Button
            kind="primary"
            disabled={busy}
            onClick={() =>
              give(share, (name) => t('academy.sharing.canNowSeeAndLog', { name, given }))
            }
          >
            {t('academy.sharing.share2', { given })}
          </Button>
          <Button
            disabled={busy}
            onClick={() =>
              give(hand, (name) => t('academy.sharing.isNowSStudent', { given, name }))
            }
          >
            {t('academy.sharing.handOver', { given })}
          </Button>
        </div>
        <p className="max-w-prose text-[0.9375rem] text-ink2">
          {t('academy.sharing.ifYouShareBothCoaches', { given })}
        </p>
      </div>
    </SheetDialog>
  );
}
