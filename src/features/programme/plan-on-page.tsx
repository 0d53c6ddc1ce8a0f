import { ArrowLeft } from 'lucide-react';
import Link from 'next/link';
import { PLACE_WORDS, ruleWords } from '@/core/drill';
import { fitted, layoutCautions, layoutKit, onRung, tapeList } from '@/core/layout';
import { fittingOf, kitWords, type KitId } from '@/core/people';
import { PHASE_WORDS, totalsOf } from '@/core/planning';
import { showLength } from '@/core/units';
import { getDrill, getStudent } from '@/data';
import { coachContext } from '../shared/server';
import { PrintButton } from '../students/print-button';
import { HourLine } from './hour-line';
import { letterOf } from './letters';
import type { loadPlan } from './load-plan';
import { totalsWords } from './totals-words';

/** A plan on one page, to take along: what comes when, what to place where, and what to bring. */
export async function PlanOnPage({
  plan,
  frame,
  items,
  own,
  reckoned,
  units,
}: Awaited<ReturnType<typeof loadPlan>>) {
  const { database, principal } = await coachContext();
  const students = await Promise.all(
    frame.studentIds.map((id) => getStudent(database, principal, id)),
  );
  const [first] = students;
  const blocks = items.flatMap((item) =>
    own[item.id] ? [{ id: item.id, item, offer: own[item.id]! }] : [],
  );
  const totals = totalsOf(blocks.map(({ offer }) => offer));
  const rows = await Promise.all(
    blocks.map(async ({ item, offer }) => {
      const { layout, details } = await getDrill(database, principal, item.ref);
      const rung = first && item.rungs[first.id];
      const on = typeof rung === 'number' ? details.ladder[rung] : undefined;
      const stands = first ? fitted(layout, fittingOf(first)) : layout;
      return { item, offer, details, layout: on ? onRung(stands, on) : stands };
    }),
  );
  const kit = new Map<KitId, number>();
  for (const { layout } of rows) {
    for (const { item, count } of layoutKit(layout)) {
      kit.set(item, Math.max(kit.get(item) ?? 0, count));
    }
  }
  const cautions = [...new Set(rows.flatMap(({ layout }) => layoutCautions(layout)))];
  return (
    <main className="mx-auto max-w-[820px] bg-sheet px-6 py-6 print:max-w-none print:bg-white print:p-0">
      <style>{'@page{margin:12mm}'}</style>
      <div className="mb-4 flex items-center justify-between gap-3 print:hidden">
        <Link
          href={`/programme/hours/${plan.id}`}
          className="inline-flex items-center gap-1.5 underline underline-offset-4"
        >
          <ArrowLeft size={15} aria-hidden /> The plan
        </Link>
        <PrintButton />
      </div>
      <header className="border-b-[length:var(--stroke)] border-ink pb-2">
        <h1>{plan.name}</h1>
        <p className="text-[16px]">
          {students.map(({ name }) => name).join(', ')} · {PLACE_WORDS[frame.place]} ·{' '}
          {frame.minutes} minutes asked
        </p>
        <p className="text-[15px] text-ink2">
          {totalsWords(totals)}. {reckoned}
        </p>
      </header>
      <HourLine blocks={blocks} totals={totals} minutes={frame.minutes} />
      <ol>
        {rows.map(({ item, offer, details, layout }, index) => (
          <li
            key={item.id}
            className="grid break-inside-avoid grid-cols-[34px_minmax(0,1fr)_96px] gap-x-3 border-t border-rule py-2"
          >
            <span className="text-[24px] leading-tight num">{letterOf(index)}</span>
            <div>
              <p className="text-[17px] leading-tight font-[680]">
                {offer.name}{' '}
                <span className="cap">
                  {PHASE_WORDS[offer.phase]}
                  {offer.players.length === 1 &&
                    offer.players[0]!.rung !== null &&
                    ` · rung ${offer.players[0]!.rung + 1}, ${offer.rungs[offer.players[0]!.rung]}`}
                </span>
              </p>
              <p className="text-[15px]">{ruleWords(details.rule)}.</p>
              <p className="text-sm text-ink2">
                {showLength(layout.putt.distance, 'putt', units)} putt;{' '}
                {tapeList(layout)
                  .filter(({ what }) => what !== 'ball')
                  .map(
                    ({ what, at }) =>
                      `${what} ${showLength(at.along, 'along', units)}${Math.abs(at.across) > 0.0005 ? `, ${showLength(Math.abs(at.across), 'across', units)} ${at.across < 0 ? 'left' : 'right'}` : ''}`,
                  )
                  .join('; ') || 'nothing to place'}
              </p>
            </div>
            <p className="text-right">
              <span className="block text-[20px] leading-tight num">
                {Math.round(offer.span.median)} min
              </span>
              <span className="text-[13px] text-ink2">
                9 in 10 by {Math.round(offer.span.late)}
              </span>
            </p>
          </li>
        ))}
      </ol>
      <p className="border-t-[length:var(--stroke)] border-ink pt-2 text-[15px]">
        <strong>Bring</strong> {[...kit].map(([item, count]) => kitWords(item, count)).join(', ')},
        balls and a putter.
      </p>
      {cautions.length > 0 && (
        <p className="mt-1 text-sm">
          <strong>Mind</strong> {cautions.join(' ')}
        </p>
      )}
    </main>
  );
}
