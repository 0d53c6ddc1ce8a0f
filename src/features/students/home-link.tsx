'use client';

import { useTranslations } from 'next-intl';
import { useState } from 'react';
import { DayField } from '@/ui/day-field';
import { SecretLink, type LinkKnown } from '../shared/secret-link';
import { endHomeLink, makeHomeLink } from './homework-actions';

/** The link to a student's own page: made with or without a last day, shown once, ended. */
export function HomeLink({
  studentId,
  given,
  known,
  origin,
}: {
  studentId: string;
  given: string;
  known: LinkKnown | null;
  /** Where students reach their pages; null while only this machine does. */
  origin: string | null;
}) {
  const t = useTranslations();
  const [lastDay, setLastDay] = useState('');
  const [error, setError] = useState<string>();
  return (
    <div className="grid gap-2.5">
      <SecretLink
        what={t('students.homeLink.sPage', { given })}
        known={known}
        address={(secret) => `${origin ?? window.location.origin}/home/${secret}`}
        make={async () => {
          const result = await makeHomeLink({ studentId, lastDay: lastDay || null });
          setError(result.ok ? undefined : result.fields.lastDay);
          return result;
        }}
        end={() => endHomeLink(studentId)}
        more={
          <DayField
            label={t('students.homeLink.lastDayTheNewLink')}
            value={lastDay}
            onChange={setLastDay}
            hint={t('students.homeLink.leaveEmptyForNoExpiry')}
            error={error}
          />
        }
      />
      <p className="text-sm text-ink2">
        {t('students.homeLink.anyoneWithTheLinkCan', { given })}
        {origin === null && t('students.homeLink.itOpensOnlyOnThis')}
      </p>
    </div>
  );
}
