'use client';

import { useTranslations } from 'next-intl';
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
  const t = useTranslations();
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
        {t('export.exportForm.theExportIsOneZIP')}
        {whole && !narrowed && t('export.exportForm.itAlsoContainsAFull')}
      </p>
      <Pick
        label={t('export.exportForm.students')}
        placeholder={t('export.exportForm.choose')}
        options={[{ value: ALL, label: t('export.exportForm.allStudents') }, ...students]}
        value={student}
        onChange={setStudent}
      />
      <div className="grid grid-cols-2 gap-3">
        <DayField label={t('export.exportForm.startDate')} value={from} onChange={setFrom} />
        <DayField
          label={t('export.exportForm.endDate')}
          value={until}
          error={backwards ? t('export.exportForm.theEndDateIsBefore') : undefined}
          onChange={setUntil}
        />
      </div>
      <Choice
        label={t('export.exportForm.format')}
        options={[
          { value: 'csv', label: t('export.exportForm.tablesCSV') },
          { value: 'jsonl', label: t('export.exportForm.jSONLines') },
        ]}
        value={writing}
        onChange={setWriting}
      />
      <p className="text-[0.9375rem] text-ink2">{t('export.exportForm.toExportOneSessionOr')}</p>
      <div>
        <Button asChild={!backwards} kind="primary" disabled={backwards}>
          {backwards ? (
            t('export.exportForm.downloadExport')
          ) : (
            <a href={`/records/export/file${asked && `?${asked}`}`} download>
              <Download size={17} aria-hidden /> {t('export.exportForm.downloadExport')}
            </a>
          )}
        </Button>
      </div>
    </div>
  );
}
