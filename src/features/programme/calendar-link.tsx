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
          Download calendar
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
        Anyone with the link can see names, days and what is being worked on, and nothing else. The
        link works wherever this address does: {origin}.
      </p>
    </div>
  );
}
