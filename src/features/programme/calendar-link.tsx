'use client';

import { useTranslations } from 'next-intl';
import { Button } from '@/ui/button';
import { SecretLink, type LinkKnown } from '../shared/secret-link';
import { endCalendarLink, makeCalendarLink } from './date-actions';

/** The calendar as a file, and the link that another calendar follows. */
export function CalendarLink({ known, origin }: { known: LinkKnown | null; origin: string }) {
  const t = useTranslations();
  return (
    <div className="grid justify-items-start gap-2">
      <Button asChild>
        <a href="/programme/calendar" download>
          {t('programme.calendarLink.downloadCalendar')}
        </a>
      </Button>
      <SecretLink
        what={t('programme.calendarLink.theCalendar')}
        known={known}
        address={(secret) => `${origin}/calendar/${secret}`}
        make={() => makeCalendarLink(null)}
        end={() => endCalendarLink(null)}
      />
      <p className="text-sm text-ink2">
        {t('programme.calendarLink.anyoneWithTheLinkCan', { origin })}
      </p>
    </div>
  );
}
