'use client';

import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { homeLink } from './homework-actions';

/** The link to a student's own page: to open, to copy, to end. */
export function HomeLink({
  studentId,
  given,
  known,
  origin,
}: {
  studentId: string;
  given: string;
  known: string | null;
  /** Where students reach their pages; this address when null. */
  origin: string | null;
}) {
  const [made, setToken] = useState<string | null>(null);
  const token = made ?? known;
  const [busy, begin] = useTransition();
  const make = (fresh: boolean) =>
    begin(async () => {
      const result = await homeLink({ studentId, fresh });
      if (!showErrors(result)) return;
      setToken(result.value);
      if (fresh) toast('The old link opens nothing any more.');
    });
  if (token === null) {
    return (
      <Button disabled={busy} onClick={() => make(false)}>
        Make {given}’s page
      </Button>
    );
  }
  const address = () => `${origin ?? window.location.origin}/home/${token}`;
  return (
    <div className="grid justify-items-start gap-2">
      <div className="flex flex-wrap gap-2.5">
        <Button asChild>
          <a href={`/home/${token}`}>Open {given}’s page</a>
        </Button>
        <Button
          onClick={() =>
            void navigator.clipboard
              .writeText(address())
              .then(() => toast(`The link is copied: send it to ${given}.`))
          }
        >
          Copy its link
        </Button>
      </div>
      <Button kind="quiet" className="-ml-2" disabled={busy} onClick={() => make(true)}>
        End that link and make another
      </Button>
      <p className="text-sm text-ink2">
        Whoever has the link sees {given}’s homework and dates, and can log for it; nothing else.
        {origin === null &&
          ' It opens on this machine only, until students’ pages are given a name of their own.'}
      </p>
    </div>
  );
}
