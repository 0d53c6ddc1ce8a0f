'use client';

import { useTranslations } from 'next-intl';
import { ArrowLeft, Printer } from 'lucide-react';
import { Link } from '@/ui/link';
import { useRouter } from 'next/navigation';
import { Button } from '@/ui/button';
import { Choice } from '@/ui/choice';
import { Pick, type PickOption } from '@/ui/pick';
import { RungPick } from '../drills/rung-pick';
import { PAPERS, type SheetQuery } from './paper';

const NOBODY = 'nobody';

/** Above a sheet on the screen, not on paper: whom it is for, on which paper, and how to take it along. */
export function SheetBar({
  id,
  name,
  query,
  students,
  rungs,
}: {
  id: string;
  name: string;
  query: SheetQuery;
  students: PickOption[];
  rungs: string[];
}) {
  const t = useTranslations();
  const router = useRouter();
  const search = (changes: Partial<SheetQuery>) => {
    const next = { ...query, ...changes };
    const pairs = Object.entries(next).filter(([, value]) => value !== undefined);
    return new URLSearchParams(pairs.map(([key, value]) => [key, String(value)])).toString();
  };
  const go = (changes: Partial<SheetQuery>) =>
    router.replace(`/drills/${id}/sheet?${search(changes)}`);
  return (
    <header className="flex flex-wrap items-end gap-x-5 gap-y-3 border-b-[length:var(--stroke)] border-ink px-4 py-3 md:px-7 print:hidden">
      <div className="mr-auto min-w-0">
        <Link
          href={`/drills/${id}`}
          className="inline-flex min-h-11 items-center gap-1.5 text-[0.9375rem] underline underline-offset-4"
        >
          <ArrowLeft size={15} aria-hidden /> {name}
        </Link>
        <h1>{t('sheet.sheetBar.setUpSheet')}</h1>
      </div>
      {students.length > 0 && (
        <div className="w-[220px]">
          <Pick
            label={t('sheet.sheetBar.student')}
            placeholder={t('sheet.sheetBar.chooseAStudent')}
            options={[{ value: NOBODY, label: t('sheet.sheetBar.standardPlayer') }, ...students]}
            value={query.student ?? NOBODY}
            onChange={(value) => go({ student: value === NOBODY ? undefined : value })}
          />
        </div>
      )}
      {rungs.length > 0 && (
        <div className="w-[190px]">
          <RungPick
            rungs={rungs}
            rung={query.rung ?? null}
            onRung={(rung) => go({ rung: rung ?? undefined })}
          />
        </div>
      )}
      <Choice
        label={t('sheet.sheetBar.paper')}
        value={query.paper}
        onChange={(paper) => go({ paper })}
        options={Object.values(PAPERS).map((paper) => ({ value: paper.id, label: paper.name }))}
      />
      <Button asChild>
        <a href={`/drills/${id}/sheet/svg?${search({})}`} download>
          {t('sheet.sheetBar.downloadSVG')}
        </a>
      </Button>
      <Button asChild>
        <a href={`/drills/${id}/sheet/pdf?${search({})}`} download>
          {t('sheet.sheetBar.downloadPDF')}
        </a>
      </Button>
      <Button kind="primary" onClick={() => window.print()}>
        <Printer size={17} aria-hidden /> {t('sheet.sheetBar.print')}
      </Button>
    </header>
  );
}
