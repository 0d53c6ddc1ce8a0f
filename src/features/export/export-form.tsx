'use client';

import { Download } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/ui/button';
import { DayField } from '@/ui/day-field';
import { Choice } from '@/ui/choice';
import { Pick } from '@/ui/pick';

const ALL = 'all';

/** Tables of all putts, or of one student's, or of some time. */
export function ExportForm({
  students,
  whole,
}: {
  students: { value: string; label: string }[];
  /** Whoever asks reaches all of the academy: the whole book goes along. */
  whole: boolean;
}) {
  const [student, setStudent] = useState(ALL);
  const [from, setFrom] = useState('');
  const [until, setUntil] = useState('');
  const [writing, setWriting] = useState<'csv' | 'jsonl'>('csv');
  const narrowed = student !== ALL || from !== '' || until !== '';
  const asked = new URLSearchParams({
    ...(student !== ALL && { student }),
    ...(from && { from }),
    ...(until && { until }),
    ...(writing !== 'csv' && { as: writing }),
  }).toString();
  const backwards = from !== '' && until !== '' && until < from;
  return (
    <div className="grid gap-4">
      <p className="text-[1rem]">
        The export is one ZIP file of tables for a spreadsheet or another program. It contains
        students, their putters and set-up cards, sessions, drills as they were set up, every putt,
        every score and a description of each column.
        {whole &&
          !narrowed &&
          ' It also contains a full export of everything, for an empty Dirigo elsewhere.'}
      </p>
      <Pick
        label="Students"
        placeholder="Choose"
        options={[{ value: ALL, label: 'all students' }, ...students]}
        value={student}
        onChange={setStudent}
      />
      <div className="grid grid-cols-2 gap-3">
        <DayField label="Start date" value={from} onChange={setFrom} />
        <DayField
          label="End date"
          value={until}
          error={backwards ? 'The end date is before the start date.' : undefined}
          onChange={setUntil}
        />
      </div>
      <Choice
        label="Format"
        options={[
          { value: 'csv', label: 'tables (CSV)' },
          { value: 'jsonl', label: 'JSON lines' },
        ]}
        value={writing}
        onChange={setWriting}
      />
      <p className="text-[0.9375rem] text-ink2">
        To export one session or one group session, open its own page.
      </p>
      <div>
        <Button asChild={!backwards} kind="primary" disabled={backwards}>
          {backwards ? (
            'Download export'
          ) : (
            <a href={`/records/export/file${asked && `?${asked}`}`} download>
              <Download size={17} aria-hidden /> Download export
            </a>
          )}
        </Button>
      </div>
    </div>
  );
}
