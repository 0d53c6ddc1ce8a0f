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
            label="Last day of a new link"
            value={lastDay}
            onChange={setLastDay}
            hint="left empty, it has no end"
            error={error}
          />
        }
      />
      <p className="text-sm text-ink2">
        Whoever has the link sees {given}’s homework and dates, and can log for it; nothing else.
        {origin === null &&
          ' It opens on this machine only, until Dirigo is started for the network.'}
      </p>
    </div>
  );
}
