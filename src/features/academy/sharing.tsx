'use client';

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
      title={`Share or hand over ${given}`}
      open={open}
      onOpen={setOpen}
      trigger={
        <Button>
          {shares.length > 0
            ? `Shared with ${shares.length} ${shares.length === 1 ? 'coach' : 'coaches'}`
            : 'Share'}
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
                  <strong className="font-[640]">{name}</strong>, since {format(madeAt, 'd MMMM')}
                  <span className="block text-[0.9375rem] text-ink2">{agreed}</span>
                </p>
                <Button
                  disabled={busy}
                  aria-label={`Stop sharing with ${name}`}
                  onClick={() =>
                    begin(async () => {
                      if (showErrors(await unshare(id)))
                        toast(`${name} can no longer see ${given}.`);
                    })
                  }
                >
                  Stop sharing
                </Button>
              </li>
            ))}
          </ul>
        )}
        <Pick
          label="Coach"
          placeholder="Choose a coach"
          options={others}
          value={coachId}
          onChange={setCoachId}
          error={fields.coachId}
        />
        <TextField
          label="Consent given by"
          value={consent}
          onChange={(event) => setConsent(event.target.value)}
          hint={`For example “${given}, at the lesson”. For a child, name a parent.`}
          error={fields.consent}
        />
        <div className="flex flex-wrap gap-2.5">
          <Button
            kind="primary"
            disabled={busy}
            onClick={() => give(share, (name) => `${name} can now see ${given} and log putts too.`)}
          >
            Share {given}
          </Button>
          <Button
            disabled={busy}
            onClick={() => give(hand, (name) => `${given} is now ${name}’s student.`)}
          >
            Hand {given} over
          </Button>
        </div>
        <p className="max-w-prose text-[0.9375rem] text-ink2">
          If you share {given}, both coaches see everything of {given} and can log, but an assistant
          does not see notes. If you hand {given} over, all putts and all future appointments go to
          the other coach, and {given} is no longer your student.
        </p>
      </div>
    </SheetDialog>
  );
}
