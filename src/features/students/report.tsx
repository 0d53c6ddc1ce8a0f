import { useTranslations } from 'next-intl';
import { ArrowLeft } from 'lucide-react';
import { format } from '@/ui/when';
import { Link } from '@/ui/link';
import { showLength, type UnitPreferences } from '@/core/units';
import type { Student } from '@/data';
import { Glance } from './glance';
import { PdfLinks } from '../sheet/pdf-links';
import { PrintButton } from './print-button';
import type { Known } from './read-student';
import { WorthPart } from './worth-part';

const PRINT_STYLE = '@page{size:A4;margin:12mm 10mm}@media print{section{break-inside:avoid}}';

/**
 * What a student takes along: where they are, what it means, what to practise. Nothing that a coach has noted is in it,
 * nor anything of health.
 */
export function Report({
  student,
  coach,
  now,
  known,
  units,
}: {
  student: Student;
  coach: string;
  now: Date;
  known: Known;
  units: UnitPreferences;
}) {
  const t = useTranslations();
  const { scores, findings, changes, next, worth } = known;
  const first = scores[0]!;
  return (
    <main className="min-h-dvh bg-sheet">
      <style>{PRINT_STYLE}</style>
      <header className="flex flex-wrap items-center justify-between gap-3 border-b-[length:var(--stroke)] border-ink px-4 py-3 md:px-7 print:hidden">
        <Link
          href={`/students/${student.id}`}
          className="inline-flex min-h-11 items-center gap-1.5 text-[0.9375rem] underline underline-offset-4"
        >
          <ArrowLeft size={15} aria-hidden /> {student.name}
        </Link>
        <div className="flex flex-wrap gap-2.5">
          <PdfLinks at={`/students/${student.id}/report/pdf`} />
          <PrintButton />
        </div>
      </header>
      <div className="mx-auto max-w-[900px] py-5">
        <div className="px-5 md:px-7">
          <h1>{t('students.report.howYouPutt', { student: student.name })}</h1>
          <p className="text-[1rem] text-ink2">
            {t('students.report.fromSession', {
              date: format(now, 'd MMMM yyyy'),
              coach: coach && ` · ${coach}`,
              scores: scores.length,
              date2: format(first.at, 'd MMMM'),
            })}
          </p>
          <p className="mt-3 max-w-[68ch] text-[1rem]">
            {t('students.report.theMiddleOfEachRuler')}
          </p>
        </div>
        <div className="mt-3 border-y border-ink">
          <Glance student={student} scores={scores} changes={changes} />
        </div>
        <section className="px-5 py-4 md:px-7" aria-label={t('students.report.whatToPractise')}>
          <h2 className="mb-2 text-[1.25rem] num">{t('students.report.whatToPractise')}</h2>
          {findings.length === 0 && (
            <p className="text-[1rem]">{t('students.report.noClearPatternInThe')}</p>
          )}
          <ol className="grid gap-3">
            {findings.slice(0, 3).map(({ id, seen, cause, drills }) => (
              <li key={id} className="border-l-[3px] border-ink pl-3.5 text-[1rem]">
                <strong>{seen}</strong> {cause}
                {drills.length > 0 && (
                  <span className="block text-ink2">
                    {drills.map(({ name, dose }) => `${name} (${dose})`).join(' · ')}
                  </span>
                )}
              </li>
            ))}
          </ol>
          {next && (
            <p className="mt-3 text-[1rem]">
              {t.rich('students.report.yourNextGateBetweenThe', {
                gap: showLength(next.gap, 'across', units),
                distance: showLength(next.distance, 'along', units),
                share: Math.round(next.share * 10),
                strong: (chunks) => <strong>{chunks}</strong>,
                strong2: (chunks) => <strong>{chunks}</strong>,
              })}
            </p>
          )}
        </section>
        <WorthPart worth={worth} units={units} />
      </div>
    </main>
  );
}
