'use client';

import { useState, useTransition } from 'react';
import { toast } from 'sonner';
import { Button } from '@/ui/button';
import { showErrors } from '../shared/show-errors';
import { calendarLink } from './date-actions';

/** The calendar as a file, and the link that another calendar follows. */
export function CalendarLink({ known }: { known: string | null }) {
  const [made, setToken] = useState<string | null>(null);
  const token = made ?? known;
  const [busy, begin] = useTransition();
  const make = (fresh: boolean) =>
    begin(async () => {
      const result = await calendarLink(fresh);
      if (showErrors(result)) setToken(result.value);
    });
  const address = () => `${window.location.origin}/calendar/${token}`;
  return (
    <div className="grid justify-items-start gap-2">
      <Button asChild>
        <a href="/programme/calendar" download>
          Take the calendar as a file
        </a>
      </Button>
      {token === null ? (
        <Button kind="quiet" className="-ml-2" disabled={busy} onClick={() => make(false)}>
          Make a link that another calendar can follow
        </Button>
      ) : (
        <>
          <Button
            kind="quiet"
            className="-ml-2"
            onClick={() =>
              void navigator.clipboard
                .writeText(address())
                .then(() => toast('The link is copied: give it to your calendar.'))
            }
          >
            Copy the link for another calendar
          </Button>
          <Button kind="quiet" className="-ml-2" disabled={busy} onClick={() => make(true)}>
            End that link and make another
          </Button>
        </>
      )}
      <p className="text-sm text-ink2">
        Whoever has the link sees names, days and what is worked on; nothing else.
      </p>
    </div>
  );
}
