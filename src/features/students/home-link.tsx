'use client';

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
  const [lastDay, setLastDay] = useState('');
  const [error, setError] = useState<string>();
  return (
    <div className="grid gap-2.5">
      <SecretLink
        what={`${given}’s page`}
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
            label="Last day the new link works"
            value={lastDay}
            onChange={setLastDay}
            hint="Leave empty for no expiry"
            error={error}
          />
        }
      />
      <p className="text-sm text-ink2">
        Anyone with the link can see {given}’s homework and dates, and can log for it, but nothing
        else.
        {origin === null &&
          ' It opens only on this machine until Dirigo is started for the network.'}
      </p>
    </div>
  );
}
