import { getTranslations } from 'next-intl/server';
import { ArrowLeft } from 'lucide-react';
import { Link } from '@/ui/link';
import { coachContext } from '../shared/server';
import { PdfLinks } from '../sheet/pdf-links';
import { PrintButton } from '../students/print-button';
import { HourLine } from './hour-line';
import { letterOf } from './letters';
import type { loadPlan } from './load-plan';
import { planTold } from './plan-told';

/** A plan on one page, to take along. */
export async function PlanOnPage(loaded: Awaited<ReturnType<typeof loadPlan>>) {
  const t = await getTranslations();
  const { plan, frame } = loaded;
  const { blocks, totals, rows, title, under, time, bring, cautions } = await planTold(
    await coachContext(),
    loaded,
  );
  return (
    <main className="mx-auto max-w-[820px] bg-sheet px-6 py-6 print:max-w-none print:bg-white print:p-0">
      <style>{t('programme.planOnPage.pageMargin12mm')}</style>
      <div className="mb-4 flex flex-wrap items-center justify-between gap-3 print:hidden">
        <Link
          href={`/programme/hours/${plan.id}`}
          className="inline-flex min-h-11 items-center gap-1.5 underline underline-offset-4"
        >
          <ArrowLeft size={15} aria-hidden /> {t('programme.planOnPage.backToThePlan')}
        </Link>
        <div className="flex flex-wrap gap-2.5">
          <PdfLinks at={`/programme/hours/${plan.id}/sheet/pdf`} />
          <PrintButton />
        </div>
      </div>
      <header className="border-b-[length:var(--stroke)] border-ink pb-2">
        <h1>{title}</h1>
        <p className="text-[1rem]">{under}</p>
        <p className="text-[0.9375rem] text-ink2">{time}</p>
      </header>
      <HourLine blocks={blocks} totals={totals} minutes={frame.minutes} />
      <ol>
        {rows.map(({ id, name, phase, rule, places, minutes, late }, index) => (
          <li
            key={id}
            className="grid break-inside-avoid grid-cols-[34px_minmax(0,1fr)_96px] gap-x-3 border-t border-rule py-2"
          >
            <span className="text-[1.5rem] leading-tight num">{letterOf(index)}</span>
            <div>
              <p className="text-[1.0625rem] leading-tight font-[680]">
                {name} <span className="cap">{phase}</span>
              </p>
              <p className="text-[0.9375rem]">{rule}</p>
              <p className="text-sm text-ink2">{places}</p>
            </div>
            <p className="text-right">
              <span className="block text-[1.25rem] leading-tight num">{minutes}</span>
              <span className="text-[0.8125rem] text-ink2">{late}</span>
            </p>
          </li>
        ))}
      </ol>
      <p className="border-t-[length:var(--stroke)] border-ink pt-2 text-[0.9375rem]">
        {t.rich('programme.planOnPage.bringBallsAndAPutter', {
          bring,
          strong: (chunks) => <strong>{chunks}</strong>,
        })}
      </p>
      {cautions && (
        <p className="mt-1 text-sm">
          <strong>{t('programme.planOnPage.takeCare')}</strong> {cautions}
        </p>
      )}
    </main>
  );
}
