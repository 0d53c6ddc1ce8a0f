'use client';

import { Button } from '@/ui/button';
import { SecretLink, type LinkKnown } from '../shared/secret-link';
import { endCalendarLink, makeCalendarLink } from './date-actions';

/** The calendar as a file, and the link that another calendar follows. */
export function CalendarLink({ known, origin }: { known: LinkKnown | null; origin: string }) {
  return (
    <div className="grid justify-items-start gap-2">
      <Button asChild>
        <a href="/programme/calendar" download>
          Take the calendar as a file
        </a>
      </Button>
      <SecretLink
        what="the calendar"
        known={known}
        address={(secret) => `${origin}/calendar/${secret}`}
        make={() => makeCalendarLink(null)}
        end={() => endCalendarLink(null)}
      />
      <p className="text-sm text-ink2">
        Whoever has the link sees names, days and what is worked on; nothing else. It works where
        this address does: {origin}.
      </p>
    </div>
  );
}
